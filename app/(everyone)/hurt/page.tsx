import type { Metadata } from 'next'
import { FIRST_STEPS } from '@/core/knowledge/care/first-aid'
import { readRoom } from '@/store/machine/machines'
import { seatOf } from '@/store/project/projects'
import { mustSee } from '../../_server/actor'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'
import { StopMachine } from './stop-machine'

export const metadata: Metadata = { title: 'Somebody is hurt' }

export default async function HurtPage({ searchParams }: { searchParams: Promise<{ machine?: string }> }) {
  const actor = await mustSee('see-first-aid')
  const store = booksOf(actor.siteId)
  const own = actor.role === 'learner' ? await seatOf(store, actor.siteId, actor.personId) : undefined
  const [site, room, { machine: asked }] = await Promise.all([
    siteOf(actor.siteId),
    readRoom(store, actor.siteId),
    searchParams,
  ])
  const machines = room
    .filter(({ machineId }) => actor.role !== 'learner' || (!own?.takenOverBy && machineId === own?.given?.machineId))
    .map(({ machineId, name, number }) => ({ machineId, name, number }))
  const { firstAider, box, emergency } = site.houseRules.firstAid ?? {}
  const call = [
    firstAider && { name: 'First-aider', words: firstAider },
    box && { name: 'First-aid box', words: box },
    emergency && { name: 'Emergency', words: emergency },
  ].filter((each) => each !== undefined && each !== '')
  return (
    <div className="grid grid-cols-1 gap-6 lg:grid-cols-[3fr_2fr]">
      <section aria-labelledby="first">
        <h1 id="first" className="text-3xl font-bold">
          Somebody is hurt: first
        </h1>
        <ol className="mt-3 flex flex-col">
          {FIRST_STEPS.map(({ title, how }, index) => (
            <li key={title} className="seam grid grid-cols-[2.2rem_1fr] py-3">
              <span className="numeral text-2xl opacity-70">{index + 1}</span>
              <div>
                <strong className="text-xl">{title}</strong>
                <p className="text-lg">{how}</p>
                {/* On a phone the call lies below all steps. */}
                {index === 0 && (
                  <a href="#stop" className="btn btn-outline btn-error mt-2 min-h-11 w-full lg:hidden">
                    That is done: to the call
                  </a>
                )}
              </div>
            </li>
          ))}
        </ol>
      </section>
      <div className="flex flex-col gap-6">
        <section className="sheet border-l-8 border-l-error p-5" aria-labelledby="call">
          <h2 id="call" className="text-2xl font-bold">
            Call
          </h2>
          {call.length > 0 ? (
            <dl className="mt-2 flex flex-col gap-3 text-xl">
              {call.map(({ name, words }) => (
                <div key={name}>
                  <dt className="text-sm">{name}</dt>
                  <dd className="font-bold">{words}</dd>
                </div>
              ))}
            </dl>
          ) : (
            <p className="mt-2 text-lg">
              Call out loud for the nearest adult, and ring the emergency number that holds where you are. This venue
              has not written its own words here yet: the coordinator does it under House rules.
            </p>
          )}
        </section>
        <StopMachine machines={machines} asked={asked} learner={actor.role === 'learner'} />
      </div>
    </div>
  )
}
