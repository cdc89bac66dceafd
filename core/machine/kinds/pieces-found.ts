import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { withoutLock } from '../changes'
import { kind } from './kind'

export const piecesFound = kind({
  body: strict({}),
  filter: 'trouble',
  mayWrite: STAFF,
  fold: (state) => withoutLock(state, 'broken-needle'),
  words: () => ({
    title: 'Every piece found',
    detail: 'The broken needle is whole again on the table; the machine is released.',
  }),
  typed: { as: 'pieces found' },
})
