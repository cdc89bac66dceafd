import type { ClassSettings } from '@/core/room/class-settings'
import type { Kit } from '@/core/kit/request'
import type { PlannedSeat, PlanProof } from '@/core/session/session-schema'
import type { PlanQuestion } from '@/core/session/plan-question'

export interface SheetMachine {
  readonly machineId: string
  readonly name: string
  readonly number: number
  /** the needle that is in it now, in words */
  readonly holds: string
  /** why nobody sits there */
  readonly stopped?: string
  /** what is wrong with it and stops nobody, in sentences */
  readonly faults: readonly string[]
}

export interface SheetKit {
  readonly words: string
  readonly needle: Kit['needle']
  /** the kit with its choices was given for this very machine */
  readonly given?: true
  /** what a person chose, and why */
  readonly byHand?: string
  /** what was chosen elsewhere and cannot be here, with both prices */
  readonly dropped?: readonly string[]
  /** a member of staff stays with whoever sews it */
  readonly staff?: true
}

export interface SheetLearner {
  readonly projectId: string
  readonly learner: string
  readonly what: string
  readonly fromBlock?: number
  /** by machine */
  readonly kits: Readonly<Record<string, SheetKit>>
  /** by machine, why they cannot sit there */
  readonly whyNot: Readonly<Record<string, string>>
}

/** A plan that was kept before this one. */
export interface EarlierPlan {
  readonly planId: string
  readonly when: string
  readonly by: string
  readonly seats: readonly PlannedSeat[]
  readonly leftOut: readonly string[]
}

export interface SheetProps {
  readonly sessionId: string
  readonly planId: string | null
  readonly madeBy?: string
  readonly seats: readonly PlannedSeat[]
  readonly leftOut: readonly string[]
  readonly proof?: PlanProof
  /** whether the question is still the one that was proved */
  readonly proofHolds: boolean
  readonly question: PlanQuestion
  readonly machines: readonly SheetMachine[]
  readonly learners: readonly SheetLearner[]
  readonly blocks: readonly { readonly from: string; readonly to: string }[]
  /** the block that is under way now */
  readonly running?: number
  /** what speaks against beginning now: another day, another session that runs */
  readonly beginsOddly: readonly string[]
  /** by block, the kits that were given for it a short while ago */
  readonly begun: Readonly<Record<number, readonly string[]>>
  /** what was planned before, the newest first */
  readonly earlier: readonly EarlierPlan[]
  /** how the class is supervised, where it is */
  readonly ofClass: Pick<ClassSettings, 'supervised'>
  readonly mayPlan: boolean
  readonly mayGive: boolean
}
