import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyCorrections, foldMachine } from '../machine/fold'
import type { MachineEvent } from '../machine/event'
import { LOCK_KINDS, type LockKind } from '../machine/state'
import { anyHistory } from '../testing/histories'
import { cannotLift, locksGone, mayLift, whoLifts } from './lifting'
import { may } from '../wire/permission'
import { ROLES, type Role } from '../room/role'

const at = (hour: number) => new Date(Date.UTC(2026, 0, 1, hour)).toISOString()
let ids = 0
const line = (happening: object, hour = (ids += 1)): MachineEvent =>
  ({
    ...happening,
    eventId: `01900000-0000-7000-8000-${String((ids += 1)).padStart(12, '0')}`,
    happenedAt: at(hour),
    personId: 'ada',
  }) as MachineEvent
const correction = (of: MachineEvent, replacement?: object) =>
  line({ kind: 'correction', body: { corrects: of.eventId, because: 'a slip', ...(replacement && { replacement }) } })

/** Who can write the last line, by the law of locks alone. */
const whoMay = (...lines: MachineEvent[]): Role[] =>
  ROLES.filter((role) => cannotLift(role, foldMachine(lines.slice(0, -1)), foldMachine(lines)) === undefined)

describe('a lock goes only by a hand that may lift it', () => {
  const electrical = { kind: 'fault-opened', body: { fault: 'electrical' } }
  const jam = line({ kind: 'fault-opened', body: { fault: 'jam' } })

  it('though a learner corrects their own line again after staff made an electrical one of it', () => {
    const made = correction(jam, electrical)
    expect(whoMay(jam, made)).toEqual([...ROLES])
    expect(whoMay(jam, made, correction(jam))).toEqual(['coordinator'])
    expect(whoMay(jam, made, correction(made))).toEqual(['coordinator'])
    expect(whoMay(jam, made, correction(jam, { kind: 'noted', body: { text: 'it is nothing' } }))).toEqual([
      'coordinator',
    ])
  })

  it('though a lifted red tag that was put back is corrected once more', () => {
    const tag = line({ kind: 'red-tagged', body: { because: 'smell' } })
    const lifted = line({ kind: 'red-tag-lifted', body: { because: 'aired' } })
    const back = correction(lifted)
    expect(whoMay(tag, lifted)).toEqual(['coordinator', 'instructor'])
    expect(whoMay(tag, lifted, back)).toEqual([...ROLES])
    expect(whoMay(tag, lifted, back, correction(back))).toEqual(['coordinator', 'instructor'])
    expect(whoMay(tag, correction(tag))).toEqual(['coordinator', 'instructor'])
    // Mending its words lifts nothing.
    expect(whoMay(tag, correction(tag, { kind: 'red-tagged', body: { because: 'a smell of oil' } }))).toEqual([
      ...ROLES,
    ])
  })

  it('though an instructor calls an electrical stop a false alarm, or logs the repair', () => {
    const fault = line(electrical)
    expect(whoMay(fault, correction(fault))).toEqual(['coordinator'])
    expect(whoMay(fault, line({ kind: 'serviced', body: { by: 'x', electrical: true } }))).toEqual(['coordinator'])
    const test = line({ kind: 'electrical-test', body: { passed: false, by: 'x' } })
    expect(whoMay(test, correction(test))).toEqual(['coordinator'])
  })

  it('though a late line comes before the stop in time', () => {
    const tag = line({ kind: 'red-tagged', body: { because: 'smell' } }, 20)
    const early = line({ kind: 'red-tag-lifted', body: { because: 'x' } }, 3)
    expect(whoMay(tag, early)).toEqual([...ROLES])
    expect(foldMachine([tag, early]).locks).toHaveLength(1)
  })

  it('and whoever may not is told who can', () => {
    const fault = line(electrical)
    const said = cannotLift('instructor', foldMachine([fault]), foldMachine([fault, correction(fault)]))
    expect(said).toMatch(/Only a coordinator can/)
    for (const kind of LOCK_KINDS) expect(whoLifts(kind)).toMatch(/^Only an? /)
  })

  it('in every history, whoever writes which line: an independent watch over each lock agrees', () =>
    fc.assert(
      fc.property(anyHistory, fc.array(fc.constantFrom(...ROLES), { minLength: 25, maxLength: 25 }), (lines, roles) => {
        const landed: MachineEvent[] = []
        /** each lock that is on, by the line that made it, and the roles that wrote since it came on */
        const on = new Map<string, { kind: LockKind; since: Role[] }>()
        lines.forEach((next, index) => {
          const role = roles[index]!
          if (next.kind === 'correction' && !landed.some(({ eventId }) => eventId === next.body.corrects)) return
          const before = foldMachine(landed)
          const after = foldMachine([...landed, next])
          for (const watch of on.values()) watch.since.push(role)
          if (cannotLift(role, before, after) !== undefined) return
          landed.push(next)
          for (const [key, { kind, since }] of on) {
            if (after.locks.some((lock) => `${lock.kind} ${lock.eventId}` === key)) continue
            // It went with this line, so this line's writer is one who may lift such a lock.
            expect([kind, mayLift(since.at(-1)!, kind)]).toEqual([kind, true])
            on.delete(key)
          }
          for (const lock of after.locks) {
            const key = `${lock.kind} ${lock.eventId}`
            if (!on.has(key)) on.set(key, { kind: lock.kind, since: [] })
          }
        })
        // A learner alone never frees a machine: with only their lines after a stop, every stop stands.
        const state = foldMachine(landed)
        const more = lines.filter((each) => each.kind === 'correction' && landed.includes(each) === false)
        for (const each of more) {
          const then = foldMachine([...landed, each])
          if (locksGone(state, then).length > 0) expect(cannotLift('learner', state, then)).toBeDefined()
        }
      }),
      { numRuns: 400 },
    ))

  it('says of each line once what it counts as, so that the law sees what the fold sees', () => {
    const made = correction(jam, electrical)
    expect(applyCorrections([jam, made]).map(({ happening }) => happening?.kind)).toEqual(['fault-opened', undefined])
  })
})

describe('who may write', () => {
  it('stops a machine sooner than lets it run: everybody who can lift a lock can set one', () => {
    for (const role of ROLES) {
      expect(may(role, 'log:somebody-hurt')).toBe(true)
      expect(may(role, 'log:needle-broke')).toBe(true)
      if (mayLift(role, 'red-tag')) expect(may(role, 'log:red-tagged')).toBe(true)
    }
  })
})
