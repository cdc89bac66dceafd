import { GROUP_WORDS } from '../knowledge/check'
import { needleWear, type WearAnswer } from '../wear/wear'
import type { NeedleSchool } from '../knowledge/wear'
import type { Fitting, MachineState } from './state'

/** What the room has chosen about needles. */
export interface NeedleRules {
  readonly school: NeedleSchool
  readonly lifeHours: number
  readonly n: number
}

export type StandingWord = 'ready' | 'due' | 'stopped'

/** Whether somebody can sit down at it, and why not. */
export interface MachineStanding {
  readonly standing: StandingWord
  /** the most pressing first; empty when ready */
  readonly because: readonly string[]
  /** absent when no needle is known to be in it */
  readonly wear?: WearAnswer
}

/** Wear of the needle in the machine, counting the hours it brought with it as ordinary motor time. */
export function wearOfFitting(fitting: Fitting, rules: NeedleRules): WearAnswer {
  const before = fitting.needle.effectiveHours ?? 0
  const brought = before > 0 ? [{ load: 'ordinary' as const, motorMinutes: before * 60 }] : []
  return needleWear({ ...rules, projects: fitting.projects, uses: [...brought, ...fitting.uses] })
}

/** Local rules say by when a machine is tested; past that day nobody sews on it. */
function testOverdue({ care }: MachineState, now: string): string | undefined {
  const nextDue = care.electricalTest?.nextDue
  return nextDue !== undefined && nextDue < now
    ? `Its electrical safety test was due by ${nextDue.slice(0, 10)}: not until it is tested`
    : undefined
}

/**
 * Ready, due or stopped: a judgement on the folded state under the room's rules, never stored.
 * @param now ISO, UTC
 */
export function standingOf(state: MachineState, rules: NeedleRules, now: string): MachineStanding {
  const wear = state.fitting && wearOfFitting(state.fitting, rules)
  const withWear = wear ? { wear } : {}
  const overdue = testOverdue(state, now)
  const stops = [...state.locks.map(({ because }) => because), ...(overdue ? [overdue] : [])]
  if (stops.length > 0) return { standing: 'stopped', because: stops, ...withWear }
  const due: string[] = []
  if (!state.fitting) due.push('No needle is known to be in it')
  else if (state.fitting.needle.condition === 'unverified') due.push('Nobody knows how old its needle is')
  else if (wear?.verdict === 'change') due.push(`Needle: ${wear.because}`)
  for (const { fault, seen } of state.faults) due.push(`Fault open: ${fault}${seen ? `, ${seen}` : ''}`)
  if (state.failed.length > 0) due.push(`A check failed: ${state.failed.map((group) => GROUP_WORDS[group]).join(', ')}`)
  const open = state.stale.filter((group) => !state.failed.includes(group))
  if (open.length > 0) due.push(`To check: ${open.map((group) => GROUP_WORDS[group]).join(', ')}`)
  return { standing: due.length > 0 ? 'due' : 'ready', because: due, ...withWear }
}
