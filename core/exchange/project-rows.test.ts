import { describe, expect, it } from 'vitest'
import { NAMED_FABRICS } from '../knowledge/cloth/named-fabric'
import { Invalid } from '../schema/invalid'
import { PROJECT_COLUMNS, projectCells, readProjectRows } from './project-rows'

const heading = ['Learner', 'Project', 'Cloth', 'Operation', 'mass gsm', 'Traits', 'Seam layers', 'Crossing layers']
const read = (...lines: string[][]) => readProjectRows([heading, ...lines])

describe('a sheet of projects', () => {
  it('gives good lines and bad ones apart, each bad one with its line, column and reason', () => {
    const { good, bad } = read(
      ['Ida', 'bag', 'woven', 'seam', '210', 'dense; slippery', '2', '4'],
      ['', 'bag', 'woven', 'seam', '210', '', '2', '4'],
      ['Jon', 'bag', 'woven', 'sewing', '210', '', '2', '4'],
      ['', '', '', '', '', '', '', ''],
      ['Kim', 'bag', 'cheese', 'seam', '210', '', '2', '4'],
      ['Lev', 'bag', 'woven', 'seam', 'heavy', '', '2', '4'],
      ['Mo', 'bag', 'woven', 'seam', '', '', '2', '4'],
      ['Nia', 'bag', 'woven', 'seam', '90', 'shiny', '2', '4'],
      ['Ole', 'bag', 'woven', 'seam', '90', '', '0', '4'],
      ['Pia', 'hem', 'knit', 'Knit hem', '180,5', '', '', ''],
    )
    expect(good.map(({ line, learner }) => [line, learner])).toEqual([
      [2, 'Ida'],
      [11, 'Pia'],
    ])
    expect(good[0]).toMatchObject({ fabric: { traits: ['dense', 'slippery'] }, layers: { seam: 2, crossing: 4 } })
    expect(good[1]).toMatchObject({
      operation: 'knit-hem',
      fabric: { massGsm: 180.5 },
      layers: { seam: 2, crossing: 2 },
    })
    expect(bad.map(({ line, column }) => [line, column])).toEqual([
      [3, 'learner'],
      [4, 'operation'],
      [6, 'cloth'],
      [7, 'mass_gsm'],
      [8, 'mass_gsm'],
      [9, 'traits'],
      [10, 'seam_layers'],
    ])
    expect(bad[1]!.because).toContain('must be one of seam, zigzag')
  })

  it('takes a cloth by name with its middling numbers, marked as guesses, and a measured number before them', () => {
    const { good } = read(
      ['Ida', 'bag', 'Poplin', 'seam', '', '', '', ''],
      ['Jon', 'bag', 'poplin', 'seam', '131', '', '', ''],
    )
    const poplin = NAMED_FABRICS.find(({ name }) => name === 'poplin')!
    expect(good[0]!.fabric).toMatchObject({ massGsm: poplin.massGsm, guessed: ['massGsm', 'thicknessMm'] })
    expect(good[1]!.fabric).toMatchObject({ massGsm: 131, guessed: ['thicknessMm'] })
  })

  it('says which columns are missing or strange', () => {
    expect(() => readProjectRows([['learner', 'project']])).toThrow(/missing are cloth, operation/)
    expect(() => readProjectRows([[...heading, 'shoe size']])).toThrow(/No such column: shoe_size/)
    expect(() => readProjectRows([])).toThrow(Invalid)
  })

  it('is read back as it was written, but for what was only guessed', () => {
    const { good } = read(['Ida', 'bag', 'woven', 'seam', '210', 'dense; slippery', '2', '4'])
    const again = readProjectRows([[...PROJECT_COLUMNS], projectCells(good[0]!)])
    expect(again).toEqual({ good, bad: [] })
  })
})
