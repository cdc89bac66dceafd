import * as Type from 'typebox'
import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { locked } from '../changes'
import { kind, Words } from './kind'

export const electricalTest = kind({
  body: strict({ passed: Type.Boolean(), by: Words, nextDue: Type.Optional(Type.String({ format: 'date-time' })) }),
  filter: 'care',
  mayWrite: TEACHING,
  fold: (state, { passed }, { happenedAt, eventId }) =>
    passed
      ? state
      : locked(state, { kind: 'electrical', because: 'It failed its electrical test', since: happenedAt, eventId }),
  care: (counts, { passed, nextDue }, { happenedAt }) => ({
    ...counts,
    electricalTest: { at: happenedAt, passed, ...(nextDue && { nextDue }) },
  }),
  words: ({ passed, by, nextDue }) => ({
    title: `Electrical test ${passed ? 'passed' : 'failed'}`,
    detail: `By ${by}.${nextDue ? ` Next by ${nextDue.slice(0, 10)}.` : ''}`,
  }),
})
