/** What a kit asks of a machine, by name: equal names are the same thing. */
export interface PlanKit {
  readonly id: string
  readonly needle: string
  readonly thread: string
  readonly foot: string
  /** compared for the tension test in place of the thread, where both sides give it: another colour costs no test */
  readonly threadClass?: string
}

export interface PlanHolds {
  readonly needle: string | null
  readonly thread: string | null
  readonly foot: string | null
  readonly threadClass?: string
}

export interface PlanMachine {
  readonly id: string
  /** kits that it can make */
  readonly can: readonly string[]
  readonly holds: PlanHolds
}

export interface PlanStudent {
  readonly id: string
  readonly kit: string
  readonly fixed?: { readonly machine?: string; readonly block?: number }
}

export interface PlanCosts {
  readonly needle: number
  readonly thread: number
  readonly bobbin: number
  readonly foot: number
  readonly tensionTest: number
}

/** Minutes. Source: common practice; a room may change them. */
export const PLAN_COSTS: PlanCosts = { needle: 3, thread: 2, bobbin: 1, foot: 1, tensionTest: 4 }

export interface PlanQuestion {
  readonly blocks: number
  readonly machines: readonly PlanMachine[]
  readonly kits: readonly PlanKit[]
  readonly students: readonly PlanStudent[]
  readonly costs?: Partial<PlanCosts>
}

export interface PlanSeat {
  readonly student: string
  readonly machine: string
  /** from 1 */
  readonly block: number
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

/**
 * Solves a linear or mixed-integer program in CPLEX LP text.
 * @returns undefined when it found no answer in the time; `dual` is the reduced cost of a column of a linear program
 */
export type Solve = (
  program: string,
  seconds: number,
) =>
  | {
      readonly optimal: boolean
      readonly objective: number
      readonly columns: ReadonlyMap<string, { readonly value: number; readonly dual: number }>
      /** shadow price of each row of a linear program */
      readonly rows: ReadonlyMap<string, number>
    }
  | undefined
