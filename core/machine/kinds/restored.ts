import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { foundAt } from '../changes'
import { kind } from './kind'

export const restored = kind({
  body: strict({}),
  filter: 'setting up',
  mayWrite: STAFF,
  fold: (state) => (state.baseline ? foundAt(state, state.baseline) : state),
  words: () => ({ title: 'Set back to its baseline', detail: '' }),
})
