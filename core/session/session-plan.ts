import { spaced } from '../units/words'
import type { Foot } from '../knowledge/stitch/foot'
import { DRIVES_AFTER_SIGN_OFF } from '../knowledge/machine/access'
import { itemKey } from '../stock/item'
import { usesOf } from '../planner/breach'
import { fittedIn } from './changeover'
import { kitOn } from '../planner/problem'
import { type PlanQuestion } from './plan-question'
import type { PlanLimit, PlanSeat, Solve } from '../planner/problem'
import { planRoom, type RoomPlan } from './plan'
import { sessionQuestion, STAFF_LIMIT, withPins, type SessionFacts, type SessionQuestion } from './room-question'
import type { PlanWeights } from '../planner/soft-aims'

/** What is asked of the planner for one session. */
export interface SessionRequest {
  readonly facts: SessionFacts
  /** seats that stay as they are */
  readonly pins: readonly PlanSeat[]
  /**
   * A session that is under way: what ran before `block` is over, whoever sits in it stays where their machine still can,
   * and everybody else leaves their place as seldom as possible.
   */
  readonly underWay?: { readonly block: number; readonly seats: readonly PlanSeat[] }
  readonly weights: Partial<PlanWeights>
  readonly seconds: number
  /** ISO, UTC */
  readonly now: string
}

/** One change that would seat more. */
export interface Help {
  readonly words: string
  readonly seats: number
  readonly minutes: number
}

export interface PlannedSession extends RoomPlan {
  /** the changes that would seat most, the best first; only where somebody has no seat */
  readonly help: readonly Help[]
}

/** How many reasons are told of a project that no machine takes: those that most machines share. */
const MOST_REASONS = 3

/** How many single changes are tried, how long each may take, and how many are told. */
const TRIES = { most: 24, seconds: 1, told: 3 } as const

/** `better` ones come on the way to the plan that is `planned`; what would help is tried after it. */
export type PlanStage = 'better' | 'planned'

/** Plans one session; with those who have no seat comes why, and which single change would seat the most, found by trying. */
export function planSession(
  request: SessionRequest,
  solve: Solve,
  clock: () => number,
  tell: (plan: PlannedSession, stage: PlanStage) => void = () => undefined,
): PlannedSession {
  const { plan, help } = planFirst(request, solve, clock, (better) => tell(better, 'better'))
  tell(plan, 'planned')
  return { ...plan, help: help() }
}

/**
 * Plans one session as far as its seats: nobody has to wait for what would help.
 * @returns the plan, and what finds out which single changes would seat more: one plan for each that is tried
 */
export function planFirst(
  request: SessionRequest,
  solve: Solve,
  clock: () => number,
  tell: (plan: PlannedSession) => void = () => undefined,
): { readonly plan: PlannedSession; readonly help: () => readonly Help[] } {
  const { facts, weights, seconds, now } = request
  const asked = sessionQuestion(facts, now)
  const question = questionFor(asked.question, request)
  const ran = request.underWay?.seats.filter(({ block }) => block < request.underWay!.block) ?? []
  const explained = (plan: RoomPlan): PlannedSession => ({
    ...plan,
    seats: [...ran, ...plan.seats],
    unseated: plan.unseated.map(({ student }) => ({
      student,
      because: becauseUnseated(student, facts, asked, question, plan.seats),
    })),
    help: [],
  })
  const plan = planRoom(question, weights, solve, seconds, clock, (each) => tell(explained(each)))
  const answer = explained(plan)
  if (plan.unseated.length === 0) return { plan: answer, help: () => [] }
  const unseated = new Set(plan.unseated.map(({ student }) => student))
  const help = () =>
    singleChanges(facts, asked, unseated)
      .slice(0, TRIES.most)
      .map(({ words, facts: changed }) => {
        const other = sessionQuestion(changed, now).question
        const { seats, changeoverMinutes } = planRoom(questionFor(other, request), {}, solve, TRIES.seconds, clock)
        return { words, seats: seats.length - plan.seats.length, minutes: changeoverMinutes }
      })
      .filter(({ seats }) => seats > 0)
      .sort((a, b) => b.seats - a.seats || a.minutes - b.minutes)
      .slice(0, TRIES.told)
  return { plan: answer, help }
}

