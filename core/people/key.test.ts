import { describe, expect, it } from 'vitest'
import { asksNoMore } from './key'

describe('a calendar', () => {
  const madeAt = '2026-05-01T10:00:00Z'
  const key = { purpose: 'care-feed', madeAt } as const

  it('asks no more once three days went by since it asked, or since its key was made and nothing came', () => {
    expect(asksNoMore(key, '2026-05-04T10:00:00Z')).toBe(false)
    expect(asksNoMore(key, '2026-05-04T10:00:01Z')).toBe(true)
    const used = { ...key, usedAt: '2026-05-20T06:00:00Z' }
    expect(asksNoMore(used, '2026-05-23T06:00:00Z')).toBe(false)
    expect(asksNoMore(used, '2026-05-23T06:00:01Z')).toBe(true)
  })

  it('alone promises to ask: a meter tells when its machine sews, a tablet when somebody takes it in hand', () => {
    for (const purpose of ['run-meter', 'room-tablet'] as const)
      expect(asksNoMore({ purpose, madeAt }, '2027-01-01T00:00:00Z')).toBe(false)
  })
})
