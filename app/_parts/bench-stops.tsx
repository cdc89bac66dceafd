'use client'

import { Link } from '@/ui/parts/link'
import type { BenchTask } from '@/core/care/before-class'
import type { StandingWord } from '@/core/machine/standing'
import { soundAt } from '@/core/session/walk-so-far'
import type { Traits } from '@/core/knowledge/machine/trait'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { BenchTaskRow } from './bench-task'
import { BobbinsFirst } from './bobbins-first'

export interface Stop {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly standing: StandingWord
  readonly because: readonly string[]
  readonly faults: readonly string[]
  readonly tasks: readonly BenchTask[]
  /** the last line of its book, and whose list this is: with the task they name the tick */
  readonly bookAt: string
  readonly list: string
  readonly who?: string
  readonly what?: string
  readonly projectId?: string
  /** what goes beside who sits there: who changes it, and how long it may take */
  readonly aside?: string
  /** for the drawings of a check: what is known of it, and the mark that its dial is set to */
  readonly traits?: Traits
  readonly dialSet?: number | undefined
  /** the class of its bobbins */
  readonly bobbins?: string | undefined
}

/** What is said of more than one thing is said once, at the head. */
function saidOften(walk: readonly Stop[]): ReadonlySet<string> {
  const times = new Map<string, number>()
  for (const { caution } of walk.flatMap(({ tasks }) => tasks))
    if (caution) times.set(caution, (times.get(caution) ?? 0) + 1)
  return new Set([...times].filter(([, count]) => count > 1).map(([caution]) => caution))
}

/** One walk through the room: bobbins first, then machine by machine what is to be done; a tap is the line in its book. */
export function BenchStops({ walk }: { walk: readonly Stop[] }) {
  const said = saidOften(walk)
  return (
    <>
      {said.size > 0 && (
        <ul className="mt-3 border-l-8 border-secondary pl-4 font-semibold text-secondary" aria-label="Cautions">
          {[...said].map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
      <BobbinsFirst walk={walk} />
      <ol className="mt-4 flex flex-col gap-4" aria-label="Machines in walking order">
        {walk.map((stop) => {
          const { machineId, name, number, standing, because, who, what } = stop
          const toDo = stop.tasks.filter(({ event }) => event?.kind !== 'bobbin-wound')
          return (
            <li key={machineId} className="sheet p-4">
              <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
                <h2 className="text-2xl font-bold">
                  <Link href={`/machines/${machineId}`}>{name}</Link>
                </h2>
                <span>no. {number}</span>
                {(!stop.aside || standing === 'stopped') && <StandingMark standing={standing} />}
                {who && (
                  <span>
                    {who}: {what}
                  </span>
                )}
                {stop.aside && <span className="ml-auto">{stop.aside}</span>}
                {!stop.aside && toDo.length === 0 && soundAt(stop) && <span className="ml-auto">as it should be</span>}
              </div>
              {standing === 'stopped' && <p className="mt-1 text-error">{because[0]}</p>}
              {stop.faults.map((words) => (
                <p key={words} className="mt-1 font-semibold text-warning">
                  {words}
                </p>
              ))}
              <ul>
                {toDo.map((task) => (
                  <BenchTaskRow key={task.id} stop={stop} task={task} said={said} />
                ))}
              </ul>
            </li>
          )
        })}
      </ol>
    </>
  )
}
