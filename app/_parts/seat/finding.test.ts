import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHECKS, type FaultCheck } from '@/core/knowledge/fault/fault-check'
import { SYMPTOMS } from '@/core/knowledge/fault/symptom'
import { eventBody } from '@/core/machine/event'
import { check } from '@/core/schema/validate'
import { finding, findingFrom, runLine, standOf, type Finding, type FoundSaid } from './finding'

const asked = { known: {}, cures: {}, brokenKnown: false, role: 'staff' } as const
const CHECK_NAMES = Object.keys(CHECKS) as FaultCheck[]

/** What may be said where one stands: what is offered there, and the way back. */
const sayings = (found: Finding, as: Parameters<typeof standOf>[1]): FoundSaid[] => {
  const stand = standOf(found, as)
  const back = { say: 'back' } as const
  switch (stand.ask) {
    case 'symptom':
      return SYMPTOMS.map((symptom) => ({ say: 'symptom', symptom }))
    case 'electrical':
      return [back]
    case 'pieces':
      return [{ say: 'broke' }, back]
    case 'cured':
      return [{ say: 'still-there' }, back]
    case 'look': {
      const { check } = stand.next
      return [{ say: 'found', check }, { say: 'not-that', check }, { say: 'skip', check }, back]
    }
    case 'hand-on':
      return [back]
  }
}

const anyWalk = fc.record({
  taps: fc.array(fc.nat({ max: 99 }), { maxLength: 30 }),
  role: fc.constantFrom('learner' as const, 'staff' as const),
  brokenKnown: fc.boolean(),
})
const walk = (taps: readonly number[], as: Parameters<typeof standOf>[1], from = findingFrom(undefined)) =>
  taps.reduce((found, tap) => {
    const may = sayings(found, as)
    return finding(found, may[tap % may.length]!)
  }, from)

describe('looking for a fault', () => {
  it('never looks at the same thing twice, and lets nobody look at what is not for them', () =>
    fc.assert(
      fc.property(anyWalk, ({ taps, ...who }) => {
        const as = { ...asked, ...who }
        const found = walk(taps, as)
        const seen = found.answers.map(({ check: each }) => each)
        expect(new Set(seen).size).toBe(seen.length)
        const stand = standOf(found, as)
        if (stand.ask === 'look') {
          expect([...seen, ...found.skipped]).not.toContain(stand.next.check)
          expect(stand.next.who).not.toBe('technician')
          if (who.role === 'learner') expect(stand.next.who).toBe('learner')
        }
      }),
    ))

  it('undoes each step by going back, down to what is seen', () =>
    fc.assert(
      fc.property(anyWalk, ({ taps, ...who }) => {
        const as = { ...asked, ...who }
        const found = walk(taps, as)
        for (const said of sayings(found, as)) {
          if (said.say !== 'skip' && said.say !== 'found') continue
          expect(finding(finding(found, said), { say: 'back' })).toEqual(found)
        }
        let back = found
        for (let step = 0; step < CHECK_NAMES.length * 2 && back.symptom; step += 1)
          back = finding(back, { say: 'back' })
        expect(standOf(back, as).ask).toBe('symptom')
      }),
    ))

  it('ends as a line that the book takes, with the cure as its last answer', () =>
    fc.assert(
      fc.property(anyWalk, fc.boolean(), ({ taps, ...who }, cured) => {
        const found = walk(taps, { ...asked, ...who })
        if (!found.symptom) return
        const cure = cured ? found.found : undefined
        const line = runLine(found, found.symptom, cure ? 'cured' : 'left', { cured: cure })
        expect(check(eventBody('fault-run'), line)).toEqual(line)
        expect(line.answers.filter((answer) => answer.found).map((answer) => answer.check)).toEqual(cure ? [cure] : [])
      }),
    ))

  it('asks where the pieces are before anything else, once, and not when the book knows of the break', () => {
    const broke = findingFrom('needle-breaks')
    expect(standOf(broke, asked).ask).toBe('pieces')
    expect(standOf(finding(broke, { say: 'broke' }), asked).ask).toBe('look')
    expect(standOf(broke, { ...asked, brokenKnown: true }).ask).toBe('look')
  })

  it('offers nothing to look at where it is electrical', () => {
    expect(standOf(findingFrom('electrical'), asked)).toEqual({ ask: 'electrical', symptom: 'electrical' })
  })

  it('that a cure did not help is an answer, and the next is looked at', () => {
    const first = findingFrom('skipped')
    const stand = standOf(first, asked)
    if (stand.ask !== 'look') throw new Error('something can be looked at')
    const { check: tried } = stand.next
    const found = finding(first, { say: 'found', check: tried })
    expect(standOf(found, asked)).toMatchObject({ ask: 'cured', found: tried })
    const after = finding(found, { say: 'still-there' })
    expect(after.answers).toEqual([{ check: tried, found: false }])
    expect(standOf(after, asked)).toMatchObject({ ask: 'look' })
  })
})
