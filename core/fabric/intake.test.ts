import fc from 'fast-check'
import { expect, it } from 'vitest'
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
    fc.property(fc.double({ min: 20, max: 800, noNaN: true }), (massGsm) => {
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
