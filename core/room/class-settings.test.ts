import { describe, expect, it } from 'vitest'
import { check } from '../schema/validate'
import { rulesOfClass, staffWanted, supervisedAsks } from './class-settings'
import { ClassSettingsSchema } from './class-settings-schema'
import { DEFAULT_HOUSE_RULES } from './house-rules'

describe('a class that does something in its own way', () => {
  it('goes by the room’s rules in everything else', () => {
    const rules = { ...DEFAULT_HOUSE_RULES, beginners: true }
    expect(rulesOfClass(rules, {})).toEqual(rules)
    expect(rulesOfClass(rules, { tension: 'hands-off' })).toEqual({ ...rules, tension: 'hands-off' })
    expect(rulesOfClass(rules, { beginners: false })).toEqual({ ...rules, beginners: false })
  })

  it('says at what time it usually meets, on a clock that there is', () => {
    const usual = (from: string) => ({ usual: { from, minutes: 90, blocks: 3 } })
    expect(check(ClassSettingsSchema, usual('09:30'))).toEqual(usual('09:30'))
    expect(() => check(ClassSettingsSchema, usual('24:00'))).toThrow(/18:00/)
  })

  it('wants as many grown-ups as its learners at machines ask for, in the block that asks most', () => {
    const ofClass = { supervised: { under: 12, toOne: 4 } }
    expect([0, 1, 4, 5].map((learners) => staffWanted(ofClass, learners))).toEqual([0, 1, 1, 2])
    const seats = [1, 1, 1, 2, 2, 2, 2, 2].map((block) => ({ block }))
    expect(supervisedAsks(ofClass, seats)).toBe(
      'Under 12: one grown-up to 4 at the machines. Block 2 wants 2 grown-ups.',
    )
    expect(supervisedAsks(ofClass, [])).toBe('Under 12: one grown-up to 4 at the machines.')
    expect(supervisedAsks({}, seats)).toBeUndefined()
  })
})
