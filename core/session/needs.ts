import type { Kit } from '../kit/request'
import { asShelved, itemKey, needleItem, type StockItem } from '../stock/item'
import { fittedIn } from './changeover'
import { type PlanQuestion } from './plan-question'
import type { PlanSeat } from '../planner/problem'
import { bobbinsFor, type SessionFacts } from './room-question'

/** What a session takes of one thing: used up, as needles are, or in hand at once and back after. */
export interface Need {
  readonly item: StockItem
  readonly count: number
  readonly usedUp: boolean
}

/** Everything that the seats of one session take from the shelves. */
export function sessionNeeds(
  facts: Pick<SessionFacts, 'learners' | 'machines' | 'room' | 'onHand'>,
  question: PlanQuestion,
  kits: ReadonlyMap<string, ReadonlyMap<string, Kit>>,
  seats: readonly PlanSeat[],
): Need[] {
  const shelves = new Set(facts.onHand.map(({ item }) => itemKey(item)))
  const needs = new Map<string, Need>()
  const add = (item: StockItem, count: number, usedUp: boolean) => {
    const key = itemKey(item)
    needs.set(key, { item, usedUp, count: (needs.get(key)?.count ?? 0) + count })
  }
  const known = seats.filter(({ student, machine }) => kits.get(student)?.has(machine))
  const running = known.filter(({ machine }) => question.machines.some(({ id }) => id === machine))
  for (const { student, machine } of fittedIn(running, question))
    add(asShelved(needleItem(kits.get(student)!.get(machine)!.needle), shelves), 1, true)
  const blocks = [...new Set(known.map(({ block }) => block))]
  const atOnce = blocks.map((block) => {
    const counts = new Map<string, { item: StockItem; count: number }>()
    for (const seat of known.filter((each) => each.block === block)) {
      const kit = kits.get(seat.student)!.get(seat.machine)!
      const learner = facts.learners.find(({ projectId }) => projectId === seat.student)!
      const { traits } = facts.machines.find(({ machineId }) => machineId === seat.machine)!
      const { tex, fibre, use } = kit.topThread
      const things: [StockItem, number][] = [
        [{ kind: 'thread', tex, fibre, use }, kit.extras.includes('second-spool') ? 2 : 1],
        [{ kind: 'foot', foot: kit.foot }, 1],
        ...(traits.bobbinClass
          ? [
              [{ kind: 'bobbin', bobbinClass: traits.bobbinClass }, bobbinsFor(learner, kit, traits, facts)] as [
                StockItem,
                number,
              ],
            ]
          : []),
      ]
      for (const [item, count] of things)
        counts.set(itemKey(item), { item, count: (counts.get(itemKey(item))?.count ?? 0) + count })
    }
    return counts
  })
  for (const counts of atOnce)
    for (const [key, { item, count }] of counts)
      if (count > (needs.get(key)?.count ?? 0)) needs.set(key, { item, count, usedUp: false })
  return [...needs.values()]
}

/** What runs short, when first, and by how many in all. */
export interface Shortage {
  readonly item: StockItem
  /** the id of the first session that would lack it */
  readonly sessionId: string
  readonly short: number
}

/**
 * What the shelves lack for sessions to come. Needles are used up from session to session; thread, feet and bobbins come back,
 * and are only short where nobody has as many. Feet and bobbins that nobody counts are taken to be there.
 * @param sessions in order of time
 */
export function shortagesOf(
  sessions: readonly { readonly sessionId: string; readonly needs: readonly Need[] }[],
  onHand: readonly { readonly item: StockItem; readonly count: number }[],
): Shortage[] {
  const left = new Map(onHand.map(({ item, count }) => [itemKey(item), count]))
  const found = new Map<string, Shortage>()
  for (const { sessionId, needs } of sessions) {
    for (const { item, count, usedUp } of needs) {
      const key = itemKey(item)
      const has = left.get(key)
      if (has === undefined && (item.kind === 'foot' || item.kind === 'bobbin')) continue
      const lack = count - (has ?? 0)
      if (usedUp) left.set(key, Math.max(0, (has ?? 0) - count))
      if (lack <= 0) continue
      const before = found.get(key)
      const short = usedUp ? (before?.short ?? 0) + lack : Math.max(before?.short ?? 0, lack)
      found.set(key, { item, sessionId: before?.sessionId ?? sessionId, short })
    }
  }
  return [...found.values()]
}
