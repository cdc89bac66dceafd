import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { POINTS } from '../knowledge/needle/needle'
import { usualFinish, type Thread } from '../units/thread'
import { DROP_RESULTS, needleFit, type DropTest } from './needle-fit'

it.each([
  ['tex 27 polyester in 80', 'universal', 80, { tex: 27, fibre: 'polyester' }, 1.65, 'good'],
  ['tex 80 in a standard 100', 'universal', 100, { tex: 80, fibre: 'polyester' }, 1.2, 'tight'],
  ['tex 80 in a topstitch 100', 'topstitch', 100, { tex: 80, fibre: 'polyester' }, 1.57, 'good'],
  ['bonded 92 in 125', 'universal', 125, { tex: 90, fibre: 'nylon', finish: 'bonded' }, 1.53, 'good'],
  ['bonded 69 in 90', 'universal', 90, { tex: 70, fibre: 'nylon', finish: 'bonded' }, 1.25, 'tight'],
  ['fine thread in a coarse needle', 'universal', 120, { tex: 13, fibre: 'silk' }, 3.77, 'loose'],
  ['fine thread in a large eye', 'topstitch', 100, { tex: 13, fibre: 'silk' }, 4.11, 'good'],
] as const)('%s', (_, point, sizeNm, thread, clearance, verdict) => {
  const fit = needleFit({ point, sizeNm }, thread)
  expect(fit.clearance).toBeCloseTo(clearance, 1)
  expect(fit.verdict).toBe(verdict)
})

describe('a drop test at the table', () => {
  const thread = { tex: 40, fibre: 'polyester' } as const
  const test = (sizeNm: number, result: DropTest['result'], more: Partial<DropTest> = {}): DropTest => ({
    ...{ point: 'universal', sizeNm, thread, result },
    ...more,
  })
  const verdict = (sizeNm: number, ...dropTests: DropTest[]) =>
    needleFit({ point: 'universal', sizeNm }, thread, { points: POINTS, dropTests })

  it('that slid holds for that eye and every larger one, and says nothing of a finer', () => {
    const slid = test(80, 'slides')
    expect([80, 90, 120].map((size) => verdict(size, slid))).toMatchObject(
      [80, 90, 120].map(() => ({ verdict: 'good', dropTest: slid })),
    )
    expect(verdict(75, slid)).toEqual(verdict(75))
  })

  it('that stayed holds for that eye and every finer one, and says nothing of a larger', () => {
    const held = test(100, 'stays')
    expect([60, 90, 100].map((size) => verdict(size, held).verdict)).toEqual(['shreds', 'shreds', 'shreds'])
    expect(verdict(110, held)).toEqual(verdict(110))
  })

  it('that spiralled holds for that eye; no finer one is better, and no larger one worse', () => {
    const held = test(100, 'spirals')
    expect([80, 90, 100].map((size) => verdict(size, held).verdict)).toEqual(['tight', 'tight', 'tight'])
    expect(verdict(110, held)).toEqual(verdict(110))
    // By its numbers this one shreds, and a finer one is seen to be better than that.
    expect(verdict(55)).toMatchObject({ verdict: 'shreds' })
    const fine = test(50, 'spirals')
    expect(verdict(55, fine)).toMatchObject({ verdict: 'tight', dropTest: fine })
  })

  it('of a larger eye never makes a finer one better than its numbers', () => {
    const RANK = { shreds: 0, tight: 1, good: 2, loose: 2 } as const
    const heavy = { tex: 80, fibre: 'polyester' } as const
    const spiralled = test(120, 'spirals', { thread: heavy })
    const fit = (sizeNm: number, ...dropTests: DropTest[]) =>
      needleFit({ point: 'universal', sizeNm }, heavy, { points: POINTS, dropTests })
    expect(fit(60)).toMatchObject({ verdict: 'shreds' })
    expect(fit(60, spiralled)).toEqual(fit(60))
    expect(fit(110, spiralled)).toMatchObject({ verdict: 'tight', dropTest: spiralled })
    fc.assert(
      fc.property(
        fc.constantFrom(...DROP_RESULTS),
        fc.integer({ min: 60, max: 130 }),
        fc.uniqueArray(fc.integer({ min: 55, max: 140 }), { minLength: 2, maxLength: 2 }),
        (result, tested, sizes) => {
          const [finer, larger] = sizes
            .sort((a, b) => a - b)
            .map((size) => fit(size, test(tested, result, { thread: heavy })))
          expect(RANK[finer!.verdict]).toBeLessThanOrEqual(RANK[larger!.verdict])
        },
      ),
    )
  })

  it('of the nearest eye decides, and of one eye the first that is told', () => {
    const [slid, spiralled] = [test(70, 'slides'), test(100, 'spirals')]
    for (const tests of [
      [slid, spiralled],
      [spiralled, slid],
    ]) {
      expect([80, 95].map((size) => verdict(size, ...tests).verdict)).toEqual(['good', 'tight'])
    }
    // The newest come first.
    expect(verdict(90, test(90, 'stays'), test(90, 'slides')).verdict).toBe('shreds')
    expect(verdict(90, test(90, 'slides'), test(90, 'stays')).verdict).toBe('good')
  })

  it('speaks of its own thread and no other: weight, fibre, finish and strands', () => {
    const others: Thread[] = [
      { ...thread, tex: 40.5 },
      { ...thread, fibre: 'cotton' },
      { ...thread, finish: 'bonded' },
      { ...thread, strands: 2 },
    ]
    for (const other of others)
      expect([other, verdict(90, test(90, 'stays', { thread: other }))]).toEqual([other, verdict(90)])
    const same: Thread[] = [
      { ...thread, tex: 40.4 },
      { ...thread, strands: 1 },
      { ...thread, finish: usualFinish('polyester') },
    ]
    for (const one of same) expect(verdict(90, test(90, 'stays', { thread: one })).verdict).toBe('shreds')
  })
})
