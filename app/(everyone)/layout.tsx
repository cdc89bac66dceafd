import { redirect } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { Shell } from '../_parts/shell'
import { currentActor } from '../_server/actor'
import { placesOf } from '../_server/home'
import { siteOf } from '../_server/site'

export default async function EveryoneLayout({ children }: { children: React.ReactNode }) {
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  const site = await siteOf(actor.siteId)
  const who = actor.role === 'learner' ? actor.name : `${actor.name}, ${actor.role}`
  return (
    <Shell
      venue={site.name}
      units={site.settings.units}
      testThreads={site.settings.testThreads}
      who={who}
      calls={actor.role === 'learner' ? { of: 'own' } : { of: 'staff', personId: actor.personId }}
      logs={may(actor.role, 'see-book')}
      places={placesOf(actor.role)}
      offline={{
        personId: actor.personId,
        staffDecide: may(actor.role, 'leave-line'),
        keep: [],
        timeZone: site.timeZone,
      }}
    >
      {children}
    </Shell>
  )
}
