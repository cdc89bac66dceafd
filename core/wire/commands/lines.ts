import * as Type from 'typebox'
import { EVENT_KINDS } from '../../machine/event'
import { EVERYONE, STAFF } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { Id, type Commands } from './shape'

const LINE = {
  machineId: Id,
  happenedAt: Type.String({ format: 'date-time' }),
  kind: words(EVENT_KINDS),
  /** of the kind's own schema, which is looked at by itself so that a fault is told of that kind alone */
  body: Type.Unknown(),
}
const Line = strict(LINE)

/** One line in a machine’s book; who may write it stands with its kind. */
export const LINES = {
  log: {
    mayWrite: EVERYONE,
    body: Line,
  },
  /** a line that waited without a network and was not taken: by the id of that line, to be taken or dropped by staff */
  'leave-line': { mayWrite: ['learner'], body: Line },
  /** a line of somebody else that has waited on this device since: by its id, and whose it is, to be taken or dropped by staff */
  'hand-over-line': { mayWrite: STAFF, body: strict({ lineId: Id, personId: Id, ...LINE }) },
  'decide-left-line': { mayWrite: STAFF, body: strict({ lineId: Id, take: Type.Boolean() }) },
} as const satisfies Commands
