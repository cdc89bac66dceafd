import * as Type from 'typebox'
import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { camelWords } from '../../units/words'
import { kind, Words } from './kind'

/** What was said of it is not known any more: it was said of another machine, or the part is gone. */
export const traitPutAway = kind({
  body: strict({ trait: Type.String({ minLength: 1, maxLength: 80 }), words: Words }),
  filter: 'notes',
  mayWrite: TEACHING,
  words: ({ trait, words }) => ({ title: `Not known any more: ${camelWords(trait)}`, detail: `It was ${words}.` }),
})
