import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { locked } from '../changes'
import { kind, Words } from './kind'

export const redTagged = kind({
  body: strict({ because: Words }),
  filter: 'trouble',
  // Stopping a machine is always safe, so every member of staff may; letting it run again is for those who teach.
  mayWrite: STAFF,
  fold: (state, { because }, { happenedAt, eventId }) =>
    locked(state, { kind: 'red-tag', because, since: happenedAt, eventId }),
  words: ({ because }) => ({ title: 'Red tag on', detail: because }),
  typed: { as: 'red tag' },
})
