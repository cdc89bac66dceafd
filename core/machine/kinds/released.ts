import { COORDINATOR } from '../../room/role'
import { strict } from '../../schema/shape'
import { withoutLock } from '../changes'
import { kind, Words } from './kind'

export const released = kind({
  body: strict({ because: Words }),
  filter: 'trouble',
  // Only after the case was opened and looked into.
  mayWrite: COORDINATOR,
  fold: (state) => withoutLock(state, 'broken-needle'),
  words: ({ because }) => ({ title: 'Released', detail: because }),
})
