/** What a machine holds or a kit asks for. Nothing here looks inside: what a change costs is told from outside. */
export type Setup = object

/** What somebody needs of a machine. */
export interface PlanKit {
  readonly id: string
}

export interface PlanMachine {
  readonly id: string
  /** kits that it can make */
  readonly can: readonly string[]
  readonly holds: Setup
  /** what a kit is on this machine, where that differs */
  readonly own?: Readonly<Record<string, PlanKit>>
  /** a soft aim keeps beginners away from it */
  readonly complex?: boolean
  /** far from where the instructor stands; a soft aim keeps beginners nearer */
  readonly far?: boolean
  /** has worked more since its service than the room's middle machine; a soft aim spares it */
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

/** Something of which there is only so much: in each block, or for all changes that use one up. */
export interface PlanLimit {
  readonly id: string
  /** what there is too little of */
  readonly words: string
  readonly most: number
  readonly per: 'block' | 'fit'
  /** by machine, how many each kit takes there; nothing where it is not named */
  readonly uses: Readonly<Record<string, Readonly<Record<string, number>>>>
}

export interface PlanSeat {
  readonly student: string
  readonly machine: string
  /** from 1 */
  readonly block: number
}

/** What it takes from one setup to the next. */
export interface Step {
  readonly minutes: number
  /** uses up one of what a limit `per: 'fit'` counts */
  readonly usesUp: boolean
}

/** A question made ready to be reckoned with: everything that is looked up often is looked up once. */
export interface Problem {
  readonly blocks: number
  readonly machines: readonly PlanMachine[]
  readonly students: readonly PlanStudent[]
  readonly pairs: readonly PlanPair[]
  readonly limits: readonly PlanLimit[]
  readonly kits: ReadonlyMap<string, PlanKit>
  readonly machineOf: ReadonlyMap<string, PlanMachine>
  readonly studentOf: ReadonlyMap<string, PlanStudent>
  step(this: void, from: Setup, to: PlanKit): Step
  /** all minutes are multiples of this */
  readonly grain: number
}

/** Makes a problem ready. Kits, machines and students are told apart by their ids. */
export function problemFrom(
  asked: Pick<Problem, 'blocks' | 'machines' | 'students' | 'step' | 'grain'> &
    Partial<Pick<Problem, 'pairs' | 'limits'>> & { readonly kits: readonly PlanKit[] },
): Problem {
  return {
    ...asked,
    pairs: asked.pairs ?? [],
    limits: asked.limits ?? [],
    kits: byId(asked.kits),
    machineOf: byId(asked.machines),
    studentOf: byId(asked.students),
  }
}

const byId = <Thing extends { readonly id: string }>(things: readonly Thing[]): ReadonlyMap<string, Thing> =>
  new Map(things.map((thing) => [thing.id, thing]))

/** What a kit is on a machine. */
export const kitOn = <Kit extends PlanKit>({ own }: { readonly own?: Readonly<Record<string, Kit>> }, kit: Kit): Kit =>
  own?.[kit.id] ?? kit

/** Every place there is: each machine in each block, from 1. */
export const placesOf = ({ machines, blocks }: Pick<Problem, 'machines' | 'blocks'>) =>
  machines.flatMap((machine) => Array.from({ length: blocks }, (_, index) => ({ machine, block: index + 1 })))

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

/** What thinks, and for how long: the solver, the clock (seconds since some moment), and the seconds that there are. */
export interface Effort {
  readonly solve: Solve
  readonly clock: () => number
  readonly seconds: number
}
