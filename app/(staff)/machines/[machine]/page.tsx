import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { notFound } from 'next/navigation'
import { dayIn } from '@/core/units/day'
import { dayWords, formatInTimeZone } from '@/ui/time'
import { careOf } from '@/core/care/care'
import { kindsOf, shownLines } from '@/core/machine/book-lines'
import { BOOK_FILTERS } from '@/core/machine/book-filter'
import { faultsOf, openFaultWords, roomCheckDue } from '@/core/machine/standing'
import { hasWords } from '@/core/people/free-text'
import { mayLift, whoLifts } from '@/core/people/lifting'
import { may } from '@/core/wire/permission'
import { readNewest } from '@/store/machine/book'
import { readMeters } from '@/store/keys/keys'
import { readNames } from '@/store/site/site'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { NeedleBars } from '@/ui/drawings/needle-bars'
import { mustSee } from '../../../_server/actor'
import { isId } from '../../../_server/answer'
import { machinePage } from '../../../_server/machine'
import { booksOf } from '../../../_server/store'
import { BookLines } from './book-lines'
import { ByOthers } from './by-others'
import { AwayNote, WholeMachine } from './machine-away'
import { FollowMachines } from '../../../_parts/live/follow-machines'
import { QuickLog } from '../../../_parts/quick-log'
import { SilentMeters } from '../../../_parts/silent-meters'
import { OpenFaults } from './open-faults'
import { Stopped } from './stopped'
import { needleBars } from './needle-bars-of'
import { Card } from './card'
import { InItNow } from './in-it-now'

type Props = { params: Promise<{ machine: string }>; searchParams: Promise<{ lines?: string; about?: string }> }

/** The newest lines are read most; older ones are one tap away. */
const LINES = 15

/** No page is asked to draw a whole book of years. */
const MOST_LINES = 1000

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const actor = await mustSee('see-book')
  const { machine } = await machinePage(actor.siteId, (await params).machine)
  return { title: machine.name }
}

