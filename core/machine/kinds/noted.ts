import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { kind, Words } from './kind'

export const noted = kind({
  body: strict({ text: Words }),
  filter: 'notes',
  mayWrite: STAFF,
  words: ({ text }) => ({ title: 'Note', detail: text }),
  typed: { as: 'note' },
})
