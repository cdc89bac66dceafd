import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KNOWLEDGE } from '../knowledge/knowledge'
import type { Facts } from '../knowledge/fact'
import { dialUnit, type Dial } from '../units/dial'
import type { Thread } from '../units/thread'
import { plain } from '../units/words'
import { startingDial, threadOffset } from './dial-start'

const DIAL: Dial = { min: 0, max: 9, normal: 4, step: 0.5 }
const POLYESTER: Thread = { tex: 27, fibre: 'polyester' }
/** Nothing that moves a dial: an ordinary cloth under a straight stitch. */
const PLAIN: Facts = { stitchOf: 'straight', twin: false, threadFibre: 'polyester', threadFinish: 'spun', massGsm: 150 }
const start = (dial: Dial | undefined, facts: Partial<Facts> = {}, top = POLYESTER, bobbin = POLYESTER) =>
  startingDial(dial, top, bobbin, { ...PLAIN, ...facts }, KNOWLEDGE)
const METALLIC = { threadFibre: 'metallic' }

describe('the dial of a kit', () => {
  it('starts at the normal mark where nothing moves it, and says so', () => {
    expect(start(DIAL)).toMatchObject({
      dial: { offset: 0, setting: 4 },
      because: 'Start at 4: from normal 4, same thread above and below, straight stitch, ordinary cloth: no offset.',
    })
    expect(start(undefined)).toMatchObject({ dial: { offset: 0 }, because: /^From the machine’s normal mark: same/ })
    expect(start({ ...DIAL, normal: undefined as never }).dial).toEqual({ offset: 0 })
  })

  it('says by how much two threads move it, with its sign, and nothing of two that are alike', () => {
    const thick: Thread = { tex: 60, fibre: 'polyester' }
    const heavier = start(DIAL, {}, thick)
    expect(heavier.dial.offset).toBeCloseTo(threadOffset(thick, POLYESTER), 9)
    expect(heavier.because).toContain(`60 over 27 tex −${plain(-heavier.dial.offset)}`)
    const lighter = start(DIAL, {}, POLYESTER, thick)
    expect(lighter.because).toContain(`27 over 60 tex +${plain(lighter.dial.offset)}`)
    expect(start(DIAL).because).not.toContain('over')
  })

  it('of metallic thread is half of normal, on the scale that it has', () => {
    expect(start(DIAL, METALLIC)).toMatchObject({
      dial: { offset: -2, setting: 2 },
      because: /metallic thread half of normal/,
    })
    // Ten marks apart, from one: halfway from the lowest mark to the normal one.
    const other: Dial = { min: 1, max: 19, normal: 9, step: 1 }
    expect(start(other, METALLIC).dial).toMatchObject({ offset: -2, setting: 5 })
    expect(start(undefined, METALLIC).dial.offset).toBe(start(DIAL, METALLIC).dial.offset)
  })

  it('starts from what its screen shows for the stitch, and says from which mark', () => {
    const screen: Dial = { ...DIAL, byStitch: { zigzag: 3.5 } }
    expect(start(screen, { stitchOf: 'zigzag' })).toMatchObject({
      dial: { offset: 0, setting: 3.5 },
      because: /from the 3\.5 this machine shows for the stitch/,
    })
    expect(start(screen).because).toContain('from normal 4')
  })

  it('keeps one number from either end, on a mark, and says so exactly when it would have gone further', () => {
    const dial = fc
      .record({
        min: fc.integer({ min: 0, max: 3 }),
        numbers: fc.integer({ min: 4, max: 20 }),
        step: fc.constantFrom(0.25, 0.5, 1),
      })
      .chain(({ min, numbers, step }) =>
        fc.record({
          ...{ min: fc.constant(min), max: fc.constant(min + numbers), step: fc.constant(step) },
          normal: fc.integer({ min: min / step, max: (min + numbers) / step }).map((marks) => marks * step),
        }),
      )
    const thread = fc.record({ tex: fc.integer({ min: 12, max: 120 }), fibre: fc.constant('polyester' as const) })
    fc.assert(
      fc.property(dial, thread, thread, fc.constantFrom({}, METALLIC), (on, top, bobbin, facts) => {
        const { dial: set, because } = start(on, facts, top, bobbin)
        const unit = dialUnit(on)
        const [lowest, highest] = [on.min + unit, on.max - unit]
        const wanted = on.normal + unit * set.offset
        const beyond = wanted < lowest - 1e-6 || wanted > highest + 1e-6
        const near = Math.min(Math.abs(wanted - lowest), Math.abs(wanted - highest)) < 1e-6
        expect(set.setting).toBeGreaterThanOrEqual(lowest - 1e-6)
        expect(set.setting).toBeLessThanOrEqual(highest + 1e-6)
        expect(because).toContain(`Start at ${plain(set.setting!)}: from normal ${plain(on.normal)}`)
        if (!near) expect('clipped' in set ? set.clipped : false).toBe(beyond)
        const said = `${plain(wanted)} would be too near the end of the dial, so ${plain(set.setting!)} (between ${plain(lowest)} and ${plain(highest)}).`
        expect(because.includes(said)).toBe(set.clipped === true)
        if (!beyond) expect(Math.abs(set.setting! - wanted)).toBeLessThanOrEqual(on.step + 1e-6)
      }),
    )
  })
})
