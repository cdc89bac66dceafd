import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARCHETYPES, archetype } from '../knowledge/machine/archetype'
import { TRAIT_NAMES } from '../knowledge/machine/trait'
import { MACHINE_COLUMNS, machineCells, readMachineRows, type MachineRow } from './machine-rows'

const heading = [...MACHINE_COLUMNS, ...TRAIT_NAMES]
const anyMachine: fc.Arbitrary<Omit<MachineRow, 'line'>> = fc.record({
  name: fc.constantFrom('Heron', 'Curlew', 'Little Stint'),
  number: fc.integer({ min: 1, max: 9999 }),
  notes: fc.constantFrom('', 'Heavy, steady; the felt is new.'),
  place: fc.record({ x: fc.nat(400), y: fc.nat(400) }),
  traits: fc.constantFrom(...ARCHETYPES.map(({ traits }) => traits)),
})

describe('a sheet of machines', () => {
  it('comes back as it went out', () => {
    fc.assert(
      fc.property(fc.array(anyMachine, { maxLength: 5 }), (machines) => {
        const { good, bad } = readMachineRows([heading, ...machines.map(machineCells)])
        expect(bad).toEqual([])
        expect(good.map(({ line: _, ...row }) => row)).toEqual(machines)
      }),
    )
  })

  it('takes what is known, in any order of columns', () => {
    const { good } = readMachineRows([
      ['number', 'name', 'feet', 'evenFeed', 'maxStackMm'],
      ['4', 'Knot', 'Standard, walking', 'no', '5,5'],
    ])
    expect(good).toEqual([
      {
        line: 2,
        name: 'Knot',
        number: 4,
        notes: '',
        traits: { feet: ['standard', 'walking'], evenFeed: false, maxStackMm: 5.5 },
      },
    ])
  })

  it.each([
    [['', '4', 'back'], 'name'],
    [['Knot', 'four', 'back'], 'number'],
    [['Knot', '4', 'sideways'], 'shankFlat'],
  ])('tells which cell is wrong, and lets the other lines be: %j', (cells, column) => {
    const { good, bad } = readMachineRows([
      ['name', 'number', 'shankFlat'],
      cells,
      ['Heron', '1', 'back'],
      ['', '', ''],
    ])
    expect(good.map(({ name }) => name)).toEqual(['Heron'])
    expect(bad).toMatchObject([{ line: 2, column }])
  })

  it('that names no machines is refused whole', () => {
    expect(() => readMachineRows([['name', 'colour']])).toThrow('No such column: colour')
    expect(() => readMachineRows([['name']])).toThrow('missing is number')
    expect(() => readMachineRows([])).toThrow('missing is name')
  })

  it('holds each trait of a machine in a cell that a person can read', () => {
    const cells = machineCells({ name: 'Heron', number: 1, notes: '', traits: archetype('iron-front-loader').traits })
    expect(cells).toContain('standard; zigzag; walking; non-stick; buttonhole; zip; darning')
    expect(cells).toContain('yes')
    expect(cells[heading.indexOf('place_x')]).toBe('')
  })
})
