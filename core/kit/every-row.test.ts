import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { CAUTION_RULES } from '../knowledge/care/caution'
import { FABRIC_OFFSETS, STITCH_OFFSETS, THREAD_OFFSETS } from '../knowledge/tension/dial'
import { EXTRA_RULES } from '../knowledge/stitch/extra'
import { FOOT_WISHES, PRESSURE_WISHES } from '../knowledge/stitch/foot'
import { POINT_PROPOSALS } from '../knowledge/needle/needle-point'
import { CLOTH_SIZES, CROSSING_STEPS, SIZE_REASONS } from '../knowledge/needle/needle-size'
import type { Rule } from '../knowledge/fact'
import { LENGTH_WISHES, STITCH_WISHES } from '../knowledge/stitch/stitch'
import { BOBBIN_WISHES, THREAD_WISHES } from '../knowledge/thread/thread'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { anyRequest } from '../testing/arbitraries'
import { kitQuestion } from './facts'
import { computeKit } from './kit'
import { clothRange } from './needle-choice'
import type { KitAnswer, KitRequest } from './request'

/**
 * A row that no request can reach is dead knowledge: it reads as if it counted, and never does. Many requests, the same
 * ones every time, must between them be answered by every row there is.
 */
const LISTS: Readonly<Record<string, readonly Rule<unknown>[]>> = {
  POINT_PROPOSALS,
  CLOTH_SIZES,
  // The last of them adds nothing, and nothing is said of that.
  CROSSING_STEPS: CROSSING_STEPS.slice(0, -1),
  THREAD_WISHES,
  BOBBIN_WISHES,
  FOOT_WISHES,
  PRESSURE_WISHES,
  STITCH_WISHES,
  LENGTH_WISHES,
  STITCH_OFFSETS,
  FABRIC_OFFSETS,
  THREAD_OFFSETS,
  EXTRA_RULES,
  CAUTION_RULES,
}

const asked: { request: KitRequest; answer: KitAnswer }[] = []
const named = new Map<string, number>()
beforeAll(() => {
  for (const request of fc.sample(anyRequest, { numRuns: 12_000, seed: 20_261 }))
    asked.push({ request, answer: computeKit(request) })
  const seen = (id: string) => named.set(id, (named.get(id) ?? 0) + 1)
  // A kit's reason names the bound that decided its size; the cloth's own rows stand behind it.
  for (const { request } of asked) for (const { id } of clothRange(kitQuestion(request, KNOWLEDGE)).rules) seen(id)
  for (const { reasons } of asked.flatMap(({ answer }) => answer.kits))
    for (const { rule } of reasons) rule.split(' ').forEach(seen)
})
describe('every row of the knowledge decides something', () => {
  it.each(Object.entries(LISTS))('in %s', (_, rows) => {
    expect(rows.map(({ id }) => id).filter((id) => !named.has(id))).toEqual([])
  })

  it('and so does every way in which a size is bounded', () => {
    const unreached = Object.keys(SIZE_REASONS).filter((bound) => !named.has(`bound-${bound}`))
    expect(unreached).toEqual([])
  })
})

describe('over all of them', () => {
  it('a refused request names a limit and what would help', () => {
    for (const { answer } of asked) {
      if (answer.verdict !== 'refused') continue
      expect(answer.kits).toEqual([])
      for (const { because, wouldHelp } of answer.refusals) {
        expect(because.length).toBeGreaterThan(15)
        expect(wouldHelp.length).toBeGreaterThan(8)
      }
    }
  })

  it('no sentence is left with a gap, and every sentence ends', () => {
    const spoken = asked.flatMap(({ answer }) =>
      answer.kits.flatMap(({ reasons }) => reasons.map(({ because }) => because)),
    )
    expect(spoken.length).toBeGreaterThan(10_000)
    expect(spoken.filter((because) => /[{}]|NaN|undefined|null/.test(because) || !/[.!]$/.test(because))).toEqual([])
  })

  it('the best kit is never worse than one that comes after it', () => {
    const rank = { good: 0, marginal: 1 } as const
    for (const { answer } of asked) {
      const [best, ...others] = answer.kits
      if (!best || best.inStock === false) continue
      for (const other of others)
        if (other.inStock !== false)
          expect(rank[best.verdict as 'good']).toBeLessThanOrEqual(rank[other.verdict as 'good'])
    }
  })
})
