import * as Type from 'typebox'
import { KitThreadSchema } from '../../knowledge/vocabulary'
import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { named, plain } from '../../units/words'
import { readied } from '../changes'
import { always, ForSession, kind } from './kind'

export const bobbinWound = kind({
  body: strict({
    count: Type.Integer({ minimum: 1, maximum: 40 }),
    thread: Type.Optional(KitThreadSchema),
    sessionId: ForSession,
  }),
  filter: 'care',
  mayWrite: STAFF,
  fold: (state, { count, thread, sessionId }, { happenedAt }) =>
    readied(state, { bobbins: [{ happenedAt, count, ...(thread && { thread }), ...(sessionId && { sessionId }) }] }),
  care: (counts, { count }) => ({
    ...counts,
    bobbinsSinceClean: counts.bobbinsSinceClean + count,
    bobbinsSinceOil: counts.bobbinsSinceOil + count,
  }),
  words: ({ count, thread }) => {
    const what = thread ? ` of ${plain(thread.tex)} tex ${named(thread.fibre)}` : ''
    return { title: count === 1 ? 'A bobbin wound' : `${count} bobbins wound`, detail: what && `Thread${what}.` }
  },
  typed: { as: 'bobbin', defaults: { count: always(1) } },
})
