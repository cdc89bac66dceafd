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
  /** its needle has less life left than an evening may use: the like comes in, and a line is sewn */
  readonly worn?: boolean
}

export interface PlanMachine {
  readonly id: string
  /** kits that it can make */
  readonly can: readonly string[]
  readonly holds: PlanHolds
  /** what a kit is called on this machine, where that differs: its needle system is another one, say */
  readonly own?: Readonly<Record<string, PlanKit>>
  /** a soft aim keeps beginners away from it */
  readonly complex?: boolean
  /** far from where the instructor stands; a soft aim keeps beginners nearer */
  readonly far?: boolean
  /** has sewn more since its service than the room's middle machine; a soft aim spares it */
  readonly sewnMore?: boolean
}

export interface PlanStudent {
  readonly id: string
  readonly kit: string
  readonly fixed?: { readonly machine?: string; readonly block?: number }
  /** the only machines for them, whatever the kit allows: access needs, sign-offs; all when absent */
  readonly machines?: readonly string[]
  /** comes late: no block before this one */
  readonly fromBlock?: number
  /** where they sat last time; a soft aim */
  readonly lastMachine?: string
  readonly beginner?: boolean
  /** how many times in a row they had no seat: of those who cannot all sit, they sit first */
  readonly leftOut?: number
  /** the place that they hold already: anywhere else is a move, and moves are few */
  readonly holdsPlace?: { readonly machine: string; readonly block: number }
}

/** Two who sit in one block, or never in the same. */
export interface PlanPair {
  readonly kind: 'together' | 'apart'
  readonly students: readonly [string, string]
}

/** Something of which there is only so much: in each block, or for all needles that are put in. */
export interface PlanLimit {
  readonly id: string
  /** what there is too little of */
  readonly words: string
  readonly most: number
  readonly per: 'block' | 'fit'
  /** by machine, how many each kit takes there; nothing where it is not named */
  readonly uses: Readonly<Record<string, Readonly<Record<string, number>>>>
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
