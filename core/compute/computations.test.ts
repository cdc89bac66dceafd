import { describe, expect, it } from 'vitest'
import { Invalid } from '../schema/invalid'
import { compute } from './computations'

const fault = (name: string, request: unknown) => {
  try {
    compute(name, request)
  } catch (error) {
    if (error instanceof Invalid) return error.fault
    throw error
  }
  throw new Error('it was not refused')
}
const dial = { min: 0, max: 9, normal: 4, step: 0.5 }
const machine = {
  needleSystem: 'ha x 1',
  needleNm: { min: 60, max: 110 },
  dial,
  stitches: ['straight'],
  maxWidthMm: 5,
  lengthMm: { min: 0, max: 4 },
  spoolPins: 1,
  feet: ['standard'],
  evenFeed: false,
  maxStackMm: 6,
  maxLeatherMm: 3,
  footPressure: 'fixed',
}
const kit = {
  fabric: { structure: 'woven', massGsm: 150 },
  layers: { seam: 2, crossing: 2 },
  operation: 'seam',
  machine,
}

describe('a request that does not fit says which field and what is allowed', () => {
  it.each([
    ['kit', { ...kit, fabric: { structure: 'tweed', massGsm: 150 } }, 'fabric.structure', 'woven, knit'],
    ['kit', { ...kit, fabric: { structure: 'woven' } }, 'fabric', '"fabric.massGsm", "fabric.thicknessMm"'],
    ['kit', { ...kit, colour: 'blue' }, 'colour', 'allowed are fabric'],
    ['kit', { ...kit, layers: { seam: 2 } }, 'layers.crossing', 'a whole number'],
    ['kit', { ...kit, layers: { seam: 2, crossing: 1.5 } }, 'layers.crossing', 'a whole number'],
    ['kit', { ...kit, machine: { ...machine, dial: { ...dial, max: 0 } } }, 'machine.dial.max', 'above min'],
    [
      'kit',
      { ...kit, machine: { ...machine, dial: { ...dial, normal: 11 } } },
      'machine.dial.normal',
      'between 0 and 9',
    ],
    ['kit', { ...kit, fabric: { structure: 'woven', massGsm: -1 } }, 'fabric.massGsm', 'above 0'],
    ['thread', { notation: '50/3' }, 'notation', 'Ne 50/3'],
    [
      'needle-fit',
      { needle: { point: 'universal', sizeNm: 77 }, thread: { tex: 27, fibre: 'polyester' } },
      'needle.sizeNm',
      '60, 65',
    ],
    ['fabric', { structure: 'woven' }, '', '"swatch"'],
    ['fabric', { structure: 'leather', massGsm: 800 }, 'stack', 'thickness'],
    ['fabric', { structure: 'knit', massGsm: 180, stretch: { fromCm: 10, toCm: 9 } }, 'stretch.toCm', 'at least'],
    [
      'wear',
      { school: 'hours', projects: 1, uses: [{ load: 'ordinary', motorMinutes: 1, chairMinutes: 2 }] },
      'uses.0',
      'exactly one',
    ],
    ['wear', { school: 'hours', projects: 1, uses: [{ load: 'ordinary' }] }, 'uses.0', 'exactly one'],
    ['kit', 'cloth', '', 'an object'],
  ])('%s %j', (name, request, path, message) => {
    const said = fault(name, request)
    expect(said.path).toBe(path)
    expect(said.message).toContain(message)
  })

  it('tells unknown names from planned ones', () => {
    expect(fault('knit', {}).code).toBe('unknown-name')
    expect(fault('plan', {}).code).toBe('not-built')
    expect(fault('toString', {}).code).toBe('unknown-name')
  })
})

it('takes a shank system in any spelling', () =>
  expect(compute('kit', kit)).toHaveProperty('kits.0.needle.system', '130/705 H'))

it('says what it assumed', () => {
  expect(compute('thread', { notation: 'tkt 120' })).toMatchObject({
    fibre: 'polyester',
    assumed: [
      { field: 'fibre', value: 'polyester' },
      { field: 'finish', value: 'spun' },
    ],
  })
  expect(compute('thread', { notation: 'V69' })).toMatchObject({ tex: 70, fibre: 'nylon', finish: 'bonded' })
})
