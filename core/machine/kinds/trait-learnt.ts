import * as Type from 'typebox'
import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { camelWords } from '../../units/words'
import { kind, Words } from './kind'

export const traitLearnt = kind({
  body: strict({ trait: Type.String({ minLength: 1, maxLength: 80 }), words: Words, source: Words }),
  filter: 'notes',
  mayWrite: TEACHING,
  words: ({ trait, words, source }) => ({ title: `Learnt: ${camelWords(trait)}`, detail: `${words} (${source}).` }),
})
