import { firstThatHolds } from '../schema/rule'
import { plain, spaced } from '../units/words'
import {
  CLOTH_LOAD,
  LOAD_FACTOR,
  NEEDLE_LIFE,
  type Load,
  type NeedleSchool,
  type NeedleSign,
} from '../knowledge/needle/wear'

/** One stretch of sewing with a needle, by exactly one way of telling the time. Minutes and stitches ≥ 0. */
export interface Use {
  readonly load: Load
  readonly motorMinutes?: number
  readonly chairMinutes?: number
  /** share of chair time in which the motor runs, 0…1 */
  readonly duty?: number
  readonly stitches?: number
  readonly stitchesPerMinute?: number
}

export interface WearQuestion {
  readonly school: NeedleSchool
  readonly lifeHours?: number
  readonly n?: number
  /** projects that this needle has finished */
  readonly projects: number
  readonly uses: readonly Use[]
  readonly signs?: readonly NeedleSign[]
}

export interface WearAnswer {
  readonly effectiveHours: number
  readonly remainingHours: number
  readonly verdict: 'keep' | 'soon' | 'change'
  readonly because: string
}

/** How hard this cloth and thread are on a needle. */
export const loadOf = (
  fabric: { readonly structure: string; readonly traits?: readonly string[] | undefined },
  thread?: { readonly fibre: string },
): Load =>
  firstThatHolds(CLOTH_LOAD, { structure: fabric.structure, traits: fabric.traits ?? [], fibre: thread?.fibre }).give

/** Minutes that the motor ran, by whichever way the time was told. */
export const motorMinutesOf = (use: Use): number => {
  if (use.motorMinutes !== undefined) return use.motorMinutes
  if (use.stitches !== undefined) return use.stitches / (use.stitchesPerMinute ?? NEEDLE_LIFE.stitchesPerMinute)
  return (use.chairMinutes ?? 0) * (use.duty ?? NEEDLE_LIFE.duty)
}

/** Effective hours of one stretch: motor time, not chair time, times the wear of its load. */
export const effectiveHoursOf = (use: Use): number => (motorMinutesOf(use) / 60) * LOAD_FACTOR[use.load]

/** Projects that count: those of half an hour or more. Uses that match the projects one to one tell exactly which. */
function countedProjects(projects: number, hours: readonly number[], total: number): number {
  if (hours.length === projects) return hours.filter((each) => each >= NEEDLE_LIFE.countedProjectHours).length
  return Math.min(projects, Math.floor(total / NEEDLE_LIFE.countedProjectHours + 1e-9))
}

/** The most that one finished project is sure to have put on the needle. */
const heaviestProject = (projects: number, hours: readonly number[], total: number): number =>
  projects === 0 ? 0 : hours.length === projects ? Math.max(...hours) : total / projects

/**
 * Whether a needle is due under the room's school. A sign overrides any clock.
 * Source: room rules of thumb; the life, N and duty are data that a room may change.
 */
export function needleWear(question: WearQuestion): WearAnswer {
  const { school, projects, signs = [] } = question
  const life = question.lifeHours ?? NEEDLE_LIFE.hours
  const n = question.n ?? NEEDLE_LIFE.everyN
  const hours = question.uses.map(effectiveHoursOf)
  const total = hours.reduce((sum, each) => sum + each, 0)
  const limit = school === 'every-n' || school === 'signs' ? life * NEEDLE_LIFE.latest : life
  const remainingHours = Math.max(0, limit - total)
  const clock = `${plain(total)} of ${plain(limit)} effective hours`
  const answer = (verdict: WearAnswer['verdict'], because: string): WearAnswer => ({
    effectiveHours: total,
    remainingHours,
    verdict,
    because,
  })

  if (signs.length > 0) {
    return {
      ...answer('change', `${signs.map(spaced).join(' and ')} overrides any clock: change it now.`),
      remainingHours: 0,
    }
  }
  if (total >= limit) return answer('change', `${clock} are used up.`)
  const counted = countedProjects(projects, hours, total)
  const counts = school === 'every-n' || school === 'whichever-first'
  if (counts && counted >= n)
    return answer('change', `${counted} projects of half an hour or more, and ${n} is the rule here.`)
  const heaviest = heaviestProject(projects, hours, total)
  if (school === 'project' && heaviest >= NEEDLE_LIFE.projectHours) {
    return answer(
      'change',
      `A finished project put ${plain(heaviest)} effective hours on it, at least ${NEEDLE_LIFE.projectHours}.`,
    )
  }
  if (total >= limit * NEEDLE_LIFE.warnAt) return answer('soon', `${clock}: three quarters are gone.`)
  if (counts && n > 1 && counted >= n - 1) return answer('soon', `${counted} of ${n} projects: one more and it is due.`)
  return answer('keep', `${clock}.`)
}
