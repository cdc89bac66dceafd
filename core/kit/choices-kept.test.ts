import { describe, expect, it } from 'vitest'
import { POINTS } from '../knowledge/needle/needle'
import { ORDINARY_MACHINE } from '../testing/ordinary-machine'
import { computeKit } from './kit'
import { overrideKit, type Override } from './override'
import type { Kit, KitMachine, KitRequest } from './request'
import { choicesIn, travel } from './travel'

/** What a person's own choices become, each told apart from the others. */
const because = 'sewn so before'
const on = (machine: Partial<KitMachine> = {}): KitRequest => ({
  fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3 },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
  machine: { ...ORDINARY_MACHINE, ...machine },
})
const here = on()
const kit = computeKit(here).kits[0]!
const leather: Override = { part: 'needle', value: { point: 'leather', sizeNm: 80 }, because }
const thick: Override = { part: 'thread', value: { tex: 80, fibre: 'polyester', use: 'topstitch' }, because }
const dial: Override = { part: 'dial', value: 4.5, because }
const walking: Override = { part: 'foot', value: 'walking', because }

describe('a choice made by hand', () => {
  it('carries what it breaks itself, and nothing of what another breaks', () => {
    const { kit: both } = overrideKit(here, kit, [leather, thick, dial])
    const alone = (choice: Override) => overrideKit(here, kit, [choice]).kit.overrides![0]!.breaks
    const [needle, thread, mark] = both.overrides!
    expect(needle!.breaks).toEqual(alone(leather))
    expect(needle!.breaks.join(' ')).toMatch(/leather|cuts/i)
    expect(thread!.breaks.length).toBeGreaterThan(0)
    expect(thread!.breaks.join(' ')).not.toMatch(/leather/i)
    expect(mark!.breaks).toEqual([])
  })

  it('makes a kit marginal when it breaks something, and leaves the verdict as it was when not', () => {
    expect(overrideKit(here, kit, [thick]).kit.verdict).toBe('marginal')
    expect(overrideKit(here, kit, [dial]).kit.verdict).toBe(kit.verdict)
    expect(overrideKit(here, kit, [])).toEqual({ kit, breaks: [] })
  })

  it('of a needle and a thread is beaten by the room’s own drop test of the two', () => {
    const thread = { tex: 80, fibre: 'polyester', finish: 'spun' } as const
    const test = { thread, point: 'universal', sizeNm: 80, result: 'slides' } as const
    const choices: Override[] = [{ part: 'needle', value: { point: 'universal', sizeNm: 80 }, because }, thick]
    const tried = overrideKit({ ...here, dropTests: [test] }, kit, choices).kit
    expect(tried.fit.dropTest).toBe('slides')
    expect(overrideKit(here, kit, choices).kit.fit).not.toHaveProperty('dropTest')
  })

  it('of a twin is one that is sold: its gap and its size together', () => {
    const twin = POINTS['twin-universal']
    const [first] = twin.gaps!
    const elsewhere = twin.gaps!.flatMap(({ sizesNm }) => sizesNm).find((size) => !first!.sizesNm.includes(size))!
    const choose = (gapMm: number, sizeNm: number) =>
      overrideKit(here, kit, [{ part: 'needle', value: { point: 'twin-universal', sizeNm, gapMm }, because }])
        .breaks.filter(({ severity }) => severity === 'stop')
        .map(({ rule }) => rule)
    expect(choose(first!.gapMm, first!.sizesNm[0]!)).not.toContain('breaks-not-sold')
    expect(choose(first!.gapMm, elsewhere)).toContain('breaks-not-sold')
    expect(choose(99, first!.sizesNm[0]!)).toContain('breaks-not-sold')
  })
})

describe('on another machine', () => {
  const bare = on({ feet: ['standard'] })
  const there = computeKit(bare).kits[0]!
  const go = (given: Kit) => travel(bare, given, there)

  it('a mark of the dial stays behind and says so, and that machine’s own start stands', () => {
    const moved = travel(here, overrideKit(here, kit, [dial]).kit, kit)
    expect(moved.dial).toEqual(kit.dial)
    expect(moved.dropped).toMatchObject([{ part: 'dial', asked: '4.5', instead: '4', because }])
    expect(moved.dropped![0]!.why).toMatch(/own machine/)
  })

  it('what it cannot do is left with both prices said, and what it can goes along', () => {
    const jeans: Override = { part: 'needle', value: { point: 'jeans', sizeNm: 90 }, because }
    const moved = go(overrideKit(here, kit, [walking, jeans]).kit)
    expect(moved.needle).toMatchObject({ point: 'jeans', sizeNm: 90 })
    expect(moved.overrides!.map(({ part }) => part)).toEqual(['needle'])
    expect(moved.dropped).toMatchObject([{ part: 'foot', asked: 'walking', instead: 'standard', because }])
    expect(moved.dropped![0]!.insteadBecause).toBe(there.reasons.find(({ part }) => part === 'foot')!.because)
    // Two machines later it is still what was asked for at first.
    const twice = go(moved)
    expect(twice.dropped![0]!.asked).toBe('walking')
    // And back where it can be, it holds again.
    expect(travel(here, twice, kit).foot).toBe('walking')
  })

  it('a choice is read from a kit whole: the gap of a twin with it, and no gap where there is none', () => {
    const twin: Override = { part: 'needle', value: { point: 'twin-universal', sizeNm: 80, gapMm: 2 }, because }
    expect(choicesIn(overrideKit(here, kit, [twin]).kit)).toEqual([twin])
    expect(Object.keys(choicesIn(overrideKit(here, kit, [leather]).kit)[0]!.value)).toEqual(['point', 'sizeNm'])
    const unset = { ...overrideKit(here, kit, [dial]).kit, dial: { offset: 0 } }
    expect(choicesIn(unset)).toEqual([])
  })
})

describe('a machine that feeds from above by itself', () => {
  const thickWork = (machine: Partial<KitMachine>): KitRequest => ({
    ...on({ ...machine, maxStackMm: 12 }),
    fabric: { structure: 'woven', massGsm: 220, thicknessMm: 1, traits: ['quilted'] },
  })

  it('wants no walking foot, and the kit says why', () => {
    const plain = computeKit(thickWork({ feet: ['standard', 'walking'] })).kits[0]!
    expect(plain.foot).toBe('walking')
    const even = computeKit(thickWork({ feet: ['standard'], evenFeed: true })).kits[0]!
    expect(even.foot).toBe('standard')
    expect(even.reasons.find(({ part }) => part === 'foot')!.because).toMatch(/even|above/i)
  })
})
