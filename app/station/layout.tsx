import { may } from '@/core/wire/permission'
import { OctagonX } from 'lucide-react'
import { FollowSeat } from '../_parts/live/follow-seat'
import { Shell } from '../_parts/shell'
import { placesOf } from '../_server/home'
import { ownSeat } from '../_server/station'

/** The whole way at a seat works without a network. */
const KEPT_FOR_LEARNERS = ['/station', '/station/check', '/station/swatch', '/station/fault', '/hurt']

export default async function StationLayout({ children }: { children: React.ReactNode }) {
  const { actor, site, machine, standing, version } = await ownSeat()
  return (
    <Shell
      venue={site.name}
      units={site.settings.units}
      testThreads={site.settings.testThreads}
      who={actor.name}
      places={placesOf('learner')}
      offline={{
        personId: actor.personId,
        staffDecide: may(actor.role, 'leave-line'),
        keep: KEPT_FOR_LEARNERS,
        timeZone: site.timeZone,
      }}
      calls={{ of: 'own', ...(machine && { machineId: machine.machineId }) }}
    >
      <FollowSeat drawn={version} />
      <div role="alert">
        {machine && standing?.standing === 'stopped' && (
          <p className="sheet mb-4 flex items-center gap-4 border-l-8 border-l-error p-4 text-xl">
            <OctagonX className="size-8 shrink-0 text-error" aria-hidden="true" />
            <span>
              <strong>{machine.name} is stopped.</strong> Take your foot off the pedal and do not sew on it; tell your
              instructor.
            </span>
          </p>
        )}
      </div>
      {children}
    </Shell>
  )
}
