import { describe, expect, it } from 'vitest'
import { may, STAFF_ROLES, toCorrect } from './role'

describe('taking a line back', () => {
  const allowed = (line: Parameters<typeof toCorrect>[0]) => STAFF_ROLES.filter((role) => may(role, toCorrect(line)))

  it('asks as much as writing it, so that a slip can be undone by whoever made it', () => {
    expect(allowed({ kind: 'fault-opened', body: { fault: 'jam' } })).toEqual(['coordinator', 'instructor', 'helper'])
    expect(allowed({ kind: 'cleaned', body: {} })).toContain('helper')
    expect(may('learner', toCorrect({ kind: 'fault-opened', body: { fault: 'jam' } }))).toBe(true)
  })

  it('asks more where it lets a stopped machine run again', () => {
    expect(allowed({ kind: 'red-tagged', body: { because: 'smell' } })).toEqual(['coordinator', 'instructor'])
    expect(allowed({ kind: 'fault-opened', body: { fault: 'electrical' } })).toEqual(['coordinator', 'instructor'])
    expect(may('learner', toCorrect({ kind: 'fault-opened', body: { fault: 'electrical' } }))).toBe(false)
  })
})
