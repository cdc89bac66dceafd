import Type from 'typebox'
import { EVENT_KINDS } from '../../machine/event'
import { EVERYONE } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { Id, type Commands } from './shape'

/** One line in a machine’s book; who may write it stands with its kind. */
export const LINES = {
  log: {
    mayWrite: EVERYONE,
    body: strict({
      machineId: Id,
      happenedAt: Type.String({ format: 'date-time' }),
      kind: words(EVENT_KINDS),
      /** of the kind's own schema, which is looked at by itself so that a fault is told of that kind alone */
      body: Type.Unknown(),
    }),
  },
} as const satisfies Commands
