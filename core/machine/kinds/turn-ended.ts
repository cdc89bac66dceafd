import * as Type from 'typebox'
import { EVERYONE } from '../../room/role'
import { strict } from '../../schema/shape'
import { sewn } from '../../wear/meter'
import { always, kind, ProjectId } from './kind'

/** Whoever sat at it is done for now. It says nothing of the machine itself: what it needs next follows from who comes. */
export const turnEnded = kind({
  body: strict({
    /** whose turn it was; absent: that of whom it is set up for */
    projectId: ProjectId,
    /** the project is finished; otherwise it goes on another time */
    finished: Type.Boolean(),
  }),
  filter: 'setting up',
  mayWrite: EVERYONE,
  fold: (state, { finished, projectId = state.projectId }, { happenedAt, eventId }) => ({
    ...state,
    turn: { endedAt: happenedAt, finished, eventId, ...(projectId && { projectId }) },
  }),
  care: (counts, _, { happenedAt }) => sewn(counts, happenedAt),
  words: ({ finished }) => ({
    title: 'A turn is over',
    detail: finished ? 'The project is finished.' : 'The project goes on another time.',
  }),
  typed: { as: 'done', also: ['turn over'], defaults: { finished: always(false) } },
})
