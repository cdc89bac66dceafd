import * as Type from 'typebox'
import type { Static } from 'typebox'
import { ACCESS_NEEDS } from '../knowledge/machine/access'
import { From0, strict, words } from '../schema/shape'

const Id = Type.String({ format: 'uuid' })
const Block = Type.Integer({ minimum: 1, maximum: 12 })
const Moment = Type.String({ format: 'date-time' })

/** One session of a class. */
export const SessionTimesSchema = strict({ startsAt: Moment, endsAt: Moment, blocks: Block })
export type SessionTimes = Static<typeof SessionTimesSchema>

export const COMES = ['here', 'late', 'absent'] as const
export const ComesSchema = words(COMES)
export type Comes = Static<typeof ComesSchema>

export const AccessNeedsSchema = Type.Array(words(ACCESS_NEEDS), { uniqueItems: true })
export const PAIR_KINDS = ['together', 'apart'] as const

/** Who sits where and when, as it stands on the run sheet; a pinned seat is left alone when the plan is made again. */
export const PlannedSeatSchema = strict({
  projectId: Id,
  machineId: Id,
  block: Block,
  pinned: Type.Optional(Type.Literal(true)),
})
export type PlannedSeat = Static<typeof PlannedSeatSchema>

/** What the planner said of the plan that it made; gone as soon as somebody moves a seat by hand. */
export const PlanProofSchema = strict({
  changeoverMinutes: From0,
  boundMinutes: From0,
  optimal: Type.Boolean(),
  seconds: From0,
  /** equal for equal questions: proved for another one, it is proved no more */
  asked: Type.String(),
  unseated: Type.Array(strict({ projectId: Id, because: Type.String() })),
  help: Type.Array(strict({ words: Type.String(), seats: Type.Integer(), minutes: From0 })),
  /** the block from which it was made anew, where the session was under way */
  fromBlock: Type.Optional(Block),
})
export type PlanProof = Static<typeof PlanProofSchema>

export const SessionPlanSchema = strict({
  seats: Type.Array(PlannedSeatSchema, { maxItems: 400 }),
  /** machines that are left out this session */
  leftOut: Type.Array(Id, { maxItems: 200 }),
  proof: Type.Optional(PlanProofSchema),
})
export type SessionPlan = Static<typeof SessionPlanSchema>
