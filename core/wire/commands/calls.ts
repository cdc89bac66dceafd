import * as Type from 'typebox'
import { CallFoundSchema } from '../../people/help-call'
import { EVERYONE, STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { Id, type Commands } from './shape'

/** Calls: raised by anybody, gone to by staff. */
export const CALLS = {
  /** from the machine at which somebody sits, or from none; that somebody is hurt at a machine is a line of its book */
  'call-staff': {
    mayWrite: EVERYONE,
    body: strict({
      machineId: Type.Optional(Id),
      hurt: Type.Optional(Type.Literal(true)),
      found: CallFoundSchema,
    }),
  },
  'take-call-back': { mayWrite: EVERYONE, body: strict({ callId: Id }) },
  'see-calls': {
    mayWrite: STAFF,
    body: strict({ callIds: Type.Array(Id, { minItems: 1, maxItems: 200, uniqueItems: true }) }),
  },
  /** nobody called: staff go to somebody unasked, who sees that they come */
  'visit-seat': { mayWrite: STAFF, body: strict({ machineId: Id, personId: Id }) },
  'go-to-call': { mayWrite: STAFF, body: strict({ callId: Id }) },
  'end-call': { mayWrite: STAFF, body: strict({ callId: Id }) },
} as const satisfies Commands
