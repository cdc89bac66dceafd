import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Happening } from '../machine/event'
import { PLAN_COSTS } from './plan-question'
import { ownCosts, seamsTook, type SeamTook } from './seams-took'

const at = (time: string) => `2026-03-05T${time}:00.000Z`
const line = (time: string, happening: Happening) => ({ ...happening, happenedAt: at(time) })
const over = (time: string) => line(time, { kind: 'turn-ended', body: { finished: false } })
const setUp = (time: string) => line(time, { kind: 'set-up', body: { dial: 4 } })
const swatch = (time: string, under: 'own' | 'loops') =>
  line(time, { kind: 'swatch-stitched', body: { dial: 4, target: 'straight', top: 'own', under, done: [] } })
const change = { machine: 'Heron', block: 2, minutes: 6, parts: ['thread', 'tensionTest'] } as const
const took = (...lines: ReturnType<typeof line>[]) =>
  seamsTook(
    [change],
    () => lines,
    () => new Date(at('19:00')),
  )

describe('what a seam took', () => {
  it('is from the end of the turn before to the swatch that is good again', () => {
    expect(
      took(over('18:55'), setUp('18:58'), swatch('19:02', 'loops'), swatch('19:06', 'own'), setUp('19:30')),
    ).toEqual([{ machineId: 'Heron', block: 2, planned: 6, took: 11 }])
  })

  it('begins with the first thing changed where nobody said that they were done, and ends with the last', () => {
    expect(took(setUp('19:01'), swatch('19:08', 'loops'))[0]!.took).toBe(7)
  })

  it('is not told where the book has one moment only, nothing was changed, or it was at another time', () => {
    expect(took(setUp('19:01'))).toEqual([])
    expect(took(over('18:55'), swatch('19:02', 'own'))).toEqual([])
    expect(took(setUp('17:00'), swatch('17:05', 'own'))).toEqual([])
    expect(
      seamsTook(
        [{ ...change, block: 1 }],
        () => [setUp('19:01'), swatch('19:05', 'own')],
        () => new Date(at('19:00')),
      ),
    ).toEqual([])
  })
})

describe('what a change costs in this room', () => {
  const seams = (...minutes: readonly number[]): SeamTook[] =>
    minutes.map((each) => ({ machineId: 'Heron', block: 2, planned: 6, took: each }))

  it('is what is planned, times the middle of what seams took', () => {
    expect(ownCosts(seams(6, 9, 60), PLAN_COSTS)).toMatchObject({
      times: 1.5,
      costs: { needle: 4.5, thread: 3, foot: 1.5 },
    })
  })

  it('is not offered for two seams, nor where nothing would change', () => {
    expect(ownCosts(seams(9, 9), PLAN_COSTS)).toBeUndefined()
    expect(ownCosts(seams(6, 6, 6), PLAN_COSTS)).toBeUndefined()
  })

  it('stays within what a room may say, whatever its books say', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 60 }), { maxLength: 9 }), (minutes) => {
        const own = ownCosts(seams(...minutes), PLAN_COSTS)
        for (const cost of Object.values(own?.costs ?? {})) {
          expect(cost).toBeGreaterThanOrEqual(0)
          expect(cost).toBeLessThanOrEqual(30)
          expect(cost * 2).toBe(Math.round(cost * 2))
        }
      }),
    ))
})
