import type { PlanChange, PlanCosts, PlanHolds, PlanKit, PlanMachine } from './plan-question'

/** From what a machine holds to the next kit: which parts change, and the minutes they take. */
export function changeover(from: PlanHolds, to: PlanKit, costs: PlanCosts): Omit<PlanChange, 'machine' | 'block'> {
  const parts: (keyof PlanCosts)[] = []
  const needle = from.needle !== to.needle
  const worn = !needle && from.worn === true
  const thread = from.thread !== to.thread
  if (needle || worn) parts.push('needle')
  if (thread) parts.push('thread', 'bobbin')
  if (from.foot !== to.foot) parts.push('foot')
  if (differs(from.pressure, to.pressure)) parts.push('pressure')
  const otherThread =
    from.threadClass !== undefined && to.threadClass !== undefined ? from.threadClass !== to.threadClass : thread
  if (needle || otherThread || differs(from.cloth, to.cloth)) parts.push('tensionTest')
  else if (worn) parts.push('quickLine')
  return { minutes: parts.reduce((sum, part) => sum + costs[part], 0), parts }
}

/** Only what is known on both sides can differ. */
const differs = (a: string | undefined, b: string | undefined): boolean => a !== undefined && b !== undefined && a !== b

/** What a kit is called on a machine. */
export const kitOn = ({ own }: Pick<PlanMachine, 'own'>, kit: PlanKit): PlanKit => own?.[kit.id] ?? kit

/** All minutes are multiples of this, as far as the costs are whole; otherwise they may differ by anything that counts. */
export function grainOf(costs: PlanCosts): number {
  const values = (Object.keys(costs) as (keyof PlanCosts)[]).map((part) => costs[part]).filter((value) => value > 0)
  if (values.length === 0) return 1
  if (values.some((value) => !Number.isInteger(value))) return 1e-6
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
  return values.reduce((a, b) => gcd(a, b))
}
