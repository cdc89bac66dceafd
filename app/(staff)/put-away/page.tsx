import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import type { ReactNode } from 'react'
import { may } from '@/core/wire/permission'
import { readMachines } from '@/store/machine/machines'
import { readClassLearners } from '@/store/project/learners'
import { readProjects } from '@/store/project/projects'
import { itemKey, itemWords } from '@/core/stock/item'
import { shelvesAway } from '@/core/stock/ledger'
import { readMoves } from '@/store/stock/stock'
import { readSessions } from '@/store/session/sessions'
import { TakeOut, TakeOutMachine, TakeOutShelf } from '@/ui/parts/put-away'
import { dayIn } from '@/core/units/day'
import { dayWords, formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../_server/actor'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'

export const metadata: Metadata = { title: 'Put away' }

/** Everything that is at work no more, with the way back. */
export default async function PutAwayPage() {
  const actor = await mustSee('see-room')
  const store = booksOf(actor.siteId)
  const [machines, learners, bags, sessions, moves, site] = await Promise.all([
    readMachines(store, actor.siteId, { putAway: true }),
    readClassLearners(store, actor.siteId, 'put-away'),
    readProjects(store, actor.siteId, { putAway: true }),
    readSessions(store, actor.siteId, { putAway: true }),
    readMoves(store, actor.siteId),
    siteOf(actor.siteId),
  ])
  const mayTakeOut = may(actor.role, 'take-out')
  const since = (moment: Date | string) => `since ${dayWords(dayIn(new Date(moment), site.timeZone))}`
  // A bag whose learner is put away comes out with them.
  const own = bags.filter(({ putAway }) => putAway === 'bag')
  const shelves = shelvesAway(moves)
  const nothing = machines.length + learners.length + own.length + sessions.length + shelves.length === 0
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="text-3xl font-bold">Put away</h1>
      <p className="mt-1">
        What is at work no more. It is in no plan and no list; what names it still finds it, and it can be taken out
        again.
      </p>
      {nothing && (
        <p className="sheet mt-4 p-6 text-lg">Nothing is put away. Each thing’s own page has the way here.</p>
      )}
      <Kind title="Machines" count={machines.length}>
        {machines.map(({ machineId, name, number, state }) => (
          <Row
            key={machineId}
            note={state.putAway ? `${since(state.putAway.since)}. ${state.putAway.because ?? ''}` : ''}
            out={mayTakeOut && <TakeOutMachine machineId={machineId} name={name} />}
          >
            <Link className="link text-lg font-bold" href={`/machines/${machineId}`}>
              {name}, no. {number}
            </Link>
          </Row>
        ))}
      </Kind>
      <Kind title="Learners" count={learners.length}>
        {learners.map(({ enrolmentId, name, course, putAway }) => (
          <Row
            key={enrolmentId}
            note={`${course}, ${since(putAway!)}`}
            out={mayTakeOut && <TakeOut what="learner" id={enrolmentId} name={name} />}
          >
            <bdi className="text-lg font-bold">{name}</bdi>
          </Row>
        ))}
      </Kind>
      <Kind title="Bags" count={own.length}>
        {own.map(({ projectId, learner, name, course, putAwayAt }) => (
          <Row
            key={projectId}
            note={`${course}, ${since(putAwayAt!)}`}
            out={mayTakeOut && <TakeOut what="project" id={projectId} name={name} />}
          >
            <Link className="link text-lg font-bold" href={`/kits/${projectId}`}>
              <bdi>{learner}</bdi>: <bdi>{name}</bdi>
            </Link>
          </Row>
        ))}
      </Kind>
      <Kind title="Sessions" count={sessions.length}>
        {sessions.map(({ sessionId, course, startsAt, putAway }) => (
          <Row
            key={sessionId}
            note={`${course}, put away ${since(putAway!)}`}
            out={mayTakeOut && <TakeOut what="session" id={sessionId} name="The session" />}
          >
            <span className="text-lg font-bold">{formatInTimeZone(startsAt, site.timeZone)}</span>
          </Row>
        ))}
      </Kind>
      <Kind title="Shelves" count={shelves.length}>
        {shelves.map(({ item, since: at }) => (
          <Row
            key={itemKey(item)}
            note={since(at)}
            out={may(actor.role, 'count-stock') && <TakeOutShelf item={item} name={itemWords(item)} />}
          >
            <span className="text-lg font-bold first-letter:uppercase">{itemWords(item)}</span>
          </Row>
        ))}
      </Kind>
    </div>
  )
}

function Kind({ title, count, children }: { title: string; count: number; children: ReactNode }) {
  if (count === 0) return null
  return (
    <section className="mt-6" aria-label={title}>
      <h2 className="text-xl font-bold">{title}</h2>
      <ul>{children}</ul>
    </section>
  )
}

const Row = ({ note, out, children }: { note: string; out?: ReactNode; children: ReactNode }) => (
  <li className="seam flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
    <span className="min-w-0 flex-1 basis-64">
      {children}
      <span className="block text-sm">{note}</span>
    </span>
    {out}
  </li>
)