export default async function MachinePage({ params, searchParams }: Props) {
  const actor = await mustSee('see-book')
  const [{ machine: machineId }, asked] = await Promise.all([params, searchParams])
  if (!isId(machineId)) notFound()
  const only = BOOK_FILTERS.find((filter) => filter === asked.about)
  const limit = Math.min(MOST_LINES, Math.max(LINES, Number(asked.lines) || 0))
  const store = booksOf(actor.siteId)
  const [{ machine, version, site, projects, standing }, part, names, meters] = await Promise.all([
    machinePage(actor.siteId, machineId),
    readNewest(store, actor.siteId, machineId, { limit, kinds: only && kindsOf(only) }),
    readNames(store, actor.siteId),
    readMeters(store, actor.siteId),
  ])
  const { state, traits } = machine
  // What a lock says stands in its own box, with what lifts it, and a fault with what ends it; an electrical one ends with its lock.
  const faults = faultsOf(state)
  const ownBox = [...state.locks.map(({ because }) => because), ...state.faults.map(openFaultWords)]
  const others = standing.because.filter((because) => !ownBox.includes(because))
  const wantsRoomCheck =
    roomCheckDue(state, new Date().toISOString()) !== undefined || state.failedSteps.some(({ list }) => list === 'room')
  const bars = needleBars(state, site.timeZone)
  const { name, number, notes } = machine
  const own = { machineId: machine.machineId, name, number, notes }
  const base = `/machines/${machine.machineId}`
  return (
    <>
      <FollowMachines drawn={version} machineId={machineId} />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-4xl font-bold">{machine.name}</h1>
        <span className="text-lg">no. {machine.number}</span>
        {!state.putAway && <StandingMark standing={standing.standing} className="text-xl" />}
        {projects.map((project) => (
          <Link
            key={project.projectId}
            href={`/kits/${project.projectId}?machine=${machine.machineId}`}
            className="link"
          >
            <bdi>{project.learner}</bdi>: <bdi>{project.name}</bdi>
          </Link>
        ))}
      </div>
      {state.putAway && (
        <AwayNote
          {...own}
          since={dayWords(dayIn(new Date(state.putAway.since), site.timeZone))}
          because={state.putAway.because}
          mayTakeOut={may(actor.role, 'log:taken-out')}
        />
      )}
      {state.locks.length > 0 && (
        <Stopped
          machineId={machine.machineId}
          name={machine.name}
          mayRelease={may(actor.role, 'log:released')}
          locks={state.locks.map(({ kind, because, eventId, list }) => ({
            ...(list && { list }),
            kind,
            because,
            eventId,
            mayLift: mayLift(actor.role, kind),
            whoCan: whoLifts(kind),
          }))}
        />
      )}
      {!state.putAway && faults.length > 0 && (
        <OpenFaults
          machineId={machine.machineId}
          faults={faults.map((open) => ({
            eventId: open.eventId,
            fault: open.fault,
            named: open.technician ?? open.fault,
            words: openFaultWords(open),
          }))}
        />
      )}
      {!state.putAway && others.length > 0 && (
        <ul className="mt-2 text-lg">
          {others.map((because) => (
            <li key={because}>{because}</li>
          ))}
        </ul>
      )}

      {!state.putAway && (
        <nav aria-label="Next" className="my-5 flex flex-wrap gap-3">
          <Link href={`${base}/needle`} className="btn btn-primary btn-lg">
            Change needle
          </Link>
          <Link href={`${base}/check`} className="btn btn-outline btn-lg">
            Seat check
          </Link>
          {wantsRoomCheck && (
            <Link href={`${base}/check?list=room`} className="btn btn-outline btn-lg">
              Room check
            </Link>
          )}
          <Link href={`${base}/swatch`} className="btn btn-outline btn-lg">
            Read a swatch
          </Link>
          <Link href={`${base}/fault`} className="btn btn-outline btn-lg">
            Something is wrong
          </Link>
        </nav>
      )}

      {!state.putAway && <SilentMeters meters={meters} machines={[machine]} timeZone={site.timeZone} />}
      <div className="grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
        <div className="flex flex-col gap-6">
          <InItNow machine={machine} standing={standing} timeZone={site.timeZone} />

          <section className="sheet p-5" aria-labelledby="care">
            <h2 id="care" className="text-xl font-bold">
              Care
            </h2>
            <ul className="mt-2">
              {careOf(state, traits, site.houseRules.numbers, new Date().toISOString()).map((due) => (
                <li key={due.job} className="border-t border-dashed border-base-content/40 py-1.5">
                  <strong>{due.title}</strong>: <span className={CARE_COLOUR[due.status]}>{due.status}</span>
                  <span className="block text-sm">{due.because}</span>
                </li>
              ))}
            </ul>
            <p className="mt-2 text-sm">The machine’s manual wins over every count.</p>
            {!state.putAway && may(actor.role, 'log:serviced') && <ByOthers machineId={machine.machineId} />}
          </section>

          <Card machine={machine} site={site} maySet={may(actor.role, 'set-trait')} />

          {bars.length > 0 && (
            <section className="sheet p-5" aria-labelledby="needles">
              <h2 id="needles" className="mb-2 text-xl font-bold">
                Needles
              </h2>
              <NeedleBars bars={bars} lifeHours={site.houseRules.needle.lifeHours} />
            </section>
          )}
          {!state.putAway && may(actor.role, 'rename-machine') && <WholeMachine machine={own} />}
        </div>

        <section aria-labelledby="book" className="lg:row-span-2">
          <h2 id="book" className="text-xl font-bold">
            Book
          </h2>
          {!state.putAway && (
            <QuickLog
              machineId={machine.machineId}
              tagged={state.locks.some(({ kind }) => kind === 'red-tag')}
              oiling={traits.oiling}
            />
          )}
          {part.lines.length === 0 && (
            <p className="mt-3">
              {only ? `Nothing about ${only} is written yet.` : 'Nothing is written yet. The first needle starts it.'}
            </p>
          )}
          <BookLines
            machineId={machine.machineId}
            base={base}
            only={only}
            lines={shownLines(part.lines, part.around).map(({ event, ...line }) => ({
              ...line,
              eventId: event.eventId,
              when: formatInTimeZone(event.happenedAt, site.timeZone),
              who: names.get(event.personId) ?? 'somebody',
              mayTakeWordsOut: may(actor.role, 'log:redacted') && hasWords(event.body),
              mayCorrect:
                line.counts &&
                event.kind !== 'correction' &&
                event.kind !== 'redacted' &&
                may(actor.role, `log:${event.kind}`) &&
                state.locks.every(({ eventId, kind }) => eventId !== event.eventId || mayLift(actor.role, kind)),
            }))}
          />
          {part.older && (
            <Link
              className="btn btn-outline mt-2"
              href={`${base}?lines=${limit + 100}${only ? `&about=${encodeURIComponent(only)}` : ''}`}
              scroll={false}
            >
              Older lines
            </Link>
          )}
        </section>
      </div>
    </>
  )
}

const CARE_COLOUR = { well: 'text-success', soon: '', due: 'text-warning font-bold', late: 'text-error font-bold' }
