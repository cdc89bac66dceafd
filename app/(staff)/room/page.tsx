import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { may } from '@/core/wire/permission'
import { named, plain } from '@/core/units/words'
import { shortly, standingOf, type MachineStanding, type StandingWord } from '@/core/machine/standing'
import type { Traits } from '@/core/knowledge/machine/trait'
import { partsOf } from '@/core/room/walk'
import type { HelpCall } from '@/core/people/help-call'
import { readOpenCalls } from '@/store/calls/calls'
import { readNightWork } from '@/store/site/night-work'
import { readMeters } from '@/store/keys/keys'
import { UndoneNights } from '../../_parts/night-work'
import { SilentMeters } from '../../_parts/silent-meters'
import { DRAWN_CALLS } from '../../_parts/calls/drawn-calls'
import { readMachineVersions } from '@/store/machine/versions'
import { readRoom, readTraits, type RoomMachine } from '@/store/machine/machines'
import { readSitters } from '@/store/project/projects'
import { siteOf } from '../../_server/site'
import { RoomPlan, type PlanMachine } from '@/ui/drawings/room-plan'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { hoursWords, shortNeedle } from '@/ui/words'
import { mustSee } from '../../_server/actor'
import { booksOf } from '../../_server/store'
import { machinesVersion } from '../../_server/versions'
import { FollowMachines } from '../../_parts/live/follow-machines'
import { RoomCards, RoomList } from './room-rows'

export const metadata: Metadata = { title: 'Room' }

type Props = { searchParams: Promise<{ part?: string; only?: string; view?: string }> }

/** How many machines one plan shows; a hall of hundreds is walked part by part. */
const PART = 24

const STANDINGS = ['ready', 'due', 'stopped'] as const

