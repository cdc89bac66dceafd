import { describe, expect, it } from 'vitest'
import { GATES, type Gate } from '../knowledge/tension/tension'
import { after } from '../testing/dials'
import type { SwatchAt, TensionQuestion } from './next-step'

const ask = (swatch: Partial<SwatchAt>, more: Partial<TensionQuestion> = {}) =>
  after([{ dial: 4, top: 'own', under: 'own', ...swatch }], more)

describe('the next step after a swatch', () => {
  it('is nothing when both faces are right for the stitch', () => {
    expect(ask({})).toMatchObject({ s: 0, reading: 'balanced', next: { do: 'done' } })
    expect(ask({ under: 'dots' }, { target: 'zigzag' })).toMatchObject({
      reading: 'right-for-stitch',
      next: { do: 'done' },
    })
    // Own colour on both faces does for a zigzag that lies flat.
    expect(ask({}, { target: 'zigzag' }).next.do).toBe('done')
    expect(ask({ signs: ['ridge'] }, { target: 'zigzag' }).reading).toBe('top-little-tight')
    expect(ask({}, { target: 'embroidery' }).reading).toBe('top-little-tight')
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

  describe('of a dial that was found off', () => {
    const off: Partial<SwatchAt> = { dial: 7, top: 'line' }
    it('is to put it back and sew again, before signs, nests and gates', () => {
      for (const look of [off, { ...off, signs: ['skipped' as const] }, { dial: 7, under: 'nest' as const }])
        expect(ask(look, { done: [], role: 'learner', school: 'hands-off' }).next).toEqual({ do: 'restore', dial: 4 })
      expect(ask({ dial: 4, top: 'dots' }, { start: 2.5 }).next).toEqual({ do: 'restore', dial: 2.5 })
    })

    it('is nothing when the swatch is good, though far from the start that is noted', () => {
      expect(ask({ dial: 7 })).toMatchObject({
        next: { do: 'done' },
        because: expect.stringContaining('a note for staff') as string,
      })
      expect(ask({ dial: 5.5 }).because).not.toContain('note for staff')
    })

    it('is no longer that once it was put back, nor where the adviser itself sent it', () => {
      const back = [
        { dial: 7, top: 'line', under: 'own' },
        { dial: 4, top: 'dots', under: 'own' },
      ] as const
      expect(ask({}, { swatches: back }).next.do).toBe('dial')
      const sent = [
        { dial: 4, top: 'line', under: 'own' },
        { dial: 1.5, top: 'dots', under: 'own' },
      ] as const
      expect(ask({}, { swatches: sent }).next.do).not.toBe('restore')
      // A whole number off is not off.
      expect(ask({ dial: 5, top: 'dots' }, { done: [] }).next.do).toBe('rethread')
    })
  })

  it('keeps a learner within two numbers of the start, and staff to the ends of the dial', () => {
    const down = [
      { dial: 4, top: 'line', under: 'own' },
      { dial: 2, top: 'dots', under: 'own' },
    ] as const
    expect(ask({}, { swatches: down, role: 'learner' }).next.do).toBe('call-mentor')
    expect(ask({}, { swatches: down }).next).toMatchObject({ do: 'dial' })
    const end = [
      { dial: 1, top: 'line', under: 'own' },
      { dial: 0, top: 'dots', under: 'own' },
    ] as const
    expect(ask({}, { swatches: end, start: 1 }).next.do).toBe('service')
    expect(ask({}, { swatches: end, start: 1, bobbinScrew: true }).next.do).toBe('bobbin-screw')
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
