import { expect, it } from 'vitest'
import { needleFit } from './needle-fit'

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
