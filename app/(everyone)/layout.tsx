import { named } from '@/core/units/words'
import { redirect } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { FollowSeat } from '../_parts/live/follow-seat'
import { Shell } from '../_parts/shell'
import { currentActor } from '../_server/actor'
import { placesOf } from '../_server/home'
import { siteOf } from '../_server/site'
import { ownSeat } from '../_server/station'
import { callsNow } from '../_server/told'

export default async function EveryoneLayout({ children }: { children: React.ReactNode }) {
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  const [site, drawn] = await Promise.all([siteOf(actor.siteId), callsNow(actor)])
  // A stop reaches a learner who has the lab open between two seams as well.
  const seat = actor.role === 'learner' ? await ownSeat() : undefined
  const who = actor.role === 'learner' ? actor.name : `${actor.name}, ${named(actor.ownRole ?? actor.role)}`
  return (
    <Shell
      venue={site.name}
      units={actor.units ?? site.settings.units}
      testThreads={site.settings.testThreads}
      who={who}
      calls={{
        drawn,
        ...(actor.role === 'learner'
          ? { of: 'own', ...(seat?.machine && { machineId: seat.machine.machineId }) }
          : { of: 'staff', personId: actor.personId }),
      }}
      logs={may(actor.role, 'see-book')}
      places={placesOf(actor.role)}
      offline={{
        personId: actor.personId,
        staffDecide: may(actor.role, 'leave-line'),
        handsOver: may(actor.role, 'hand-over-line'),
        timeZone: site.timeZone,
      }}
    >
      {seat && <FollowSeat drawn={seat.told} />}
      {children}
    </Shell>
  )
}
