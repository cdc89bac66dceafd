import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARCHETYPES } from '../knowledge/machine/archetype'
import { STRUCTURES, TRAITS_OF_FABRIC } from '../knowledge/cloth/fabric'
import { OPERATIONS } from '../knowledge/stitch/stitch'
import { TRAIT_NAMES, type TraitName, type Traits } from '../knowledge/machine/trait'
import { Name } from '../kit/project'
import { check } from '../schema/validate'
import { Invalid } from '../schema/invalid'
import { alreadyHere } from './already-here'
import { MACHINE_COLUMNS, machineCells, readMachineRows } from './machine-rows'
import { KIT_COLUMNS, PROJECT_COLUMNS, projectCells, readProjectRows } from './project-rows'
import { readSheet, writeSheet } from './sheet-text'

const COUNTS = [0, 1, 2, 3, 5, 60] as const
const MACHINE = [...MACHINE_COLUMNS, ...TRAIT_NAMES]
const PROJECT = [...PROJECT_COLUMNS, ...KIT_COLUMNS]

const anyName = fc
  .oneof(
    fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 }),
    fc.constantFrom(
      '=1+1',
      '+x',
      '-x',
      '@x',
      "'x",
      'Ida; Jon',
      'a,b',
      'a\tb'.replace('\t', ' '),
      '"',
      '1',
      '-1',
      'شيرين',
      '🧵🪡',
    ),
  )
  .map((text) => text.trim())
  .filter((text) => {
    try {
      check(Name, text)
      return true
    } catch {
      return false
    }
  })

const anyMachine = fc.record({
  name: anyName,
  number: fc.integer({ min: 1, max: 9999 }),
  notes: fc.oneof(fc.constant(''), anyName, fc.constant('lid; falls off, "often"')),
  place: fc.record({ x: fc.nat(400), y: fc.nat(400) }),
  traits: fc
    .tuple(fc.constantFrom(...ARCHETYPES), fc.subarray([...TRAIT_NAMES]))
    .map(([{ traits }, names]): Traits =>
      Object.fromEntries(
        names.flatMap((name: TraitName) => (traits[name] === undefined ? [] : [[name, traits[name]]])),
      ),
    ),
})

const anyProject = fc
  .record({
    learner: anyName,
    name: anyName,
    structure: fc.constantFrom(...STRUCTURES),
    massGsm: fc.integer({ min: 200, max: 9000 }).map((tenths) => tenths / 10),
    thicknessMm: fc.option(
      fc.integer({ min: 5, max: 800 }).map((hundredths) => hundredths / 100),
      { nil: undefined },
    ),
    guesses: fc.subarray(['massGsm', 'thicknessMm'] as const),
    traits: fc.uniqueArray(fc.constantFrom(...TRAITS_OF_FABRIC), { maxLength: 3 }),
    layers: fc.record({ seam: fc.integer({ min: 1, max: 9 }), crossing: fc.integer({ min: 1, max: 12 }) }),
    operation: fc.constantFrom(...OPERATIONS),
  })
  .map(({ learner, name, structure, massGsm, thicknessMm, guesses, traits, layers, operation }) => {
    const guessed = guesses.filter((field) => field === 'massGsm' || thicknessMm !== undefined)
    return {
      learner,
      name,
      fabric: {
        structure,
        massGsm,
        ...(thicknessMm !== undefined && { thicknessMm }),
        ...(traits.length > 0 && { traits }),
        ...(guessed.length > 0 && { guessed }),
      },
      layers,
      operation,
    }
  })

describe('a sheet that was written here comes back as it was', () => {
  it.each(COUNTS)('with %i machines', (count) =>
    fc.assert(
      fc.property(fc.array(anyMachine, { minLength: count, maxLength: count }), (machines) => {
        const text = writeSheet(MACHINE, machines.map(machineCells))
        const { good, bad } = readMachineRows(readSheet(text, MACHINE))
        expect(bad).toEqual([])
        expect(good.map(({ line: _, ...machine }) => machine)).toEqual(machines)
      }),
      { numRuns: count > 5 ? 10 : 60 },
    ),
  )

  it.each(COUNTS)('with %i projects, each guess a guess', (count) =>
    fc.assert(
      fc.property(fc.array(anyProject, { minLength: count, maxLength: count }), (projects) => {
        const rows = projects.map((project) => [...projectCells(project), ...KIT_COLUMNS.map(() => '')])
        const { good, bad } = readProjectRows(readSheet(writeSheet(PROJECT, rows), PROJECT))
        expect(bad).toEqual([])
        expect(good.map(({ line: _, ...project }) => project)).toEqual(projects)
      }),
      { numRuns: count > 5 ? 10 : 60 },
    ),
  )

  it('whatever parts its cells, though cells are full of semicolons', () => {
    const cells = machineCells({ name: 'Heron', number: 1, notes: 'a; b; c', traits: ARCHETYPES[0]!.traits })
    for (const separator of [',', ';', '\t']) {
      const line = (row: readonly string[]) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(separator)
      const { good } = readMachineRows(readSheet([line(MACHINE), line(cells)].join('\n'), MACHINE))
      expect([separator, good.map(({ name, notes }) => [name, notes])]).toEqual([separator, [['Heron', 'a; b; c']]])
    }
  })
})

