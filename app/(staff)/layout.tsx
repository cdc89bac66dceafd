import { named } from '@/core/units/words'
import { redirect } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { siteOf } from '../_server/site'
import { placesOf } from '../_server/home'
import { currentActor } from '../_server/actor'
import { callsNow } from '../_server/told'
import { Shell } from '../_parts/shell'

export default async function StaffLayout({ children }: { children: React.ReactNode }) {
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  const [site, drawn] = await Promise.all([siteOf(actor.siteId), callsNow(actor)])
  return (
    <Shell
      venue={site.name}
      units={actor.units ?? site.settings.units}
      testThreads={site.settings.testThreads}
      who={`${actor.name}, ${named(actor.ownRole ?? actor.role)}`}
      calls={{ of: 'staff', personId: actor.personId, drawn }}
      logs={may(actor.role, 'see-book')}
      places={placesOf(actor.role)}
      onTablet={actor.onTablet}
      offline={{
        personId: actor.personId,
        staffDecide: may(actor.role, 'leave-line'),
        handsOver: may(actor.role, 'hand-over-line'),
        timeZone: site.timeZone,
      }}
    >
      {children}
    </Shell>
  )
}
