import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { withoutLock } from '../changes'
import { kind, Words } from './kind'

export const redTagLifted = kind({
  body: strict({ because: Words }),
  filter: 'trouble',
  mayWrite: TEACHING,
  fold: (state) => withoutLock(state, 'red-tag'),
  words: ({ because }) => ({ title: 'Red tag off', detail: because }),
  typed: { as: 'tag off', also: ['red tag off', 'red tag lifted', 'lift red tag', 'lift tag', 'untag'] },
})
