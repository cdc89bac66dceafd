import { describe, expect, it } from 'vitest'
import { GATES, type Gate } from '../knowledge/tension'
import { nextStep, type SwatchAt, type TensionQuestion } from './next-step'

const dial = { min: 0, max: 9, normal: 4, step: 0.5 }
const ask = (swatch: Partial<SwatchAt>, more: Partial<TensionQuestion> = {}) =>
  nextStep({
    dial,
    target: 'straight',
    done: [...GATES],
    swatches: [{ dial: 4, top: 'own', under: 'own', ...swatch }],
    role: 'staff',
    school: 'hands-on',
    bobbinScrew: false,
    ...more,
  })

describe('the next step after a swatch', () => {
  it('is nothing when both faces are right for the stitch', () => {
    expect(ask({})).toMatchObject({ s: 0, reading: 'balanced', next: { do: 'done' } })
    expect(ask({ under: 'dots' }, { target: 'zigzag' })).toMatchObject({
      reading: 'right-for-stitch',
      next: { do: 'done' },
    })
    expect(ask({}, { target: 'zigzag' }).reading).toBe('top-little-tight')
  })

  it('goes through the gates in order, the dial last', () => {
    const done: Gate[] = []
    const steps = GATES.map((gate) => {
      const step = ask({ top: 'dots' }, { done: [...done] }).next.do
      done.push(gate)
      return step
    })
    expect(steps).toEqual(['rethread', 'change-needle', 'check-bobbin', 'match-thread', 'clean'])
    expect(ask({ top: 'dots' }).next).toEqual({ do: 'dial', dial: 3 })
    expect(ask({ under: 'dots' }).next).toEqual({ do: 'dial', dial: 5 })
  })

  it('is threading for a nest, whatever has been done, and a mentor when it comes back', () => {
    expect(ask({ under: 'nest' }, { done: [] })).toMatchObject({ reading: 'threading', next: { do: 'rethread' } })
    expect(ask({ under: 'nest' }, { role: 'learner' }).next.do).toBe('call-mentor')
    expect(ask({ under: 'nest' }).next.do).toBe('not-the-dial')
  })

  it('never turns the dial for skips, shredding or both faces off', () => {
    expect(ask({ top: 'dots', signs: ['skipped'] }, { done: [] }).next.do).toBe('change-needle')
    expect(ask({ top: 'dots', signs: ['skipped'] }).next.do).toBe('not-the-dial')
    expect(ask({ signs: ['shredding'] }, { done: ['needle'] }).next.do).toBe('match-thread')
    expect(ask({ top: 'dots', under: 'dots' })).toMatchObject({ reading: 'mixed', next: { do: 'not-the-dial' } })
  })

  it('keeps the dial within two numbers of the start and hands over there', () => {
    expect(ask({ top: 'dots', dial: 2 }).next.do).toBe('service')
    expect(ask({ top: 'dots', dial: 2 }, { role: 'learner' }).next.do).toBe('call-mentor')
    expect(ask({ top: 'line', dial: 0 }, { start: 1, bobbinScrew: true }).next.do).toBe('bobbin-screw')
    expect(ask({ top: 'dots' }, { role: 'learner', school: 'hands-off' }).next.do).toBe('call-mentor')
  })

  it('looks past a balanced seam at the cloth', () => {
    expect(['puckered', 'ridge', 'wobble'].map((sign) => ask({ signs: [sign as 'ridge'] }).next.do)).toEqual([
      'stitch-length',
      'stabilise',
      'guide',
    ])
  })
})
