import { foldNext } from '../machine/fold'
import type { Happening, MachineEvent } from '../machine/event'
import type { MachineState } from '../machine/state'
import { fabricClass, completeFabric } from '../fabric/intake'
import { HOUSEHOLD_SYSTEM } from '../knowledge/needle/needle'
import { itemKey, needleItem, type StockItem } from '../stock/item'
import { loadOf } from '../wear/wear'
import { fittedIn } from './changeover'
import { planFirst, type Help, type PlannedSession, type SessionRequest } from './session-plan'
import { sessionNeeds, type Need } from './needs'
import type { Solve } from '../planner/problem'
import { sessionQuestion, type SessionFacts } from './room-question'

export interface CourseWeek {
  readonly sessionId: string
  /** ISO, UTC */
  readonly startsAt: string
  readonly request: SessionRequest
}

export interface WeekPlan {
  readonly sessionId: string
  readonly plan: PlannedSession
  readonly needs: readonly Need[]
  /** what the shelves have left of what this session uses up */
  readonly left: readonly { readonly item: StockItem; readonly count: number }[]
}

/**
 * A course to its end, session after session: each is planned with the needles, the wear and the shelves that the earlier ones
 * leave, and with everybody nearest to the machine of last time. No joint optimum is claimed.
 * @param tell is told of each session as it is planned; and once all are, again of those where somebody has no seat, with what
 * would help there
 */
export function planCourse(
  weeks: readonly CourseWeek[],
  solve: Solve,
  clock: () => number,
  tell: (week: WeekPlan, stage: 'planned' | 'helped') => void,
): WeekPlan[] {
  let states: ReadonlyMap<string, MachineState> = new Map()
  let used: ReadonlyMap<string, number> = new Map()
  let seats: ReadonlyMap<string, string> = new Map()
  /** how many times in a row somebody had no seat, of those who were there */
  let left: ReadonlyMap<string, number> = new Map()
  const tries: (() => readonly Help[])[] = []
  const planned = weeks.map(({ sessionId, startsAt, request }) => {
    const facts: SessionFacts = {
      ...request.facts,
      machines: request.facts.machines.map((machine) => ({
        ...machine,
        state: states.get(machine.machineId) ?? machine.state,
      })),
      learners: request.facts.learners.map((learner) => {
        const last = seats.get(learner.projectId)
        const waited = left.get(learner.projectId)
        return {
          ...learner,
          ...(last && { lastMachineId: last }),
          ...(waited !== undefined && { leftOutBefore: waited }),
        }
      }),
      onHand: request.facts.onHand.map((shelf) => ({
        ...shelf,
        count: Math.max(0, shelf.count - (used.get(itemKey(shelf.item)) ?? 0)),
      })),
      room: roomAfter(request.facts, used),
    }
    const { plan, help } = planFirst({ ...request, facts, now: startsAt }, solve, clock)
    tries.push(help)
    const { question, kits } = sessionQuestion(facts, startsAt)
    const needs = sessionNeeds(facts, question, kits, plan.seats)
    const after = new Map(used)
    for (const { item, count, usedUp } of needs)
      if (usedUp) after.set(itemKey(item), (after.get(itemKey(item)) ?? 0) + count)
    const remaining = needs
      .filter(({ usedUp }) => usedUp)
      .map(({ item, count }) => {
        const shelf = facts.onHand.find((each) => itemKey(each.item) === itemKey(item))
        return { item, count: Math.max(0, (shelf?.count ?? 0) - count) }
      })
    states = new Map([...states, ...statesAfter(facts, startsAt, plan, question, kits)])
    used = after
    seats = new Map([...seats, ...plan.seats.map(({ student, machine }) => [student, machine] as const)])
    const seated = new Set(plan.seats.map(({ student }) => student))
    left = new Map([
      ...left,
      ...facts.learners.map(
        ({ projectId, leftOutBefore = 0 }) => [projectId, seated.has(projectId) ? 0 : leftOutBefore + 1] as const,
      ),
    ])
    const week = { sessionId, plan, needs, left: remaining }
    tell(week, 'planned')
    return week
  })
  return planned.map((week, index) => {
    if (week.plan.unseated.length === 0) return week
    const helped = { ...week, plan: { ...week.plan, help: tries[index]!() } }
    tell(helped, 'helped')
    return helped
  })
}

function roomAfter({ room }: SessionFacts, used: ReadonlyMap<string, number>): SessionFacts['room'] {
  if (!room.stock) return room
  const needles = room.stock.needles.map((needle) => ({
    ...needle,
    count: Math.max(
      0,
      needle.count -
        (used.get(itemKey(needleItem({ ...needle, system: needle.system ?? HOUSEHOLD_SYSTEM.name }))) ?? 0),
    ),
  }))
  return { ...room, stock: { ...room.stock, needles } }
}

/** What the machines will be after a session: the lines that it will write, folded as any others. */
function statesAfter(
  facts: SessionFacts,
  startsAt: string,
  plan: PlannedSession,
  question: ReturnType<typeof sessionQuestion>['question'],
  kits: ReturnType<typeof sessionQuestion>['kits'],
): Map<string, MachineState> {
  const fitted = fittedIn(plan.seats, question)
  return new Map(
    facts.machines.map(({ machineId, traits, state }) => {
      const own = plan.seats.filter(({ machine }) => machine === machineId).sort((a, b) => a.block - b.block)
      let next = state
      let line = 0
      const write = (happening: Happening) => {
        line += 1
        const happenedAt = new Date(new Date(startsAt).getTime() + line * 1000).toISOString()
        const event = { ...happening, happenedAt, eventId: `${startsAt}-${line}`, personId: '' } as MachineEvent
        next = foldNext(next, event) ?? next
      }
      for (const seat of own) {
        const kit = kits.get(seat.student)?.get(machineId)
        const learner = facts.learners.find(({ projectId }) => projectId === seat.student)
        if (!kit || !learner) continue
        if (fitted.some(({ student }) => student === seat.student)) {
          const { point, sizeNm, gapMm } = kit.needle
          const system = traits.needleSystem ?? kit.needle.system
          write({
            kind: 'needle-changed',
            body: { in: { system, point, sizeNm, ...(gapMm !== undefined && { gapMm }), condition: 'new' } },
          })
        }
        write({
          kind: 'set-up',
          body: {
            thread: kit.topThread,
            bobbinThread: kit.bobbinThread,
            foot: kit.foot,
            fabricClass: fabricClass(completeFabric(learner.fabric)),
          },
        })
        const motorMinutes = facts.blockMinutes * facts.room.rules.duty
        write({
          kind: 'used',
          body: { use: { load: loadOf(learner.fabric, kit.topThread), motorMinutes }, finishedProject: false },
        })
      }
      return [machineId, next]
    }),
  )
}
