import { describe, expect, it } from 'vitest'
import { readDeviceLine } from '@/core/fabric/device-line'
import { measureFabric } from '@/core/fabric/intake'
import { deviceLine } from './bench'

const sample = { name: 'poplin', areaCm2: 100, layers: 4, chance: 0.5 }

describe('the table’s stand-ins', () => {
  it('weigh and measure a cloth of the tray, in the line that a real one sends', () => {
    const grams = readDeviceLine(deviceLine('scale', sample)!)!
    const stack = readDeviceLine(deviceLine('gauge', sample)!)!
    const cloth = measureFabric({
      structure: 'woven',
      swatch: { widthCm: 10, heightCm: 10, grams: grams.value },
      stack: { layers: 4, thicknessMm: stack.value },
    })
    expect(cloth).toMatchObject({ massGsm: 120, estimated: [] })
    expect(cloth.thicknessMm).toBeCloseTo(0.26, 2)
  })

  it('read a little differently from piece to piece, and nothing of a cloth that is not there', () => {
    expect(deviceLine('scale', { ...sample, chance: 1 })).not.toBe(deviceLine('scale', { ...sample, chance: 0 }))
    expect(deviceLine('scale', { ...sample, name: 'cheese' })).toBeUndefined()
  })

  it.each(['MASS 2.1', 'MASS 2.1 mm STABLE', 'THICKNESS 1 g STABLE', 'PRESSURE 1 g STABLE', ''])(
    '“%s” is no reading',
    (line) => expect(readDeviceLine(line)).toBeUndefined(),
  )

  it('says when a reading has not settled', () =>
    expect(readDeviceLine('MASS 2.13 g MOVING')).toEqual({ quantity: 'mass', value: 2.13, settled: false }))
})