describe('a cell that a spreadsheet would run', () => {
  /** What spreadsheets take for a formula: by the first character, whatever follows. */
  const runs = (cell: string) => /^[=+\-@\t\r\n＝＋－＠]/.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell)
  const cellsOf = (text: string) =>
    // As a spreadsheet reads it: quotes off, doubled quotes one.
    [...text.matchAll(/(?:^|,|\r\n)(?:"((?:[^"]|"")*)"|([^,\r\n]*))/g)].map(([, quoted, plain]) =>
      quoted === undefined ? plain! : quoted.replaceAll('""', '"'),
    )

  it.each(['=1+1', '=cmd|x', '=1\n+2', '+1+1', '-2+3', '@sum(a1)', '\t=1', '\r=1', '\n=1', '＝1+1', "'=1"])(
    'is written so that it does not: %j',
    (formula) => {
      const text = writeSheet(['a', 'b'], [[formula, 'plain']])
      for (const cell of cellsOf(text).slice(2)) expect([cell, runs(cell)]).toEqual([cell, false])
      expect(readSheet(text, ['a', 'b'])[1]).toEqual([formula, 'plain'])
    },
  )

  it('is told from a number, which stays one', () => {
    expect(writeSheet(['a'], [['-1.5'], ['+2'], ['3']])).toBe('a\r\n-1.5\r\n+2\r\n3')
  })

  it('whatever anybody writes, and reads back as it was', () =>
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 8 }), { minLength: 2, maxLength: 2 }), (row) => {
        const text = writeSheet(['learner', 'project'], [row])
        for (const cell of cellsOf(text).slice(2)) expect([cell, runs(cell)]).toEqual([cell, false])
        const back = readSheet(text, ['learner', 'project'])[1]
        expect(back).toEqual(row.map((cell) => cell.replace(/\r\n|\r/g, (found) => found)))
      }),
    ))
})

describe('a line that hangs already', () => {
  const row = {
    learner: 'Ida',
    name: 'bag',
    fabric: { structure: 'woven', massGsm: 150, traits: ['dense', 'denim'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  } as unknown as Parameters<typeof alreadyHere>[0]
  const hanging = (more: object = {}) =>
    [{ ...row, projectId: 'p', ...more }] as unknown as Parameters<typeof alreadyHere>[1]

  it('is told as the same, as changed, or as new', () => {
    expect(alreadyHere(row, hanging())).toEqual({ projectId: 'p', same: true })
    expect(alreadyHere(row, hanging({ learner: ' ida ', name: 'BAG' }))).toEqual({ projectId: 'p', same: true })
    expect(alreadyHere(row, hanging({ operation: 'zigzag' }))).toEqual({ projectId: 'p', same: false })
    const fabric = { structure: 'woven', massGsm: 150, traits: ['denim', 'dense'] }
    expect(alreadyHere(row, hanging({ fabric }))).toEqual({ projectId: 'p', same: true })
    expect(alreadyHere(row, hanging({ fabric: { ...fabric, guessed: ['massGsm'] } }))!.same).toBe(false)
    expect(alreadyHere(row, hanging({ name: 'cap' }))).toBeNull()
  })
})

describe('a name', () => {
  it.each(['Ida', 'Ng', 'Åsa-Lin', 'شيرين', '🧵', "O'Neill", '李'])('%s is one', (name) => {
    expect(check(Name, name)).toBe(name)
  })
  it.each(['', '   ', 'a\nb', 'a\u0000b', 'a\tb', '\u202eabc', 'a\u2028b', 'x'.repeat(81)])(
    '%j is none, and is told why',
    (name) => {
      expect(() => check(Name, name)).toThrow(Invalid)
      try {
        check(Name, name)
      } catch (error) {
        expect((error as Invalid).message).not.toMatch(/\\|form|pattern|\^/)
      }
    },
  )
})
