import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STRUCTURES, TRAITS_OF_FABRIC } from '../knowledge/cloth/fabric'
import { OPERATIONS } from '../knowledge/stitch/stitch'
import { Invalid } from '../schema/invalid'
import { Name, ProjectSchema, type ProjectFacts } from '../kit/project'
import { check } from '../schema/validate'
import { PROJECT_COLUMNS, projectCells, readProjectRows } from './project-rows'

/** Cells as people and spreadsheets write them: decimal commas, stray spaces, marks of other programs, other scripts. */
const anyCell = fc.oneof(
  fc.constantFrom(
    '',
    ' ',
    '12',
    '12,5',
    '1.234,5',
    '-3',
    '1e3',
    '∞',
    'NaN',
    '=1+1',
    '"',
    "'",
    '\t',
    '\u00a0',
    'n/a',
    '½',
  ),
  fc.constantFrom(...STRUCTURES, ...OPERATIONS, ...TRAITS_OF_FABRIC, 'poplin', 'Poplin '),
  fc.string({ maxLength: 12 }),
  fc.string({ unit: 'grapheme', maxLength: 6 }),
)
const heading = [...PROJECT_COLUMNS]
const anySheet = fc.array(fc.array(anyCell, { maxLength: heading.length + 2 }), { maxLength: 12 })

const isName = (text: string): boolean => {
  try {
    return check(Name, text) === text && text.trim().length > 0
  } catch {
    return false
  }
}
const anyName = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 }).filter(isName)

const anyProject: fc.Arbitrary<ProjectFacts & { learner: string }> = fc
  .record({
    learner: anyName,
    name: anyName,
    structure: fc.constantFrom(...STRUCTURES),
    massGsm: fc.integer({ min: 1, max: 20_000 }).map((tenths) => tenths / 10),
    thicknessMm: fc.integer({ min: 1, max: 800 }).map((hundredths) => hundredths / 100),
    stretchPercent: fc.option(fc.integer({ min: 0, max: 150 }), { nil: undefined }),
    traits: fc.uniqueArray(fc.constantFrom(...TRAITS_OF_FABRIC), { maxLength: 4 }),
    seam: fc.integer({ min: 1, max: 12 }),
    crossing: fc.integer({ min: 1, max: 12 }),
    operation: fc.constantFrom(...OPERATIONS),
    sewn: fc.option(fc.record({ seamM: fc.integer({ min: 1, max: 90 }), starts: fc.integer({ min: 1, max: 40 }) }), {
      nil: undefined,
    }),
  })
  .map(
    ({ learner, name, structure, massGsm, thicknessMm, stretchPercent, traits, seam, crossing, operation, sewn }) => ({
      learner: learner.trim(),
      name: name.trim(),
      fabric: {
        structure,
        massGsm,
        thicknessMm,
        ...(stretchPercent !== undefined && { stretchPercent }),
        ...(traits.length > 0 && { traits }),
      },
      layers: { seam, crossing },
      operation,
      ...(sewn && { sewn }),
    }),
  )

describe('a sheet of projects from anywhere', () => {
  it('is read line by line whatever is in it, and every line that says something is answered for once', () =>
    fc.assert(
      fc.property(anySheet, (lines) => {
        const { good, bad } = readProjectRows([heading, ...lines])
        const told = lines.flatMap((cells, index) => (cells.some((cell) => cell.trim() !== '') ? [index + 2] : []))
        expect([...good, ...bad].map(({ line }) => line).sort((a, b) => a - b)).toEqual(told)
        for (const { because, column, cells } of bad) {
          expect(because.length).toBeGreaterThan(5)
          expect(PROJECT_COLUMNS).toContain(column)
          expect(lines).toContainEqual(cells)
        }
        for (const { line: _, learner, ...project } of good) {
          expect(check(ProjectSchema, project)).toBe(project)
          expect(learner.trim()).not.toBe('')
        }
      }),
      { numRuns: 400 },
    ))

  it('says what is wrong with its heading, and never anything but that', () =>
    fc.assert(
      fc.property(fc.array(anyCell, { maxLength: 14 }), (cells) => {
        try {
          expect(readProjectRows([cells]).good).toEqual([])
        } catch (error) {
          expect(error).toBeInstanceOf(Invalid)
          expect((error as Invalid).message).toContain('Known are learner, project, cloth, operation')
        }
      }),
    ))

  it('brings back every project that was written out, to the letter', () =>
    fc.assert(
      fc.property(fc.array(anyProject, { minLength: 1, maxLength: 6 }), (projects) => {
        const { good, bad } = readProjectRows([heading, ...projects.map(projectCells)])
        expect(bad).toEqual([])
        expect(good.map(({ line: _, ...project }) => project)).toEqual(projects)
      }),
      { numRuns: 300 },
    ))

  it('does not care for the order of its columns, nor how their names are spelt', () =>
    fc.assert(
      fc.property(
        anyProject,
        fc.shuffledSubarray([...PROJECT_COLUMNS.keys()], { minLength: PROJECT_COLUMNS.length }),
        fc.constantFrom(
          (text: string) => text,
          (text: string) => ` ${text.toUpperCase().replaceAll('_', ' ')} `,
        ),
        (project, order, spelt) => {
          const cells = projectCells(project)
          const rows = [order.map((at) => spelt(PROJECT_COLUMNS[at]!)), order.map((at) => cells[at]!)]
          expect(readProjectRows(rows).good.map(({ line: _, ...each }) => each)).toEqual([project])
        },
      ),
    ))
})
