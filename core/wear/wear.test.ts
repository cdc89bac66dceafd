import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
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

  it('are never owed: what remains stops at nothing', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { maxLength: 6 }), (hours) => {
        const answer = ask('hours', 0, ...hours)
        expect(answer.remainingHours).toBeGreaterThanOrEqual(0)
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
    ['every-n', 0, [16], 'change'],
    ['signs', 9, [15], 'soon'],
    ['whichever-first', 3, [0.6, 0.6, 0.6], 'change'],
  ] as const)('%s after %s projects and %s h: %s', (school, projects, hours, verdict) =>
    expect(ask(school, projects, ...hours).verdict).toBe(verdict),
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