function questionFor(question: PlanQuestion, { pins, underWay }: SessionRequest): PlanQuestion {
  if (!underWay) return withPins(question, pins)
  const { block: from, seats } = underWay
  const ran = seats.filter(({ block }) => block < from)
  const over = new Set(ran.map(({ student }) => student))
  const seatOf = new Map(seats.map((seat) => [seat.student, seat]))
  const kitOf = new Map(question.students.map(({ id, kit }) => [id, question.kits.find((each) => each.id === kit)!]))
  const machines = question.machines.map((machine) => {
    const last = ran.filter((seat) => seat.machine === machine.id).sort((a, b) => b.block - a.block)[0]
    // Somebody who has gone home since left a kit that nobody knows any more: then what its book says counts.
    const kit = last && kitOf.get(last.student)
    return kit ? { ...machine, holds: kitOn(machine, kit) } : machine
  })
  const here = new Set(machines.map(({ id }) => id))
  const students = question.students
    .filter(({ id }) => !over.has(id))
    .map((student) => {
      const seat = seatOf.get(student.id)
      const late = { ...student, fromBlock: Math.max(student.fromBlock ?? 1, from) }
      if (!seat) return late
      const place = { machine: seat.machine, block: seat.block }
      // Whoever sits there now stays; on a machine that dropped out nobody can.
      const stays = seat.block === from && here.has(seat.machine) && (student.fromBlock ?? 1) <= from
      return stays ? { ...late, fixed: place } : { ...late, holdsPlace: place }
    })
  return withPins(
    {
      ...question,
      machines,
      students,
      pairs: (question.pairs ?? []).filter((pair) => pair.students.every((id) => !over.has(id))),
    },
    pins.filter(({ block, machine }) => block >= from && here.has(machine)),
  )
}

/** The smallest reasons why somebody has no seat, in one or two sentences. */
function becauseUnseated(
  project: string,
  { machines, blocks, learners }: SessionFacts,
  { whyNot, stopped }: SessionQuestion,
  question: PlanQuestion,
  seats: readonly PlanSeat[],
): string {
  const { students, limits = [], pairs = [] } = question
  const student = students.find(({ id }) => id === project)
  if ((student?.fromBlock ?? 1) > blocks) return 'They come after the last block has begun.'
  const why = whyNot.get(project)!
  const grouped = new Map<string, string[]>()
  for (const { machineId, name } of machines) {
    const because = stopped.get(machineId) ?? why.get(machineId)
    if (because) grouped.set(because, [...(grouped.get(because) ?? []), name])
  }
  const reasons = [...grouped]
    .sort((a, b) => b[1].length - a[1].length)
    .map(([because, names]) => `${names.join(', ')}: ${because.replace(/\.$/, '')}`)
  const able = machines.filter(({ machineId }) => !stopped.has(machineId) && !why.has(machineId))
  if (able.length === 0) {
    return `No machine can take it. ${reasons.slice(0, MOST_REASONS).join('. ')}.`
  }
  const short = limits.filter((limit) =>
    able.every(({ machineId }) => {
      const blocksLeft = Array.from({ length: blocks }, (_, index) => index + 1)
      const free = (block: number) =>
        usesOf(limit, student?.kit ?? '', machineId) + usedOf(limit, seats, question, block) <= limit.most
      return !blocksLeft.some(free)
    }),
  )
  const tied = pairs.some((pair) => pair.students.includes(project))
    ? ' Who sits with or apart from them counts too.'
    : ''
  const scarce = short.map(({ words, most }) => ` Of ${words} there ${most === 1 ? 'is 1' : `are ${most}`}.`).join('')
  return `${able.map(({ name }) => name).join(', ')} could take it, and every such place is wanted.${scarce}${tied}${turnWords(project, learners, seats)}`
}

