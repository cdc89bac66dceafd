import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toBeHeard, type RingingCall } from './call-ring'

const help = { callId: 'help', about: 'help' } as const
const hurt = { callId: 'hurt', about: 'hurt' } as const
const heardAt = (ms: number, ...ids: string[]) => new Map(ids.map((id) => [id, ms]))

describe('a call at a device of staff', () => {
  it('is heard when it comes, again each minute, and each ten seconds where somebody is hurt', () => {
    expect(toBeHeard([help], new Map(), 0)).toBe(help)
    expect(toBeHeard([help], heardAt(0, 'help'), 59_999)).toBeUndefined()
    expect(toBeHeard([help], heardAt(0, 'help'), 60_000)).toBe(help)
    expect(toBeHeard([hurt], heardAt(0, 'hurt'), 9_999)).toBeUndefined()
    expect(toBeHeard([hurt], heardAt(0, 'hurt'), 10_000)).toBe(hurt)
  })

  it('is heard first of all where somebody is hurt, whoever called before', () => {
    expect(toBeHeard([help, hurt], new Map(), 0)).toBe(hurt)
  })

  it('is heard no more as soon as somebody goes, and a visit never', () => {
    expect(
      toBeHeard(
        [
          { ...help, going: {} },
          { ...hurt, going: {} },
        ],
        new Map(),
        0,
      ),
    ).toBeUndefined()
    expect(toBeHeard([{ callId: 'visit', about: 'visit' }], new Map(), 0)).toBeUndefined()
  })

  it('that nobody goes to is never silent for longer than a minute, whatever else calls', () => {
    const call = fc.record({
      callId: fc.constantFrom('a', 'b', 'c', 'd'),
      about: fc.constantFrom('help', 'hurt', 'visit'),
      going: fc.option(fc.constant({}), { nil: undefined }),
    }) satisfies fc.Arbitrary<RingingCall>
    fc.assert(
      fc.property(fc.uniqueArray(call, { selector: ({ callId }) => callId, minLength: 1 }), (calls) => {
        const heard = new Map<string, number>()
        // A device looks every second; what it lets be heard takes one.
        for (let now = 0; now <= 130_000; now += 1_000) {
          const due = toBeHeard(calls, heard, now)
          if (due) heard.set(due.callId, now)
          if (now < 70_000) continue
          for (const { callId, about, going } of calls)
            if (about !== 'visit' && !going) expect(now - (heard.get(callId) ?? 0)).toBeLessThan(64_000)
        }
      }),
    )
  })
})
