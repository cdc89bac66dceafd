import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NEEDLE_LIFE } from '../knowledge/needle/wear'
import { loadOf, needleWear, type WearQuestion } from './wear'

const uses = (...hours: number[]) => hours.map((each) => ({ load: 'ordinary' as const, motorMinutes: each * 60 }))
const ask = (school: WearQuestion['school'], projects: number, ...hours: number[]) =>
  needleWear({ school, projects, uses: uses(...hours) })

describe('effective hours', () => {
  it('count motor time, chair time by duty, and stitches by speed, each times its load', () => {
    const { effectiveHours } = needleWear({
      school: 'hours',
      projects: 0,
      uses: [
        { load: 'ordinary', motorMinutes: 60 },
        { load: 'hard', chairMinutes: 400 },
        { load: 'harsh', stitches: 24_000, stitchesPerMinute: 400 },
      ],
    })
    expect(effectiveHours).toBeCloseTo(1 + 1.5 + 2, 9)
  })

  it('reckon stitches at the usual speed where nobody told another', () =>
    expect(
      needleWear({
        school: 'hours',
        projects: 0,
        uses: [{ load: 'ordinary', stitches: 60 * NEEDLE_LIFE.stitchesPerMinute }],
      }).effectiveHours,
    ).toBeCloseTo(1, 9))

  it('are never owed: what remains is what is not used up, and stops at nothing', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { maxLength: 6 }), (hours) => {
        const answer = ask('hours', 0, ...hours)
        const used = hours.reduce((sum, each) => sum + each, 0)
        expect(answer.remainingHours).toBeCloseTo(Math.max(0, 8 - used), 6)
        expect(answer.verdict === 'change').toBe(answer.effectiveHours >= 8)
      }),
    ))
})

describe('the schools', () => {
  it.each([
    ['hours', 5, [5.9], 'keep'],
    ['hours', 0, [6], 'soon'],
    ['hours', 0, [8], 'change'],
    ['project', 1, [1], 'keep'],
    ['project', 1, [2.1], 'change'],
    ['every-n', 3, [1, 1, 1], 'change'],
    ['every-n', 3, [0.2, 0.2, 0.2], 'keep'],
    ['every-n', 2, [1, 1], 'soon'],
    ['every-n', 3, [0.5, 0.5, 0.5], 'change'],
    ['every-n', 0, [16], 'change'],
    ['signs', 9, [15], 'soon'],
    ['whichever-first', 3, [0.6, 0.6, 0.6], 'change'],
  ] as const)('%s after %s projects and %s h: %s', (school, projects, hours, verdict) =>
    expect(ask(school, projects, ...hours).verdict).toBe(verdict),
  )

  it.each([
    // Uses that match the projects one to one tell which of them counts; the heaviest is known.
    ['whichever-first', 3, [1.2, 0.1, 0.1], 'keep', {}],
    ['project', 2, [0.1, 2.4], 'change', {}],
    ['project', 2, [1.2, 1.2], 'keep', {}],
    // Where they do not match, each project had its share: four hours over two is two hours each.
    ['project', 2, [4], 'change', {}],
    ['project', 2, [3.8], 'keep', {}],
    ['project', 0, [7], 'soon', {}],
    ['every-n', 3, [1.5], 'change', {}],
    ['every-n', 3, [1.4], 'soon', {}],
    ['every-n', 1, [9], 'change', { n: 1 }],
    // One project is the rule: there is no "one more".
    ['every-n', 0, [0.2], 'keep', { n: 1 }],
    ['hours', 9, [5], 'keep', {}],
    ['project', 1, [2], 'change', {}],
    ['whichever-first', 1, [2.5], 'keep', {}],
  ] as const)(
    '%s after %s projects and %j h, with each project’s share: %s',
    (school, projects, hours, verdict, more) =>
      expect(needleWear({ school, projects, uses: uses(...hours), ...more }).verdict).toBe(verdict),
  )

  it.each([
    ['hours', 8],
    ['project', 8],
    ['whichever-first', 8],
    ['every-n', 16],
    ['signs', 16],
  ] as const)('%s runs out at %s hours', (school, hours) =>
    expect(needleWear({ school, projects: 0, uses: [] }).remainingHours).toBe(hours),
  )

  it('all give way to a sign', () => {
    const answer = needleWear({ school: 'signs', projects: 0, uses: uses(0.1), signs: ['popping'] })
    expect(answer).toMatchObject({ verdict: 'change', remainingHours: 0 })
    expect(answer.because).toContain('popping')
  })
})

describe('how hard a cloth is on a needle', () => {
  it.each([
    [{ structure: 'woven' }, undefined, 'ordinary'],
    [{ structure: 'woven', traits: ['denim'] }, undefined, 'hard'],
    [{ structure: 'pile' }, undefined, 'hard'],
    [{ structure: 'coated' }, undefined, 'hard'],
    [{ structure: 'knit', traits: ['elastane'] }, undefined, 'ordinary'],
    [{ structure: 'leather' }, undefined, 'harsh'],
    [{ structure: 'rope' }, undefined, 'harsh'],
    [{ structure: 'coated', traits: ['imitation-leather'] }, undefined, 'harsh'],
    [{ structure: 'woven' }, { fibre: 'metallic' }, 'harsh'],
    [{ structure: 'woven', traits: ['dense'] }, { fibre: 'polyester' }, 'hard'],
  ] as const)('%j with %j is %s', (fabric, thread, load) => {
    expect(loadOf(fabric, thread)).toBe(load)
  })
})
