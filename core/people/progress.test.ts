import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dialSchool, foldProgress, type PersonEvent } from './progress'

const event = (index: number, minute: number, what: Pick<PersonEvent, 'kind' | 'body'>): PersonEvent =>
  ({
    ...what,
    eventId: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
    happenedAt: new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString(),
    personId: 'chidi',
    writtenBy: 'tobias',
  }) as PersonEvent
const done = (index: number, minute: number, right: number, of: number) =>
  event(index, minute, { kind: 'exercise-done', body: { exercise: 'discs', right, of } })
const signed = (index: number, minute: number, kind: 'signed-off' | 'sign-off-withdrawn') =>
  event(index, minute, { kind, body: { skill: 'tension', machineKind: 'mechanical' } })

describe('somebody’s progress', () => {
  it('is the best of their tries, however many there were', () => {
    expect(foldProgress([done(1, 1, 2, 4), done(2, 2, 4, 4), done(3, 3, 1, 4)]).exercises['discs']).toMatchObject({
      tries: 3,
      best: 1,
    })
    expect(foldProgress([done(1, 1, 0, 0)]).exercises['discs']!.best).toBe(0)
  })

  it('asks for it once more next week, then after longer and longer, and at once where it was forgotten', () => {
    const DAY = 24 * 60
    const after = (days: number, right: number, ...before: PersonEvent[]) =>
      foldProgress([...before, done(9, days * DAY, right, 4)]).exercises['discs']!
    const waits = ({ againAt }: { againAt?: string }, from: number) =>
      (Date.parse(againAt!) - Date.parse(done(0, from * DAY, 0, 1).happenedAt)) / (DAY * 60_000)
    const first = done(1, 0, 4, 4)
    const again = done(2, 7 * DAY, 4, 4)
    expect(after(0, 2).againAt).toBeUndefined()
    expect(waits(after(0, 4), 0)).toBe(7)
    // Practising before its time moves nothing.
    expect(waits(after(3, 4, first), 0)).toBe(7)
    expect(waits(after(3, 1, first), 0)).toBe(7)
    expect(waits(after(7, 4, first), 7)).toBe(14)
    expect(waits(after(21, 4, first, again), 21)).toBe(28)
    expect(waits(after(21, 1, first, again), 21)).toBe(0)
    expect(waits(after(500, 4, first, again, done(3, 100 * DAY, 4, 4), done(4, 200 * DAY, 4, 4)), 500)).toBe(56)
  })

  it('keeps the latest of what was taken for what, in the order in which it was asked', () => {
    const answered = (index: number, minute: number, said: 'too-loose' | 'threading') =>
      event(index, minute, {
        kind: 'exercise-done',
        body: {
          exercise: 'read',
          right: 0,
          of: 50,
          answers: Array.from({ length: 50 }, () => ({ shown: 'threading' as const, said })),
        },
      })
    const { answers } = foldProgress([answered(2, 2, 'threading'), answered(1, 1, 'too-loose'), done(3, 3, 1, 1)])
    expect(answers).toHaveLength(80)
    expect(answers.filter(({ said }) => said === 'threading')).toHaveLength(50)
    expect(answers.at(-1)!.said).toBe('threading')
  })

  it('holds a sign-off with who and when, until it is withdrawn', () => {
    const [first, again] = [signed(1, 1, 'signed-off'), signed(2, 5, 'signed-off')]
    expect(foldProgress([first, again]).signOffs).toEqual([
      { skill: 'tension', machineKind: 'mechanical', by: 'tobias', at: again.happenedAt },
    ])
    expect(foldProgress([first, signed(3, 9, 'sign-off-withdrawn')]).signOffs).toEqual([])
    expect(foldProgress([signed(3, 0, 'sign-off-withdrawn'), first]).signOffs).toHaveLength(1)
  })

  it('lets them turn the dial where the room does, on the kind of machine they were seen at', () => {
    const progress = foldProgress([signed(1, 1, 'signed-off')])
    expect(dialSchool('hands-on', progress, 'mechanical')).toBe('hands-on')
    expect(dialSchool('hands-on', progress, 'computerised')).toBe('hands-off')
    expect(dialSchool('hands-on', undefined, 'mechanical')).toBe('hands-off')
    expect(dialSchool('hands-off', progress, 'mechanical')).toBe('hands-off')
  })

  it('does not depend on the order in which lines come, nor on lines that come twice', () => {
    const anyEvents = fc.array(
      fc
        .tuple(fc.nat(20), fc.constantFrom('done', 'signed-off', 'sign-off-withdrawn' as const), fc.nat(4))
        .map(([minute, kind, right]) => ({ minute, kind, right })),
      { maxLength: 15 },
    )
    fc.assert(
      fc.property(anyEvents, fc.array(fc.nat()), (raw, shuffle) => {
        const events = raw.map(({ minute, kind, right }, index) =>
          kind === 'done' ? done(index, minute, right, 4) : signed(index, minute, kind as 'signed-off'),
        )
        const mixed = events
          .map((each, index) => ({ each, key: shuffle[index] ?? index }))
          .sort((a, b) => a.key - b.key)
          .map(({ each }) => each)
        expect(foldProgress([...mixed, ...mixed.slice(0, 3)])).toEqual(foldProgress(events))
      }),
    )
  })
})
