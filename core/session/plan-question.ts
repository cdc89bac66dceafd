import type { PlanLimit, PlanMachine as Machine, PlanPair, PlanSeat, PlanStudent } from '../planner/problem'

/** What a kit asks of a machine, by name: equal names are the same thing. */
export interface PlanKit {
  readonly id: string
  readonly needle: string
  readonly thread: string
  readonly foot: string
  /** compared for the tension test in place of the thread, where both sides give it: another colour costs no test */
  readonly threadClass?: string
  /** another pressure is set anew, where both sides give it */
  readonly pressure?: string
  /** another cloth is tested anew, where both sides give it */
  readonly cloth?: string
}

export interface PlanHolds {
  readonly needle: string | null
  readonly thread: string | null
  readonly foot: string | null
  readonly threadClass?: string
  readonly pressure?: string
  readonly cloth?: string
  /** its needle has less life left than a session may use: the like comes in, and a line is sewn */
  readonly worn?: boolean
}

export interface PlanMachine extends Machine {
  readonly holds: PlanHolds
  /** what a kit is called on this machine, where that differs: its needle system is another one, say */
  readonly own?: Readonly<Record<string, PlanKit>>
}

export interface PlanCosts {
  readonly needle: number
  readonly thread: number
  readonly bobbin: number
  readonly foot: number
  readonly tensionTest: number
  readonly pressure: number
  readonly quickLine: number
}

/** Minutes. Source: common practice; a room may change them. */
export const PLAN_COSTS: PlanCosts = {
  needle: 3,
  thread: 2,
  bobbin: 1,
  foot: 1,
  tensionTest: 4,
  pressure: 1,
  quickLine: 1,
}

export interface PlanQuestion {
  readonly blocks: number
  readonly machines: readonly PlanMachine[]
  readonly kits: readonly PlanKit[]
  readonly students: readonly PlanStudent[]
  readonly costs?: Partial<PlanCosts>
  readonly pairs?: readonly PlanPair[]
  readonly limits?: readonly PlanLimit[]
}

export interface PlanChange {
  readonly machine: string
  readonly block: number
  readonly minutes: number
  readonly parts: readonly (keyof PlanCosts)[]
}

export interface PlanAnswer {
  readonly seats: readonly PlanSeat[]
  readonly changeoverMinutes: number
  /** nobody can plan as many seats with less */
  readonly boundMinutes: number
  readonly optimal: boolean
  /** first come, first seated */
  readonly byHandMinutes: number
  readonly changes: readonly PlanChange[]
  readonly unseated: readonly { readonly student: string; readonly because: string }[]
}
