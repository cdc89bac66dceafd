import type { HelpCall } from '../people/help-call'
import { faultsShown, stopsOf, type FaultsShown } from '../machine/standing'
import type { MachineState } from '../machine/state'
import { seatStep, type AtStep } from './seat-step'

/** Somebody at a machine just now. */
export interface LiveSeat extends AtStep {
  readonly projectId: string
  readonly personId: string
  readonly who: string
  readonly what: string
  readonly machineId: string
  readonly machine: string
  readonly number: number
  /** from when it is theirs; ISO, UTC */
  readonly from: string
  /** why nobody sews on it; absent: they may */
  readonly stopped?: string
  /** what is wrong with it besides; absent: nothing is known to be */
  readonly faults?: FaultsShown
  /** what they call for; absent: they do not */
  readonly call?: Pick<HelpCall, 'callId' | 'about' | 'calledAt' | 'going'>
}

/** Who comes to a machine next, where that is somebody else. */
export interface NextSeat {
  readonly machineId: string
  readonly machine: string
  readonly number: number
  readonly projectId: string
  readonly who: string
  readonly what: string
}

export interface LiveSession {
  readonly sessionId: string
  readonly title: string
  readonly block: number
  readonly blocks: number
  /** ISO, UTC */
  readonly blockStartsAt: string
  readonly blockEndsAt: string
  readonly seats: readonly LiveSeat[]
  /** at the seam of this block and the next; empty in the last one */
  readonly next: readonly NextSeat[]
  /** near a seam: how far the room is with it */
  readonly seam?: SeamSoFar
}

/** How many machines of a block stand as whoever comes needs them, and which do not yet. */
export interface SeamSoFar {
  readonly toBlock: number
  readonly of: number
  readonly ready: number
  /** names of machines, in walking order */
  readonly open: readonly string[]
}

/** A call that no seat shows: from no machine, of somebody who sits elsewhere by now, or of staff. */
export interface CallBesides extends Pick<HelpCall, 'callId' | 'about' | 'calledAt' | 'going' | 'who'> {
  /** absent: at no machine */
  readonly machine?: { readonly name: string; readonly number: number }
}

/** The room as it is just now: who is where on their way, session by session. */
export interface LiveRoom {
  readonly sessions: readonly LiveSession[]
  /** people at machines with no session about them */
  readonly open: readonly LiveSeat[]
  /** in the order in which they came, whoever is hurt first */
  readonly besides: readonly CallBesides[]
}

/** Everybody at a machine: of each session in its order, then those that no session has. */
export const seatsOf = ({ sessions, open }: Pick<LiveRoom, 'sessions' | 'open'>): LiveSeat[] => [
  ...sessions.flatMap(({ seats }) => seats),
  ...open,
]

interface LiveMachine {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly state: MachineState
}
interface LiveProject {
  readonly projectId: string
  readonly personId: string
  readonly learner: string
  readonly name: string
  readonly given?: { readonly machineId: string; readonly givenAt: Date }
}
export interface LiveFacts {
  readonly machines: readonly LiveMachine[]
  readonly projects: readonly LiveProject[]
  /** those that nobody has ended */
  readonly calls: readonly HelpCall[]
}

/** A session that is on, or about to begin, or just over. */
interface Meeting {
  readonly sessionId: string
  readonly course: string
  readonly startsAt: Date
  readonly endsAt: Date
  readonly blocks: number
  readonly seats: readonly { readonly projectId: string; readonly machineId: string; readonly block: number }[]
}

/** The block that a moment lies in, from 1; before the first it is the first, after the last the last. */
export function blockAt(
  { startsAt, endsAt, blocks }: Pick<Meeting, 'startsAt' | 'endsAt' | 'blocks'>,
  now: Date,
): number {
  const blockMs = (endsAt.getTime() - startsAt.getTime()) / blocks
  return Math.min(blocks, Math.max(1, Math.floor((now.getTime() - startsAt.getTime()) / blockMs) + 1))
}

