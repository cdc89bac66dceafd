import { ROOM_NUMBERS, type RoomNumberName, type RoomNumbers } from '../knowledge/room-number'
import type { PlanCosts } from './plan-question'
import type { PlanWeights } from '../planner/soft-aims'

/** The room's number behind each cost and each soft aim. */
export const COST_NUMBERS = {
  needle: 'minutesNeedle',
  thread: 'minutesThread',
  bobbin: 'minutesBobbin',
  foot: 'minutesFoot',
  tensionTest: 'minutesTest',
  pressure: 'minutesPressure',
  quickLine: 'minutesLine',
} as const satisfies Readonly<Record<keyof PlanCosts, RoomNumberName>>
export const WEIGHT_NUMBERS = {
  otherMachine: 'weightOtherMachine',
  beginner: 'weightBeginner',
  farBeginner: 'weightFarBeginner',
  sewnMore: 'weightSewnMore',
  needleUsed: 'weightNeedle',
  noSpare: 'weightSpare',
  lastBlock: 'weightLastBlock',
} as const satisfies Readonly<Record<keyof PlanWeights, RoomNumberName>>

/** The room's number of metres within which somebody sits near the instructor. */
export const NEAR_NUMBER = 'nearMetres' as const satisfies RoomNumberName

/** What each change costs in this room, and what its soft aims are worth, in minutes. */
export function planningNumbers(numbers: RoomNumbers = {}): { costs: PlanCosts; weights: PlanWeights } {
  const of = <Name extends string>(names: Readonly<Record<Name, RoomNumberName>>) =>
    Object.fromEntries(
      (Object.entries(names) as [Name, RoomNumberName][]).map(([part, name]) => [
        part,
        numbers[name] ?? ROOM_NUMBERS[name].usual,
      ]),
    ) as Record<Name, number>
  return { costs: of(COST_NUMBERS), weights: of(WEIGHT_NUMBERS) }
}
