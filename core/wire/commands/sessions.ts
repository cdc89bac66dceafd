import * as Type from 'typebox'
import { STAFF, TEACHING } from '../../room/role'
import { strict, words } from '../../schema/shape'
import {
  AccessNeedsSchema,
  ComesSchema,
  PAIR_KINDS,
  SessionPlanSchema,
  SessionTimesSchema,
} from '../../session/session-schema'
import { Id, Words, type Commands } from './shape'

const { proof: _proof, ...SEATS } = SessionPlanSchema.properties

/** Sessions, who comes, and who sits where. */
export const SESSIONS = {
  'add-sessions': {
    mayWrite: TEACHING,
    body: strict({
      courseId: Id,
      sessions: Type.Array(strict({ sessionId: Id, ...SessionTimesSchema.properties }), { minItems: 1, maxItems: 60 }),
    }),
  },
  'change-session': {
    mayWrite: TEACHING,
    body: strict({ sessionId: Id, ...SessionTimesSchema.properties, calledOff: Type.Optional(Words) }),
  },
  /** what learners read on their seat until the next session; absent: nothing is said */
  'tell-class': {
    mayWrite: TEACHING,
    body: strict({ sessionId: Id, said: Type.Optional(Words), was: Type.Optional(Words) }),
  },
  'set-attendance': {
    mayWrite: STAFF,
    body: strict({
      sessionId: Id,
      personId: Id,
      comes: ComesSchema,
      /** for those who come late: the first block that they are there for */
      fromBlock: Type.Optional(Type.Integer({ minimum: 1, maximum: 12 })),
      /** as it stood when the change was begun */
      was: Type.Optional(
        strict({ comes: ComesSchema, fromBlock: Type.Optional(Type.Integer({ minimum: 1, maximum: 12 })) }),
      ),
    }),
  },
  'set-needs': {
    mayWrite: TEACHING,
    body: strict({ personId: Id, needs: AccessNeedsSchema, was: Type.Optional(AccessNeedsSchema) }),
  },
  'pair-people': {
    mayWrite: TEACHING,
    body: strict({ pairId: Id, kind: words(PAIR_KINDS), people: Type.Tuple([Id, Id]) }),
  },
  'end-pair': { mayWrite: TEACHING, body: strict({ pairId: Id }) },
  'set-plan': {
    mayWrite: TEACHING,
    body: strict({ sessionId: Id, basedOn: Type.Union([Id, Type.Null()]), plan: strict(SEATS) }),
  },
} as const satisfies Commands
