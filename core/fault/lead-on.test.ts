import { describe, expect, it } from 'vitest'
import { seatCheck } from '../check/seat-check'
import { ARCHETYPES } from '../knowledge/machine/archetype'
import { AFTER_FAIL, CHECK_GROUPS, type CheckGroup } from '../knowledge/check/check'
import { ifFailed } from '../machine/failed-step'
import { CAUSES } from '../knowledge/fault/fault'
import { SWATCH_SIGNS, TARGETS, TOP_LOOKS, UNDER_LOOKS } from '../knowledge/tension/tension'
import { SYMPTOMS } from '../knowledge/fault/symptom'
import { readSwatch } from '../tension/reading'
import { findFault } from './fault'
import { gravest } from './gravest'
import { afterFail, SYMPTOM_OF_GROUP, symptomOfSwatch } from './lead-on'

describe('what did not pass', () => {
  it('leads from every group of a check to a symptom that has checks, and says what to do at once', () => {
    for (const group of CHECK_GROUPS) {
      const symptom = SYMPTOM_OF_GROUP[group]
      expect(SYMPTOMS).toContain(symptom)
      expect(symptom === 'electrical' ? [] : CAUSES[symptom].length).toBeGreaterThan(0)
      expect(AFTER_FAIL[group]).toMatch(/\.$/)
    }
  })

  it('takes what the step saw along as evidence: a raised foot leads to the foot, a lowered one to threading again', () => {
    const first = (step: string) => {
      const { symptom, known } = ifFailed({ step, group: 'settings' })
      return findFault({ symptom: symptom ?? 'nest-at-start', ...(known && { known }) }).checks[0]!.check
    }
    expect(first('foot-down')).toBe('foot-down')
    expect(first('foot-up')).toBe('rethread-foot-up')
  })

  it('is led by the gravest: what can hurt or stops goes before what only sews badly, in whichever order they come', () => {
    const failed = (step: string, group: CheckGroup) => ({ step, group, after: afterFail({ step, group }) })
    const all = [failed('line', 'line'), failed('room-cord', 'settings'), failed('turn-by-hand', 'no-touch')]
    expect(gravest(all)!.step).toBe('room-cord')
    expect(gravest([...all].reverse())!.step).toBe('room-cord')
    expect(gravest([all[2]!, all[0]!])!.step).toBe('turn-by-hand')
    expect(gravest([])).toBeUndefined()
    // Whatever stops a machine goes before every group that does not.
    for (const group of CHECK_GROUPS) {
      const goesOn = { step: 'goes on', group, after: { ...afterFail({ step: 'line', group: 'line' }) } }
      const stops = {
        ...goesOn,
        step: 'stops',
        group: 'line' as const,
        after: { ...goesOn.after, stops: 'do-not-sew' as const },
      }
      expect(gravest([goesOn, stops])!.step).toBe('stops')
    }
  })

  it('leads from every swatch that is not right to a symptom, and from a good one to none', () => {
    for (const target of TARGETS)
      for (const top of TOP_LOOKS)
        for (const under of UNDER_LOOKS) {
          const { reading, onTarget } = readSwatch({ top, under }, target)
          const symptom = symptomOfSwatch(reading, [])
          expect([target, top, under, symptom === undefined]).toEqual([target, top, under, onTarget])
        }
    expect(symptomOfSwatch('threading', [])).toBe('nest-at-start')
    expect(symptomOfSwatch('top-far-tight', [])).toBe('bobbin-on-top')
  })

  it('lets a sign go before the balance: skips are the needle, however the faces look', () => {
    expect(symptomOfSwatch('top-little-tight', ['skipped'])).toBe('skipped')
    expect(symptomOfSwatch('balanced', ['puckered'])).toBe('puckers')
    expect(symptomOfSwatch('balanced', ['wobble'])).toBeUndefined()
    for (const sign of SWATCH_SIGNS)
      expect(SYMPTOMS.concat()).toEqual(expect.arrayContaining([symptomOfSwatch('mixed', [sign])]))
  })
})

describe('a machine’s own way of a check', () => {
  it.each(ARCHETYPES.map(({ id, traits }) => [id, traits] as const))(
    'is told for threading, bobbin, needle and dial on a %s',
    (_, traits) => {
      const told = new Set(seatCheck(traits).flatMap(({ checks }) => checks ?? []))
      for (const check of ['rethread-foot-up', 'spool-path', 'bobbin-seated', 'take-up', 'needle-seated'] as const)
        expect([check, told.has(check)]).toEqual([check, true])
    },
  )
})
