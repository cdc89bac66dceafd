import { may } from '@/core/wire/permission'
import { FollowSeat } from '../_parts/live/follow-seat'
import { Shell } from '../_parts/shell'
import { placesOf } from '../_server/home'
import { ownSeat } from '../_server/station'
import { callsNow } from '../_server/told'

export default async function StationLayout({ children }: { children: React.ReactNode }) {
  const { actor, site, machine, told } = await ownSeat()
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
        handsOver: may(actor.role, 'hand-over-line'),
        timeZone: site.timeZone,
      }}
      calls={{ of: 'own', drawn: await callsNow(actor), ...(machine && { machineId: machine.machineId }) }}
    >
      <FollowSeat drawn={told} />
      {children}
    </Shell>
  )
}
