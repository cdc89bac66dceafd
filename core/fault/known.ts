import { ifFailed } from '../machine/failed-step'
import type { CheckGroup } from '../knowledge/check/check'
import type { Standing } from '../machine/fold'
import { wearOfFitting } from '../machine/standing'
import type { MachineState } from '../machine/state'
import type { HouseRules } from '../room/house-rules'
import type { Kit } from '../kit/request'
import type { StockMove } from '../stock/ledger'
import type { KnownOfFault } from './fault'

const DAY_MS = 24 * 3_600_000
const YEAR_MS = 365.25 * DAY_MS
/** How long a strike is recent. */
const STRIKE_DAYS = 7
/** A shelf says how old a thread is at least, and never that it is new: old spools are given away. */
const OLD_YEARS = 5

export interface BooksOfFault {
  readonly state: MachineState
  readonly needleRules: HouseRules['needle']
  /** the cloth that is sewn at it */
  readonly fabricStructure?: string | undefined
  /** its last lines about needles, as they count */
  readonly needleLines: readonly Pick<Standing, 'event' | 'happening'>[]
  /** what was written about the shelf of the thread that is on it */
  readonly threadMoves: readonly StockMove[]
  /** the kit that was sewn here before this one */
  readonly kitBefore?: Pick<Kit, 'foot' | 'extras'> | undefined
  /** the step of a check that sent somebody here */
  readonly failed?: { readonly step: string; readonly group: CheckGroup } | undefined
}

/**
 * What the books know of a machine before anybody looks.
 * @param now milliseconds
 */
export function knownOfFault(books: BooksOfFault, now: number): KnownOfFault {
  const { state, needleRules, fabricStructure, needleLines, threadMoves, kitBefore, failed } = books
  const { fitting } = state
  const struck = needleLines.some(
    ({ event, happening }) =>
      now - Date.parse(event.happenedAt) < STRIKE_DAYS * DAY_MS &&
      (happening?.kind === 'needle-broke' ||
        (happening?.kind === 'needle-changed' && happening.body.out?.reason === 'struck')),
  )
  const cameIn = threadMoves.filter(({ kind }) => kind === 'received').map(({ happenedAt }) => Date.parse(happenedAt))
  const threadAgeYears = cameIn.length > 0 ? Math.floor((now - Math.max(...cameIn)) / YEAR_MS) : 0
  return {
    ...(fitting && {
      needlePoint: fitting.needle.point,
      ...(fitting.needle.condition !== 'unverified' && {
        needleHours: wearOfFitting(fitting, needleRules).effectiveHours,
      }),
    }),
    bobbinsSinceClean: state.care.bobbinsSinceClean,
    ...(fabricStructure !== undefined && { fabricStructure }),
    ...(struck && { recentStrike: true }),
    ...(kitBefore &&
      (kitBefore.foot === 'straight' || kitBefore.extras.includes('straight-stitch-plate')) && {
        straightPlateBefore: true,
      }),
    ...(threadAgeYears >= OLD_YEARS && { threadAgeYears }),
    ...(failed && ifFailed(failed).known),
  }
}