export default async function RoomPage({ searchParams }: Props) {
  const actor = await mustSee('see-room')
  const store = booksOf(actor.siteId)
  // Before all else: what changes while the rest is read is drawn anew, and never missed.
  const version = machinesVersion(await readMachineVersions(store, actor.siteId)).whole
  const [room, site, sitters, calls, nights, meters, asked] = await Promise.all([
    readRoom(store, actor.siteId),
    siteOf(actor.siteId),
    readSitters(store, actor.siteId),
    readOpenCalls(store, actor.siteId),
    may(actor.role, 'see-people') ? readNightWork(store) : [],
    readMeters(store, actor.siteId),
    searchParams,
  ])
  const rules = site.houseRules.needle
  const now = new Date().toISOString()
  const standings = new Map(room.map(({ machineId, state }) => [machineId, standingOf(state, rules, now)]))
  const standing = (machine: RoomMachine) => standings.get(machine.machineId)!.standing
  const only = STANDINGS.find((each) => each === asked.only)
  const list = asked.view === 'list'
  const parts = partsOf(only ? room.filter((machine) => standing(machine) === only) : room, PART)
  const part = Math.min(parts.length, Math.max(1, Math.floor(Number(asked.part)) || 1))
  const here = parts[part - 1]!
  const traits = await readTraits(
    store,
    actor.siteId,
    here.map(({ machineId }) => machineId),
    ['drive', 'spoolPin'],
  )
  const plan = here.map((machine) =>
    planned(
      machine,
      traits.get(machine.machineId) ?? {},
      standings.get(machine.machineId)!,
      rules.lifeHours,
      sitters.get(machine.machineId) ?? '',
      calls.find(({ machineId }) => machineId === machine.machineId),
    ),
  )
  const count = (word: StandingWord) => room.filter((machine) => standing(machine) === word).length
  const to = (change: { part?: number; only?: string | undefined; view?: string | undefined }) => {
    const next = { only, view: list ? 'list' : undefined, part: undefined, ...change }
    const query = new URLSearchParams(
      Object.entries(next).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]])),
    )
    return query.size > 0 ? `/room?${query}` : '/room'
  }

  return (
    <>
      <FollowMachines drawn={version} />
      <UndoneNights records={nights} now={now} timeZone={site.timeZone} />
      <SilentMeters meters={meters} machines={room} timeZone={site.timeZone} />
      <div className="mb-4 flex flex-wrap items-end gap-x-8 gap-y-2">
        <h1 className="text-3xl font-bold" {...{ [DRAWN_CALLS]: calls.map(({ callId }) => callId).join() }}>
          Room
        </h1>
        {room.length > 0 && (
          <ul className="flex flex-wrap gap-6 text-lg">
            {STANDINGS.map((word) => (
              <li key={word}>
                <Link
                  href={to({ only: only === word ? undefined : word })}
                  aria-current={only === word ? 'true' : undefined}
                  className={`flex min-h-11 items-center gap-2 border-b-2 ${only === word ? 'border-secondary' : 'border-transparent'}`}
                >
                  <span className="numeral text-2xl">{count(word)}</span>
                  <StandingMark standing={word} />
                </Link>
              </li>
            ))}
          </ul>
        )}
        <nav aria-label="Room" className="ml-auto flex flex-wrap gap-2">
          {room.length > 0 && (
            <>
              <Link
                href={to({ view: list ? undefined : 'list', part })}
                className="btn btn-ghost min-h-11 px-3 max-sm:hidden"
              >
                {list ? 'As a plan' : 'As a list'}
              </Link>
              {may(actor.role, 'see-progress') && (
                <Link href="/room/patterns" className="btn btn-ghost min-h-11 px-3 max-sm:hidden">
                  What comes back
                </Link>
              )}
              <Link href="/room/now" className="btn btn-outline min-h-11">
                Now
              </Link>
              <Link href="/room/care" className="btn btn-ghost min-h-11 px-3">
                Care
              </Link>
              <Link href="/room/before" className="btn btn-primary min-h-11">
                Before class
              </Link>
            </>
          )}
          {may(actor.role, 'add-machine') && (
            <Link href="/machines/new" className="btn btn-outline min-h-11">
              Add a machine
            </Link>
          )}
        </nav>
      </div>
      {room.length === 0 ? (
        <section className="sheet p-8 text-lg">
          <h2 className="text-2xl font-bold">No machine stands here yet</h2>
          <p className="mt-2">
            Start with one: stand at it with its manual, and answer what you can see. Check lists, cards and kits are
            made from those answers.
          </p>
          {may(actor.role, 'see-people') && (
            <Link href="/begin" className="btn btn-primary btn-lg mt-4">
              Getting the venue ready, step by step
            </Link>
          )}
        </section>
      ) : (
        <>
          {parts.length > 1 && (
            <nav aria-label="Parts of the room" className="mb-3 flex flex-wrap gap-1">
              {parts.map((machines, index) => (
                <Link
                  key={machines[0]!.machineId}
                  href={to({ part: index + 1 })}
                  aria-current={part === index + 1 ? 'true' : undefined}
                  className={`btn btn-sm ${part === index + 1 ? 'btn-neutral' : 'btn-ghost'}`}
                  title={`${machines[0]!.name} to ${machines.at(-1)!.name}`}
                >
                  {machines[0]!.number}…{machines.at(-1)!.number}
                </Link>
              ))}
            </nav>
          )}
          {plan.length === 0 && <p className="sheet p-6 text-lg">No machine is {only} just now.</p>}
          {plan.length > 0 &&
            (list ? (
              <RoomList machines={plan} />
            ) : (
              <section className="hidden sm:block" aria-label="Plan of the room">
                <RoomPlan
                  machines={plan}
                  {...(parts.length === 1 && site.instructorAt && { instructor: site.instructorAt })}
                  label="Plan of the room, seen from above"
                />
                {may(actor.role, 'place-machine') && (
                  <p className="flex justify-end gap-5">
                    <Link href="/put-away" className="link inline-flex min-h-11 items-center">
                      Put away
                    </Link>
                    <Link href="/room/arrange" className="link inline-flex min-h-11 items-center">
                      Arrange the tables
                    </Link>
                  </p>
                )}
              </section>
            ))}
          <h2 className="sr-only sm:hidden">Machines</h2>
          <RoomCards machines={plan} />
        </>
      )}
    </>
  )
}

function planned(
  machine: RoomMachine,
  { drive, spoolPin }: Traits,
  stands: MachineStanding,
  lifeHours: number,
  who: string,
  call: HelpCall | undefined,
): PlanMachine {
  const { state } = machine
  const { standing, wear } = stands
  const setting = [
    state.dial !== undefined && `dial ${plain(state.dial)}`,
    state.foot && named(state.foot),
    state.thread && `${plain(state.thread.tex)} tex`,
  ].filter(Boolean)
  return {
    href: `/machines/${machine.machineId}`,
    name: machine.name,
    number: machine.number,
    place: machine.place,
    standing,
    because: shortly(stands),
    needle: state.fitting ? shortNeedle(state.fitting.needle) : 'no needle',
    setting: setting.join(' · ') || 'not set up yet',
    who,
    ...(call && { call: call.about === 'hurt' ? `${call.who}: hurt` : `${call.who} calls` }),
    traits: { ...(drive && { drive }), ...(spoolPin && { spoolPin }) },
    ...(wear &&
      state.fitting?.needle.condition !== 'unverified' && {
        lifeLeft: Math.min(1, wear.remainingHours / lifeHours),
        hoursLeft: hoursWords(wear.remainingHours),
      }),
  }
}
