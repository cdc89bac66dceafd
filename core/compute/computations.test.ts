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

const swatches = {
  dial: { min: 0, max: 9, normal: 4, step: 0.5 },
  target: 'straight',
  done: ['rethreaded', 'needle', 'bobbin', 'same-thread', 'clean'],
  swatches: [{ dial: 5, top: 'dots', under: 'own' }],
  role: 'staff',
  school: 'hands-on',
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
    ['tension', { ...swatches, swatches: [] }, 'swatches', '1'],
    ['tension', { ...swatches, start: 12 }, 'start', 'on the dial'],
    ['tension', { ...swatches, swatches: [{ dial: 9.5, top: 'own', under: 'own' }] }, 'swatches.0.dial', 'on the dial'],
    ['tension', { ...swatches, dial: { ...swatches.dial, max: 0 } }, 'dial.max', ''],
    ['fault', { symptom: 'sad' }, 'symptom', 'nest-at-start'],
    ['fault', { symptom: 'jam', answers: [{ check: 'lint', found: 'yes' }] }, 'answers.0.found', 'true or false'],
    ['plan', { blocks: 1, machines: [], kits: [], students: [{ id: 'ida', kit: 'a' }] }, 'students.0.kit', 'no kit'],
  ])('%s %j', (name, request, path, message) => {
    const said = fault(name, request)
    expect(said.path).toBe(path)
    expect(said.message).toContain(message)
  })

  it('tells a name that is no computation', () => {
    expect(fault('knit', {}).code).toBe('unknown-name')
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

describe('tension', () => {
  it('answers with the reading, the next step, and what it assumed', () => {
    expect(compute('tension', swatches)).toMatchObject({
      s: 1,
      reading: 'top-little-tight',
      next: { do: 'dial' },
      assumed: [
        { field: 'start', value: 4 },
        { field: 'bobbinScrew', value: false },
      ],
    })
    expect(compute('tension', { ...swatches, done: [] })).toMatchObject({ next: { do: 'rethread' } })
  })
})

describe('fault', () => {
  it('answers with checks, best first, or stops', () => {
    expect(compute('fault', { symptom: 'loops-under' })).toMatchObject({ stop: false })
    expect(compute('fault', { symptom: 'loops-under' })).toHaveProperty('checks.0.check', 'rethread-foot-up')
    expect(compute('fault', { symptom: 'electrical' })).toMatchObject({ stop: true, checks: [] })
  })
})

describe('thread-use', () => {
  const request = {
    stitch: { iso: '301', lengthMm: 2.5, widthMm: 0 },
    stackMm: 0.5,
    seamM: 6,
    starts: 10,
    swatches: 0,
    top: { tex: 27, fibre: 'polyester' },
    bobbin: { tex: 27, fibre: 'polyester' },
    bobbinVolumeMm3: 2290,
  }

  it('answers in metres and bobbins, and says what it assumed', () => {
    expect(compute('thread-use', request)).toMatchObject({
      bobbins: 1,
      assumed: [
        { field: 'top.finish', value: 'spun' },
        { field: 'bobbin.finish', value: 'spun' },
      ],
    })
    expect(compute('thread-use', { ...request, seamM: 0, starts: 0 })).toMatchObject({
      topM: 0,
      bobbinM: 0,
      bobbins: 0,
    })
  })

  it.each([
    [{ seamM: -1 }, 'seamM', 'at least 0'],
    [{ bobbinVolumeMm3: 0 }, 'bobbinVolumeMm3', 'above 0'],
    [{ stitch: { iso: '401', lengthMm: 2, widthMm: 0 } }, 'stitch.iso', '301, 304'],
    [{ top: { tex: 27, fibre: 'wool' } }, 'top.fibre', 'polyester'],
    [{ needles: 2 }, 'needles', 'not known here'],
  ])('%j is refused at %s', (more, path, message) => {
    const said = fault('thread-use', { ...request, ...more })
    expect(said.path).toBe(path)
    expect(said.message).toContain(message)
  })
})

describe('what a room brings to a kit', () => {
  const test = { point: 'universal', sizeNm: 70, thread: { tex: 27, fibre: 'polyester' }, result: 'stays' }
  it.each([
    [{ room: { offsetSilky: -9 } }, 'room.offsetSilky', 'at least -3'],
    [{ room: { gravity: 9 } }, 'room.gravity', 'allowed are offsetSilky'],
    [{ dropTests: [{ ...test, result: 'flies' }] }, 'dropTests.0.result', 'slides, spirals, stays'],
    [{ fabric: { structure: 'woven', massGsm: 150, guessed: ['colour'] } }, 'fabric.guessed.0', 'massGsm'],
    [
      { machine: { ...machine, lengthMarks: { lowest: 5, highest: 1, step: 1, mmAtLowest: 0, mmAtHighest: 4 } } },
      'machine.lengthMarks.highest',
      'above lowest, 5',
    ],
  ])('%j is refused at %s', (more, path, message) => {
    const said = fault('kit', { ...kit, ...more })
    expect(said.path).toBe(path)
    expect(said.message).toContain(message)
  })

  it('is taken where it fits', () => {
    const { kits } = compute('kit', {
      ...kit,
      thread: test.thread,
      room: { offsetSilky: -1.5 },
      dropTests: [test],
    }) as {
      kits: { needle: { sizeNm: number } }[]
    }
    expect(kits[0]!.needle.sizeNm).toBeGreaterThan(70)
  })
})
