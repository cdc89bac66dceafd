import * as Type from 'typebox'
import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { kind, Words } from './kind'

/** It leaves the room: given away, lent, stored, scrapped. Its book stays, and can be read. */
export const putAway = kind({
  body: strict({ because: Type.Optional(Words) }),
  filter: 'notes',
  mayWrite: TEACHING,
  fold: (state, { because }, { happenedAt, eventId }) => ({
    ...state,
    putAway: { since: happenedAt, eventId, ...(because !== undefined && { because }) },
  }),
  words: ({ because }) => ({ title: 'Put away', detail: because ?? 'It stands in the room no more' }),
  typed: { as: 'put away' },
})
