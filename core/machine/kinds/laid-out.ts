import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { readied } from '../changes'
import { ForSession, kind, ProjectId, Words } from './kind'

/** Somebody's things lie ready at it: swatches cut, foot, extras. */
export const laidOut = kind({
  body: strict({ what: Words, projectId: ProjectId, sessionId: ForSession }),
  filter: 'setting up',
  mayWrite: STAFF,
  fold: (state, { projectId, sessionId }, { happenedAt }) =>
    projectId ? readied(state, { laidOut: [{ happenedAt, projectId, ...(sessionId && { sessionId }) }] }) : state,
  words: ({ what }) => ({ title: `Laid out: ${what}`, detail: '' }),
  typed: { as: 'laid out' },
})
