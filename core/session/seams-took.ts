import type { EventKind, Happening } from '../machine/event'
import { readWritten } from '../tension/reading'
import type { PlanChange, PlanCosts } from './plan-question'

/** Lines by which a seam is worked, from the first that is changed to the swatch that is good again. */
export const SEAM_KINDS = [
  'turn-ended',
  'needle-changed',
  'set-up',
  'check-run',
  'swatch-stitched',
] as const satisfies readonly EventKind[]

/** A seam may begin so long before its block, where somebody is done early, and end so long after it has begun. */
const BEFORE_MS = 20 * 60_000
const AFTER_MS = 40 * 60_000

/** What one seam really took, beside what was planned for it; minutes. */
export interface SeamTook {
  readonly machineId: string
  readonly block: number
  readonly planned: number
  readonly took: number
}

type Line = Happening & { readonly happenedAt: string }

/**
 * How long the changes of a plan took by the books: from the end of the turn before, or else the first thing changed, to the
 * good swatch, or else the last thing done. A seam of which the book has fewer than two moments tells nothing and is left out.
 * @param linesOf what stands in a machine's book, corrections applied, oldest first
 * @param blockFrom when a block begins
 */
export function seamsTook(
  changes: readonly PlanChange[],
  linesOf: (machineId: string) => readonly Line[],
  blockFrom: (block: number) => Date,
): SeamTook[] {
  return changes
    .filter(({ block, minutes }) => block > 1 && minutes > 0)
    .flatMap(({ machine: machineId, block, minutes: planned }) => {
      const begins = blockFrom(block).getTime()
      const near = linesOf(machineId).filter(({ happenedAt }) => {
        const at = Date.parse(happenedAt)
        return at >= begins - BEFORE_MS && at <= begins + AFTER_MS
      })
      const first = near.findIndex(({ kind }) => kind === 'needle-changed' || kind === 'set-up')
      if (first === -1) return []
      const over = near.slice(0, first).findLast(({ kind }) => kind === 'turn-ended')
      const after = near.slice(first).filter(({ kind }) => kind !== 'turn-ended')
      const good = after.find((line) => line.kind === 'swatch-stitched' && readWritten(line.body).onTarget)
      const from = over ?? near[first]!
      const to = good ?? after.at(-1)!
      if (to === from) return []
      const took = (Date.parse(to.happenedAt) - Date.parse(from.happenedAt)) / 60_000
      return [{ machineId, block, planned, took: Math.round(took) }]
    })
}

/** Fewer seams than this say too little of a room. */
const ENOUGH = 3
/** Twice as long is a room's own way; ten times is somebody who forgot to say that they were done. */
const LEAST = 0.5
const MOST = 3

/**
 * What a change costs in this room by what its seams took: every part by the same factor, the middle one of all seams, to the
 * half minute. Undefined: too few seams, or what is planned already is what it takes.
 */
export function ownCosts(
  seams: readonly SeamTook[],
  costs: PlanCosts,
): { costs: PlanCosts; times: number } | undefined {
  if (seams.length < ENOUGH) return undefined
  const factors = seams.map(({ took, planned }) => took / planned).sort((a, b) => a - b)
  const middle = factors[Math.floor(factors.length / 2)]!
  const times = Math.min(MOST, Math.max(LEAST, middle))
  const own = Object.fromEntries(
    Object.entries(costs).map(([part, minutes]) => [part, Math.min(30, Math.round(minutes * times * 2) / 2)]),
  ) as unknown as PlanCosts
  const same = (Object.keys(costs) as (keyof PlanCosts)[]).every((part) => own[part] === costs[part])
  return same ? undefined : { costs: own, times }
}
