import { describe, expect, it } from 'vitest'
import type { LineBody } from '../machine/event'
import { ACTIONS, permissionFor } from './permission'
import { COMMAND_NAMES, type CommandSent } from './commands'

describe('what can be written', () => {
  it('has a permission each, and no permission to write is without its command', () => {
    const asked = COMMAND_NAMES.filter((name) => name !== 'log').map((name) => permissionFor(name, {}))
    const known = ACTIONS.filter((action) => !action.startsWith('log ') && !action.startsWith('see-'))
    // Seeing calls is a page's sight as well as what a screen says of itself.
    expect([...asked].sort()).toEqual([...known, 'see-calls'].sort())
    expect(permissionFor('log', { kind: 'oiled' })).toBe('log oiled')
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