/** A session as the room sees it: everybody who has a machine in this block, machine by machine in the room's own order. */
export function liveSession(meeting: Meeting, facts: LiveFacts, now: Date): LiveSession {
  const { startsAt, endsAt, blocks } = meeting
  const block = blockAt(meeting, now)
  const blockMs = (endsAt.getTime() - startsAt.getTime()) / blocks
  const from = new Date(startsAt.getTime() + (block - 1) * blockMs).toISOString()
  const placed = (of: number) =>
    facts.machines.flatMap((machine) => {
      const seat = meeting.seats.find((each) => each.block === of && each.machineId === machine.machineId)
      const project = seat && facts.projects.find(({ projectId }) => projectId === seat.projectId)
      return project ? [{ machine, project }] : []
    })
  const seats = placed(block).map(({ machine, project }) => liveSeat(machine, project, from, facts.calls, now))
  const next = block === blocks ? [] : placed(block + 1)
  return {
    sessionId: meeting.sessionId,
    title: meeting.course,
    block,
    blocks,
    blockStartsAt: from,
    blockEndsAt: new Date(startsAt.getTime() + block * blockMs).toISOString(),
    seats,
    next: next
      .filter(
        ({ machine, project }) =>
          !seats.some((seat) => seat.machineId === machine.machineId && seat.personId === project.personId),
      )
      .map(({ machine: { machineId, name, number }, project: { projectId, learner, name: what } }) => ({
        machineId,
        machine: name,
        number,
        projectId,
        who: learner,
        what,
      })),
  }
}

/** A seam is told of from so long before it until so long after it. */
export const SEAM_NEAR_MS = 10 * 60_000

/** The blocks that people change over to near a moment: the one that has just begun, and the one that begins soon. */
export function seamsNear(
  { block, blocks, blockStartsAt, blockEndsAt }: Omit<LiveSession, 'seats' | 'next'>,
  now: Date,
): number[] {
  const begun = now.getTime() - Date.parse(blockStartsAt)
  const left = Date.parse(blockEndsAt) - now.getTime()
  return [
    ...(block > 1 && begun >= 0 && begun <= SEAM_NEAR_MS ? [block] : []),
    ...(block < blocks && left <= SEAM_NEAR_MS ? [block + 1] : []),
  ]
}

/** So long after a kit was given somebody still counts as sitting where no session says who does. */
const SITS_MS = 6 * 3_600_000

/** People at machines that no session has, in the order of machines: whoever was given the machine last and not long ago. */
export function openSeats(facts: LiveFacts, taken: readonly LiveSession[], now: Date): LiveSeat[] {
  const known = new Set(taken.flatMap(({ seats }) => seats.map(({ machineId }) => machineId)))
  const people = new Set(taken.flatMap(({ seats }) => seats.map(({ personId }) => personId)))
  return facts.machines
    .filter(({ machineId }) => !known.has(machineId))
    .flatMap((machine) => {
      const [project] = facts.projects
        .filter(({ given }) => given?.machineId === machine.machineId)
        .sort((a, b) => b.given!.givenAt.getTime() - a.given!.givenAt.getTime())
      const givenAt = project?.given?.givenAt
      if (!project || !givenAt || now.getTime() - givenAt.getTime() > SITS_MS || people.has(project.personId)) return []
      return [liveSeat(machine, project, givenAt.toISOString(), facts.calls, now)]
    })
}

const GRAVEST: readonly HelpCall['about'][] = ['hurt', 'help', 'visit']

const isOf = ({ machineId, personId }: Pick<LiveSeat, 'machineId' | 'personId'>, call: HelpCall): boolean =>
  call.machineId === machineId && call.personId === personId

/** Open calls that none of these seats shows. */
export const callsBesides = (seats: readonly LiveSeat[], calls: readonly HelpCall[]): CallBesides[] =>
  calls
    .filter((call) => call.about !== 'visit' && !seats.some((seat) => isOf(seat, call)))
    .sort((a, b) => GRAVEST.indexOf(a.about) - GRAVEST.indexOf(b.about) || a.calledAt.localeCompare(b.calledAt))
    .map(({ callId, about, calledAt, going, who, machine, number }) => ({
      callId,
      about,
      calledAt,
      who,
      ...(going && { going }),
      ...(machine !== undefined && number !== undefined && { machine: { name: machine, number } }),
    }))

function liveSeat(
  { machineId, name: machine, number, state }: LiveMachine,
  { projectId, personId, learner: who, name: what, given }: LiveProject,
  from: string,
  calls: readonly HelpCall[],
  now: Date,
): LiveSeat {
  // Whoever is hurt goes before whoever asks, and that before a visit unasked.
  const call = calls
    .filter((each) => isOf({ machineId, personId }, each))
    .sort((a, b) => GRAVEST.indexOf(a.about) - GRAVEST.indexOf(b.about))[0]
  const [stopped] = stopsOf(state, now.toISOString())
  const faults = faultsShown(state)
  return {
    projectId,
    personId,
    who,
    what,
    machineId,
    machine,
    number,
    from,
    ...seatStep(
      { projectId, machineId, from },
      given && { machineId: given.machineId, givenAt: given.givenAt.toISOString() },
      state,
    ),
    ...(stopped && { stopped }),
    ...(faults && { faults }),
    ...(call && {
      call: {
        callId: call.callId,
        about: call.about,
        calledAt: call.calledAt,
        ...(call.going && { going: call.going }),
      },
    }),
  }
}
