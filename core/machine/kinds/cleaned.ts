import * as Type from 'typebox'
import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { staleAfter } from '../changes'
import { kind, Words } from './kind'

export const cleaned = kind({
  body: strict({ found: Type.Optional(Words) }),
  filter: 'care',
  mayWrite: STAFF,
  fold: (state) => staleAfter(state, 'bobbin'),
  care: (counts) => ({ ...counts, bobbinsSinceClean: 0, daysSinceClean: 0, linty: false }),
  words: ({ found }) => ({ title: 'Cleaned', detail: found ? `Found: ${found}.` : '' }),
})
