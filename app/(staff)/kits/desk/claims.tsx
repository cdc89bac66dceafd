import { named } from '@/core/units/words'
import { CLAIM_PLACES, CLAIMS } from '@/core/knowledge/claim'
import { ClaimCard } from '@/ui/parts/claim-card'

/** What goes round the room, all of it, by what it speaks of. */
export function Claims() {
  return (
    <section aria-labelledby="claims" className="mt-10">
      <h2 id="claims" className="text-2xl font-bold">
        What people say
      </h2>
      <p className="mt-1">Kindly put, and with what holds. The room’s own book may say more.</p>
      <div className="mt-4 columns-1 gap-8 md:columns-2 xl:columns-3">
        {CLAIM_PLACES.map((place) => (
          <div key={place} className="mb-5 break-inside-avoid">
            <h3 className="mb-1 font-bold">About {place === 'needle-life' ? 'needle life' : `the ${named(place)}`}</h3>
            <div className="flex flex-col gap-2">
              {CLAIMS.filter(({ give }) => give.place === place).map((claim) => (
                <ClaimCard key={claim.id} claim={claim} />
              ))}
            </div>
          </div>
        ))}
      </div>
    </section>
  )
}
