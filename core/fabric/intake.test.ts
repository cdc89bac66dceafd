import fc from 'fast-check'
import { expect, it } from 'vitest'
import { NAMED_FABRICS } from '../knowledge/cloth/named-fabric'
import { completeFabric, measureFabric } from './intake'

it('weighs a swatch, measures a stack and a stretch', () => {
  expect(
    measureFabric({
      structure: 'knit',
      swatch: { widthCm: 10, heightCm: 20, grams: 3.6 },
      massGsm: 999,
      stack: { layers: 4, thicknessMm: 2.4 },
      stretch: { fromCm: 10, toCm: 14 },
    }),
  ).toMatchObject({
    massGsm: expect.closeTo(180, 9) as number,
    thicknessMm: expect.closeTo(0.6, 9) as number,
    stretchPercent: expect.closeTo(40, 9) as number,
    band: 'medium',
    estimated: [],
  })
})

it('reads ounces', () =>
  expect(measureFabric({ structure: 'woven', massOzPerYd2: 12 })).toMatchObject({
    massGsm: expect.closeTo(406.9, 1) as number,
    band: 'very-heavy',
  }))

it('marks a guess as a guess, and guesses back what it was guessed from', () =>
  fc.assert(
    fc.property(fc.double({ min: 20, max: 599, noNaN: true }), (massGsm) => {
      const { thicknessMm, estimated } = completeFabric({ structure: 'woven', massGsm })
      expect(estimated).toEqual(['thicknessMm'])
      expect(completeFabric({ structure: 'woven', thicknessMm }).massGsm).toBeCloseTo(massGsm, 6)
    }),
  ))

it('has half-open bands, and none for leather', () => {
  expect([69.9, 70, 119.9, 120].map((massGsm) => completeFabric({ structure: 'woven', massGsm }).band)).toEqual([
    'sheer',
    'light',
    'light',
    'medium-light',
  ])
  expect(completeFabric({ structure: 'leather', thicknessMm: 1 }).band).toBeUndefined()
})

it.each([
  ['oilcloth', { structure: 'coated', massGsm: 280 }, 0.4],
  ['tulle', { structure: 'net', massGsm: 25 }, 0.15],
  ['terry', { structure: 'pile', massGsm: 420 }, 3.2],
  ['fleece', { structure: 'pile', massGsm: 240 }, 2.2],
  ['velvet', { structure: 'woven', massGsm: 280, traits: ['napped'] }, 1.27],
  ['wool coating', { structure: 'woven', massGsm: 460, traits: ['bulky', 'napped'] }, 1.6],
  ['webbing', { structure: 'woven', massGsm: 1000 }, 2],
] as const)('guesses the thickness of %s near what it is', (_, cloth, thicknessMm) =>
  expect(completeFabric(cloth).thicknessMm).toBeCloseTo(thicknessMm, 1),
)

it('guesses every named cloth within a third of its own number', () => {
  for (const { name, thicknessMm, ...cloth } of NAMED_FABRICS) {
    if (thicknessMm === undefined || cloth.massGsm === undefined) continue
    const ratio = completeFabric(cloth).thicknessMm / thicknessMm
    expect([name, ratio > 1 / 1.7 && ratio < 1.7]).toEqual([name, true])
  }
})