/** Whose turn it is: said to whoever has no seat, so that nobody is left out twice without a word. */
function turnWords(project: string, learners: SessionFacts['learners'], seats: readonly PlanSeat[]): string {
  const own = learners.find(({ projectId }) => projectId === project)
  if (own?.leftOutBefore) return ' They had no seat last time either: next time they come first.'
  const seated = new Set(seats.map(({ student }) => student))
  const first = learners.filter(({ projectId, leftOutBefore }) => leftOutBefore && seated.has(projectId))
  if (first.length === 0) return ' Next time they come first.'
  return ` ${first.map(({ learner }) => learner).join(' and ')} had no seat last time and ${first.length === 1 ? 'comes' : 'come'} first; next time it is ${own?.learner ?? 'their'}’s turn.`
}

/** How much of a limit these seats take, in a block or of all needles put in. */
function usedOf(limit: PlanLimit, seats: readonly PlanSeat[], question: PlanQuestion, block: number): number {
  const kitOf = new Map(question.students.map(({ id, kit }) => [id, kit]))
  const counted = limit.per === 'block' ? seats.filter((seat) => seat.block === block) : fittedIn(seats, question)
  return counted.reduce((sum, { student, machine }) => sum + usesOf(limit, kitOf.get(student) ?? '', machine), 0)
}

/** Every single change that might seat one of these: a foot, a pack, a spool, a block, a machine, a sign-off. */
function singleChanges(
  facts: SessionFacts,
  { refusals, stopped, question, limited }: SessionQuestion,
  unseated: ReadonlySet<string>,
): { readonly words: string; readonly facts: SessionFacts }[] {
  const changes: { words: string; facts: SessionFacts }[] = [
    { words: 'one more block', facts: { ...facts, blocks: facts.blocks + 1 } },
  ]
  for (const machine of facts.machines) {
    if (!stopped.has(machine.machineId)) continue
    changes.push({
      words: `${machine.name} back in service`,
      facts: {
        ...facts,
        leftOut: facts.leftOut.filter((id) => id !== machine.machineId),
        machines: facts.machines.map((each) => (each === machine ? { ...each, state: unlocked(machine.state) } : each)),
      },
    })
  }
  for (const { id, words, most } of question.limits ?? []) {
    if (id === STAFF_LIMIT) {
      changes.push({ words: 'one more member of staff', facts: { ...facts, staffAtHand: most + 1 } })
      continue
    }
    const [more, name] = id.startsWith('needle') ? [5, `a pack of 5 ${words}`] : [1, `one more ${words}`]
    const kept = facts.onHand.filter(({ item }) => itemKey(item) !== id)
    const item = limited.get(id)
    if (item)
      changes.push({ words: name, facts: { ...facts, onHand: [...kept, { item, count: most + more, beyond: 0 }] } })
  }
  for (const project of unseated) {
    for (const [machineId, { limit, value }] of refusals.get(project) ?? []) {
      const machine = facts.machines.find((each) => each.machineId === machineId)!
      if (limit !== 'foot' || stopped.has(machineId)) continue
      const foot = String(value).split(' or ')[0] as Foot
      const feet = [...(machine.traits.feet ?? []), foot]
      changes.push({
        words: `a ${spaced(foot)} foot for ${machine.name}`,
        facts: {
          ...facts,
          machines: facts.machines.map((each) =>
            each === machine ? { ...each, traits: { ...each.traits, feet } } : each,
          ),
        },
      })
    }
    const learner = facts.learners.find(({ projectId }) => projectId === project)!
    const drives = new Set(
      facts.machines.flatMap(({ machineId, traits }) =>
        traits.drive && !stopped.has(machineId) ? [traits.drive] : [],
      ),
    )
    for (const drive of DRIVES_AFTER_SIGN_OFF) {
      if (!drives.has(drive) || learner.signOffs.some(({ machineKind }) => machineKind === drive)) continue
      changes.push({
        words: `${learner.learner} signed off for a machine of the kind ${drive}`,
        facts: {
          ...facts,
          learners: facts.learners.map((each) =>
            each === learner
              ? { ...each, signOffs: [...each.signOffs, { skill: 'tension' as const, machineKind: drive }] }
              : each,
          ),
        },
      })
    }
  }
  const seen = new Set<string>()
  return changes.filter(({ words }) => !seen.has(words) && seen.add(words))
}

const unlocked = (state: SessionFacts['machines'][number]['state']) => {
  const { electricalTest: _, ...care } = state.care
  return { ...state, locks: [], care }
}
