import { describe, expect, it } from 'vitest'
import type { MachineEvent } from './event'
import { sittingOf } from './sitting'

const NOW = '2026-01-08T20:00:00.000Z'
let count = 0
const swatch = (
  minutesAgo: number,
  look: { dial: number; top?: 'own' | 'dots' | 'line'; under?: 'own' | 'dots' },
  more: { done?: ('rethreaded' | 'needle')[]; target?: 'straight' | 'zigzag' } = {},
): MachineEvent => ({
  kind: 'swatch-stitched',
  body: {
    dial: look.dial,
    target: more.target ?? 'straight',
    top: look.top ?? 'own',
    under: look.under ?? 'own',
    done: more.done ?? [],
  },
  eventId: `01900000-0000-7000-8000-${String((count += 1)).padStart(12, '0')}`,
  happenedAt: new Date(Date.parse(NOW) - minutesAgo * 60_000).toISOString(),
  personId: 'p',
})
const dials = (swatches: readonly { readonly dial: number }[]) => swatches.map(({ dial }) => dial)

describe('this trouble', () => {
  it('is every swatch since the last good one, oldest first, with what was done meanwhile', () => {
    const sitting = sittingOf(
      [
        swatch(5, { dial: 3, under: 'dots' }, { done: ['rethreaded', 'needle'] }),
        swatch(10, { dial: 5, top: 'dots' }, { done: ['rethreaded'] }),
        swatch(60, { dial: 4 }),
        swatch(70, { dial: 6, top: 'dots' }),
      ],
      'straight',
      NOW,
    )
    expect(dials(sitting.swatches)).toEqual([5, 3])
    expect(sitting.done).toEqual(['rethreaded', 'needle'])
    expect(dials(sitting.past)).toEqual([6, 4])
    expect(sitting.last!.body).toMatchObject({ dial: 3 })
  })

  it('is over once a swatch was good, and forgotten after a session', () => {
    expect(sittingOf([swatch(5, { dial: 4 }), swatch(9, { dial: 5, top: 'dots' })], 'straight', NOW).swatches).toEqual(
      [],
    )
    const near = swatch(5, { dial: 3.5, top: 'dots' })
    const taken = { ...near, body: { ...near.body, asNear: 3 } } as MachineEvent
    expect(sittingOf([taken, swatch(9, { dial: 4, top: 'dots' })], 'straight', NOW).swatches).toEqual([])
    const old = sittingOf([swatch(4 * 60, { dial: 5, top: 'dots' })], 'straight', NOW)
    expect([old.swatches, dials(old.past)]).toEqual([[], [5]])
    // Two sessions in a row are two troubles.
    const two = sittingOf(
      [swatch(10, { dial: 5, top: 'dots' }), swatch(24 * 60, { dial: 6, top: 'dots' })],
      'straight',
      NOW,
    )
    expect([dials(two.swatches), dials(two.past)]).toEqual([[5], [6]])
  })

  it('does not mix stitches: each has a target of its own', () => {
    const zigzag = swatch(5, { dial: 4, top: 'dots' }, { target: 'zigzag' })
    const straight = swatch(8, { dial: 5, top: 'dots' })
    const sitting = sittingOf([zigzag, straight], 'straight', NOW)
    expect([sitting.swatches, dials(sitting.past)]).toEqual([[], [5]])
    expect(dials(sittingOf([zigzag, straight], 'zigzag', NOW).swatches)).toEqual([4])
  })

  it('keeps what was seen besides the look, and what the camera measured, and is not broken by lines of other kinds', () => {
    const seen = swatch(5, { dial: 4, top: 'dots' })
    const camera = { score: 0.7, spread: 0.1 }
    const whole = { ...seen, body: { ...seen.body, signs: ['puckers'], camera } } as MachineEvent
    const between = { ...seen, eventId: 'x', kind: 'noted', body: { text: 'The lamp flickers' } } as MachineEvent
    const before = swatch(8, { dial: 5, top: 'dots' })
    const { swatches, last } = sittingOf([between, whole, between, before], 'straight', NOW)
    expect(swatches).toEqual([
      { dial: 5, top: 'dots', under: 'own' },
      { dial: 4, top: 'dots', under: 'own', signs: ['puckers'], camera },
    ])
    expect(last).toBe(whole)
  })

  it('has no beginning in a book without swatches', () => {
    expect(sittingOf([], 'straight', NOW)).toEqual({ swatches: [], done: [], past: [] })
  })

  it('remembers no more of other days than speaks of the dial', () => {
    const many = Array.from({ length: 60 }, (_, index) => swatch(5000 + index * 2000, { dial: 4 }))
    expect(sittingOf(many, 'straight', NOW).past).toHaveLength(20)
  })
})
