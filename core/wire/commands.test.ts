import { describe, expect, it } from 'vitest'
import type { LineBody } from '../machine/event'
import { ACTIONS, actionWords, permissionFor } from './permission'
import { check } from '../schema/validate'
import { ASK_PATHS } from './ask-paths'
import { ASKS, type Asked, type LineOf, type ShownCall, type ShownLeft } from './asks'
import { COMMAND_NAMES, type CommandSent } from './commands'

describe('what can be written', () => {
  it('has a permission each, and no permission to write is without its command', () => {
    const asked = COMMAND_NAMES.filter((name) => name !== 'log').map((name) => permissionFor(name, {}))
    const known = ACTIONS.filter((action) => !action.startsWith('log:') && !action.startsWith('see-'))
    // Seeing calls is a page's sight as well as what a screen says of itself.
    expect([...asked].sort()).toEqual([...known, 'see-calls'].sort())
    expect(permissionFor('log', { kind: 'oiled' })).toBe('log:oiled')
    expect(actionWords('log:needle-changed')).toBe('log needle changed')
    expect(actionWords('end-person')).toBe('end person')
  })

  it('is told by name and body when it is compiled', () => {
    const ended: CommandSent<'end-pair'> = { pairId: 'x' }
    // @ts-expect-error another command's body
    const wrong: CommandSent<'end-pair'> = { keyId: 'x' }
    // @ts-expect-error a trait that no machine has
    const trait: CommandSent<'set-trait'>['trait'] = 'colour'
    const oiled: LineBody<'oiled'> = { where: 'race' }
    // @ts-expect-error another kind's body
    const cleaned: LineBody<'oiled'> = { count: 1 }
    expect([ended, wrong, trait, oiled, cleaned]).toHaveLength(5)
  })
})

describe('what can be asked', () => {
  it('has a path each, and its question and answer are told by name when it is compiled', () => {
    expect(Object.keys(ASKS).sort()).toEqual(Object.keys(ASK_PATHS).sort())
    const question: Asked<'read-machine-sheet'> = { text: 'x' }
    // @ts-expect-error another question
    const wrong: Asked<'read-machine-sheet'> = { commandId: 'x' }
    const line: LineOf<'plan-course'> = { done: true }
    // @ts-expect-error another answer
    const other: LineOf<'plan-course'> = { kept: 'x' }
    expect([question, wrong, line, other]).toHaveLength(4)
  })

  it('as a call goes to screens with all that they draw, and with nothing that the schema does not know', () => {
    const call: ShownCall = {
      callId: '01900000-0000-7000-8000-000000000001',
      machineId: '01900000-0000-7000-8000-000000000002',
      where: 'Heron, no. 1',
      who: 'Ida',
      about: 'help',
      calledAt: '2026-03-05T18:00:00.000Z',
      since: '19:00',
      words: 'skips',
    }
    const left: ShownLeft = {
      lineId: '01900000-0000-7000-8000-000000000003',
      machineId: '01900000-0000-7000-8000-000000000002',
      where: call.where,
      who: 'Ida',
      at: '18:40',
      words: 'A turn is over',
      because: 'Bo sits there now',
      decided: { taken: true, by: 'Ada' },
    }
    const told = { now: '2026-03-05T18:00:00.000Z', calls: [call], left: [left] }
    expect(check(ASKS.told.events.calls, told)).toEqual(told)
    expect(() => check(ASKS.told.events.calls, { ...told, calls: [{ ...call, email: 'ada@room.example' }] })).toThrow(
      'not known',
    )
    expect(() => check(ASKS.told.events.calls, { ...told, left: [{ ...left, personId: call.callId }] })).toThrow(
      'not known',
    )
  })
})
