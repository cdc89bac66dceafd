import type { EventKind, Happening } from '../machine/event'
import { readWritten } from '../tension/reading'
import type { PlannedSeat } from './session-schema'

/** Lines that a report is made of. */
export const REPORT_KINDS = [
  'turn-ended',
  'needle-changed',
  'check-run',
  'swatch-stitched',
] as const satisfies readonly EventKind[]

/** What the books say of one place of a run sheet, once it is over. */
export interface SeatReport {
  readonly block: number
  readonly machineId: string
  readonly projectId: string
  /** whoever was said not to come, and has neither called nor a line that names their project, did not */
  readonly came: boolean
  readonly needlesChanged: number
  readonly checked: boolean
  readonly swatches: number
  /** whether the last swatch was on its target; absent: none was read */
  readonly balanced?: boolean
  /** absent: nobody said that the turn was over */
  readonly turn?: 'finished' | 'goes on'
  readonly calls: number
  /** the longest that they waited until somebody went; whole minutes */
  readonly waitedMinutes: number
}

/** A call of a session as a report needs it; moments are UTC, ISO 8601. */
export interface ReportCall {
  readonly personId: string
  /** absent: they had no machine */
  readonly machineId?: string
  readonly calledAt: string
  /** when somebody went, or else when it ended; absent: nobody came */
  readonly answeredAt?: string
}

type Line = Happening & { readonly happenedAt: string }

const projectOf = (line: Line) => ('projectId' in line.body ? line.body.projectId : undefined)

/** Who sets up comes before the session, and who is late in ending it after. */
const AROUND_MS = 30 * 60_000

/**
 * The evening as its books have it, a row for each place in the order of the seats. A line that names a project is of that project's place;
 * one that names none is of whoever had the machine in that block, where they came.
 * @param linesOf what stands in a machine's book, corrections applied, oldest first
 * @param personOf who makes a project
 */
export function sessionReport(
  session: { readonly startsAt: Date; readonly endsAt: Date; readonly blocks: number },
  seats: readonly (PlannedSeat & { readonly absent?: boolean })[],
  linesOf: (machineId: string) => readonly Line[],
  personOf: (projectId: string) => string | undefined,
  calls: readonly ReportCall[],
): SeatReport[] {
  const begins = session.startsAt.getTime()
  const blockMs = (session.endsAt.getTime() - begins) / session.blocks
  return seats.map(({ block, machineId, projectId, absent = false }) => {
    const from = begins + (block - 1) * blockMs - (block === 1 ? AROUND_MS : 0)
    const to = begins + block * blockMs + (block === session.blocks ? AROUND_MS : 0)
    const within = (moment: string) => Date.parse(moment) >= from && Date.parse(moment) < to
    // Somebody who has the machine in two blocks has what they wrote in each of them.
    const blocksOfTheirs = seats.filter((seat) => seat.machineId === machineId && seat.projectId === projectId)
    const atPlace = linesOf(machineId).filter((line) => {
      const named = projectOf(line)
      if (named === undefined || blocksOfTheirs.length > 1)
        return within(line.happenedAt) && (named ?? projectId) === projectId
      const at = Date.parse(line.happenedAt)
      return named === projectId && at >= begins - AROUND_MS && at < session.endsAt.getTime() + AROUND_MS
    })
    const person = personOf(projectId)
    const theirs = calls.filter(
      (call) => call.personId === person && call.machineId === machineId && within(call.calledAt),
    )
    const came = !absent || theirs.length > 0 || atPlace.some((line) => projectOf(line) === projectId)
    // What names nobody is of somebody else, where they did not come.
    const own = came ? atPlace : []
    const swatches = own.flatMap((line) => (line.kind === 'swatch-stitched' ? [readWritten(line.body)] : []))
    const turn = own.findLast((line) => line.kind === 'turn-ended')
    const last = swatches.at(-1)
    return {
      block,
      machineId,
      projectId,
      came,
      needlesChanged: own.filter(({ kind }) => kind === 'needle-changed').length,
      checked: own.some((line) => line.kind === 'check-run' && line.body.list === 'seat'),
      swatches: swatches.length,
      ...(last && { balanced: last.onTarget }),
      ...(turn?.kind === 'turn-ended' && { turn: turn.body.finished ? ('finished' as const) : ('goes on' as const) }),
      calls: theirs.length,
      waitedMinutes: Math.max(
        0,
        ...theirs.map(({ calledAt, answeredAt }) =>
          Math.round(((answeredAt ? Date.parse(answeredAt) : to) - Date.parse(calledAt)) / 60_000),
        ),
      ),
    }
  })
}
