import * as Type from 'typebox'
import { EVERYONE } from '../../room/role'
import { strict } from '../../schema/shape'
import { locked } from '../changes'
import { kind, Words } from './kind'

/** Somebody was hurt at it: what is known, in a few words. */
export const somebodyHurt = kind({
  body: strict({ what: Type.Optional(Words) }),
  filter: 'trouble',
  mayWrite: EVERYONE,
  fold: (state, { what }, { happenedAt, eventId }) => {
    const because = `Somebody was hurt here${what ? ` (${what})` : ''}: staff look at it before anybody sews`
    return locked(state, { kind: 'red-tag', because, since: happenedAt, eventId })
  },
  words: ({ what }) => ({
    title: 'Somebody was hurt',
    detail: what ?? 'The machine is stopped until staff have looked.',
  }),
})
