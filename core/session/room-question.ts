import { fabricClass, completeFabric } from '../fabric/intake'
import { kitAnswerFor, kitRequestFor, type KitRoom } from '../kit/for-room'
import type { Kit, Refusal } from '../kit/request'
import { travel } from '../kit/travel'
import { ACCESS_NEED_WORDS, COMPLEX_DRIVES, DRIVES_AFTER_SIGN_OFF, type AccessNeed } from '../knowledge/machine/access'
import { ROOM_NUMBERS } from '../knowledge/room-number'
import { bobbinVolumeOf, kitMachine } from '../kit/kit-machine'
import { standingOf, wearOfFitting } from '../machine/standing'
import type { MachineState } from '../machine/state'
import type { Traits } from '../knowledge/machine/trait'
import { TRAIT_QUESTIONS } from '../knowledge/machine/trait'
import type { SignOff } from '../people/progress'
import type { ProjectFacts } from '../kit/project'
import { asShelved, itemKey, itemWords, needleItem, type StockItem } from '../stock/item'
import type { OnHand } from '../stock/ledger'
import { kitUse } from '../kit/kit-use'
import type { ThreadUseAnswer } from '../thread-use/thread-use'
import { NEAR_NUMBER } from './planning-numbers'
import type { PlanCosts, PlanHolds, PlanKit, PlanMachine, PlanQuestion } from './plan-question'
import type { PlanLimit, PlanPair, PlanSeat, PlanStudent } from '../planner/problem'

export interface SessionMachine {
  readonly machineId: string
  readonly name: string
  readonly traits: Traits
  readonly state: MachineState
  /** from the middle of its table to the instructor's, metres; absent: nobody has said where the instructor stands */
  readonly instructorMetres?: number
}

/** One project that wants a seat this session, and who makes it. */
export interface SessionLearner extends Pick<ProjectFacts, 'name' | 'fabric' | 'layers' | 'operation' | 'sewn'> {
  readonly projectId: string
  readonly personId: string
  readonly learner: string
  /** the kit given with parts chosen otherwise, and for which machine; on another the choices travel, as far as they hold */
  readonly given?: { readonly machineId: string; readonly kit: Kit }
  /** comes late: no block before this one */
  readonly fromBlock?: number
  readonly needs: readonly AccessNeed[]
  readonly lastMachineId?: string
  /** how many times in a row they came and had no seat */
  readonly leftOutBefore?: number
  readonly signOffs: readonly Pick<SignOff, 'skill' | 'machineKind'>[]
}

/** As much of it as its kit rests on. */
export type SessionProject = Pick<
  SessionLearner,
  'projectId' | 'name' | 'fabric' | 'layers' | 'operation' | 'sewn' | 'given'
>

/** Everything that a session's plan rests on. Ids are the room's own; a seat's `student` is a project. */
export interface SessionFacts {
  readonly blocks: number
  readonly blockMinutes: number
  readonly machines: readonly SessionMachine[]
  /** machines that are left out this session, whatever their books say */
  readonly leftOut: readonly string[]
  readonly learners: readonly SessionLearner[]
  readonly pairs: readonly { readonly kind: PlanPair['kind']; readonly people: readonly [string, string] }[]
  readonly room: KitRoom
  /** how many members of staff can stay with somebody for a whole block */
  readonly staffAtHand: number
  /** what the shelves hold; empty where nobody keeps them */
  readonly onHand: readonly OnHand[]
  readonly costs?: Partial<PlanCosts>
}

/** A question for the planner, with what it is made of, for showing and for explaining. */
export interface SessionQuestion {
  readonly question: PlanQuestion
  /** by project and machine */
  readonly kits: ReadonlyMap<string, ReadonlyMap<string, Kit>>
  /** by project and machine, why somebody cannot sit there */
  readonly whyNot: ReadonlyMap<string, ReadonlyMap<string, string>>
  /** by project and machine, the limit that the kit itself runs into there */
  readonly refusals: ReadonlyMap<string, ReadonlyMap<string, Refusal>>
  /** by machine, why nobody sits there */
  readonly stopped: ReadonlyMap<string, string>
  /** by limit, what there is too little of */
  readonly limited: ReadonlyMap<string, StockItem>
}

export const needleName = (needle: Pick<Kit['needle'], 'system' | 'point' | 'sizeNm' | 'gapMm'>): string =>
  itemKey(needleItem(needle))

const threadName = ({ tex, fibre }: Kit['topThread']): string => `${tex} ${fibre}`

/** Why nobody sits at a machine: a lock, a test that is late, or that it is left out. */
function stoppedBecause(machine: SessionMachine, facts: SessionFacts, now: string): string | undefined {
  if (facts.leftOut.includes(machine.machineId)) return 'It is left out this session'
  const { standing, because } = standingOf(machine.state, facts.room.rules.needle, now)
  return standing === 'stopped' ? because[0] : undefined
}

/** What of a person and a place does not go together, whatever the kit. */
function unfit(learner: SessionLearner, { traits }: SessionMachine): string | undefined {
  const lacks = learner.needs.find((need) => !traits[need])
  if (lacks) return `${learner.learner} needs ${ACCESS_NEED_WORDS[lacks].need}: ${ACCESS_NEED_WORDS[lacks].lacks}`
  const { drive } = traits
  if (
    drive &&
    DRIVES_AFTER_SIGN_OFF.includes(drive) &&
    !learner.signOffs.some(({ machineKind }) => machineKind === drive)
  )
    return `${learner.learner} is not signed off for a machine of this kind (${drive}) yet`
  return undefined
}

type KitOrWhy = { readonly kit: Kit } | { readonly whyNot: string; readonly refusal?: Refusal }

function kitFor(
  learner: SessionProject,
  machine: SessionMachine,
  known: ReturnType<typeof kitMachine>,
  room: KitRoom,
): KitOrWhy {
  const { given } = learner
  if (given?.machineId === machine.machineId) return { kit: given.kit }
  if ('missing' in known) return { whyNot: `Not known yet: ${TRAIT_QUESTIONS[known.missing[0]!].toLowerCase()}` }
  const { kits, refusals } = kitAnswerFor(learner, known.machine, room)
  // What the shelf cannot give is counted by the plan, since a machine may hold it already.
  const kit = kits[0]
  if (kit) return { kit: given ? travel(kitRequestFor(learner, known.machine, room), given.kit, kit) : kit }
  const refusal = refusals[0]
  return refusal ? { whyNot: refusal.because, refusal } : { whyNot: 'It cannot make this kit' }
}

/** The kit that a plan has for somebody at one machine; undefined where they can have none there. */
export function kitAt(learner: SessionProject, machine: SessionMachine, room: KitRoom): Kit | undefined {
  const found = kitFor(learner, machine, kitMachine(machine.traits), room)
  return 'kit' in found ? found.kit : undefined
}

/**
 * Turns a room's session into a question for the planner: who may sit where, what each kit is called there, what each machine
 * holds, and of what there is only so much.
 * @param now ISO, UTC
 */
export function sessionQuestion(facts: SessionFacts, now: string): SessionQuestion {
  const kits = new Map<string, Map<string, Kit>>()
  const whyNot = new Map<string, Map<string, string>>()
  const refusals = new Map<string, Map<string, Refusal>>()
  const known = new Map(facts.machines.map(({ machineId, traits }) => [machineId, kitMachine(traits)]))
  for (const learner of facts.learners) {
    const [own, why, refused] = [new Map<string, Kit>(), new Map<string, string>(), new Map<string, Refusal>()]
    for (const machine of facts.machines) {
      const found = kitFor(learner, machine, known.get(machine.machineId)!, facts.room)
      if ('kit' in found) own.set(machine.machineId, found.kit)
      if ('refusal' in found && found.refusal) refused.set(machine.machineId, found.refusal)
      const not = unfit(learner, machine) ?? ('whyNot' in found ? found.whyNot : undefined)
      if (not) why.set(machine.machineId, not)
    }
    kits.set(learner.projectId, own)
    whyNot.set(learner.projectId, why)
    refusals.set(learner.projectId, refused)
  }
  const stopped = new Map(
    facts.machines.flatMap((machine) => {
      const because = stoppedBecause(machine, facts, now)
      return because ? [[machine.machineId, because] as const] : []
    }),
  )
  return { kits, whyNot, refusals, stopped, ...questionOf(facts, kits, whyNot, stopped) }
}

function questionOf(
  facts: SessionFacts,
  kits: SessionQuestion['kits'],
  whyNot: SessionQuestion['whyNot'],
  stopped: SessionQuestion['stopped'],
): Pick<SessionQuestion, 'question' | 'limited'> {
  const running = facts.machines.filter(({ machineId }) => !stopped.has(machineId))
  const { named, kitIdOf, useOf } = kitNames(facts, running, kits)
  const nearMetres = facts.room.rules.numbers?.[NEAR_NUMBER] ?? ROOM_NUMBERS[NEAR_NUMBER].usual
  const sewn = running.map(({ state }) => state.care.motorMinutesSinceService).sort((a, b) => a - b)
  const middle = sewn[Math.floor((sewn.length - 1) / 2)] ?? 0
  const machines = running.map((machine): PlanMachine => {
    const { machineId, traits, state, instructorMetres } = machine
    const able = new Set<string>()
    const own: Record<string, PlanKit> = {}
    for (const { projectId } of facts.learners) {
      const kit = kits.get(projectId)!.get(machineId)
      if (!kit) continue
      const id = kitIdOf.get(projectId)!
      able.add(id)
      own[id] = planKit(id, kit, clothOf(facts, projectId))
    }
    return {
      id: machineId,
      can: [...able],
      holds: holdsOf(machine, facts),
      own,
      ...(traits.drive && COMPLEX_DRIVES.includes(traits.drive) && { complex: true }),
      ...(instructorMetres !== undefined && instructorMetres > nearMetres && { far: true }),
      ...(state.care.motorMinutesSinceService > middle && { sewnMore: true }),
    }
  })
  const stock = limitsOf(facts, running, kitIdOf, useOf)
  const question: PlanQuestion = {
    blocks: facts.blocks,
    machines,
    kits: named,
    students: facts.learners.map((learner): PlanStudent => {
      const { projectId, fromBlock, lastMachineId, leftOutBefore, signOffs } = learner
      const why = whyNot.get(projectId)!
      const free = running.filter(({ machineId }) => !why.has(machineId)).map(({ machineId }) => machineId)
      return {
        id: projectId,
        kit: kitIdOf.get(projectId)!,
        machines: free,
        ...(fromBlock !== undefined && fromBlock > 1 && { fromBlock }),
        ...(lastMachineId && { lastMachine: lastMachineId }),
        ...(leftOutBefore && { leftOut: leftOutBefore }),
        ...(signOffs.length === 0 && { beginner: true }),
      }
    }),
    ...(facts.costs && { costs: facts.costs }),
    pairs: pairsOf(facts),
    limits: [...stock.map(({ limit }) => limit), ...staffLimit(facts, useOf)],
  }
  return { question, limited: new Map(stock.map(({ limit, item }) => [limit.id, item])) }
}

const clothOf = ({ learners }: SessionFacts, projectId: string): string =>
  fabricClass(completeFabric(learners.find((each) => each.projectId === projectId)!.fabric))

const planKit = (id: string, kit: Kit, cloth: string): PlanKit => ({
  id,
  needle: needleName(kit.needle),
  thread: threadName(kit.topThread),
  foot: kit.foot,
  pressure: kit.footPressure,
  cloth,
})

/** What a machine holds now; a needle of which nobody knows how old it is counts as none. */
function holdsOf({ state }: SessionMachine, { room, blocks, blockMinutes }: SessionFacts): PlanHolds {
  const { fitting, thread, foot, fabricClass: cloth } = state
  const known = fitting && fitting.needle.condition !== 'unverified' ? fitting : undefined
  const wear = known && wearOfFitting(known, room.rules.needle)
  const sessionHours = (blocks * blockMinutes * room.rules.duty) / 60
  const worn = wear && (wear.verdict === 'change' || wear.remainingHours < sessionHours)
  return {
    needle: known ? needleName(known.needle) : null,
    thread: thread ? threadName(thread) : null,
    foot: foot ?? null,
    ...(cloth && { cloth }),
    ...(worn && { worn }),
  }
}

/** Projects whose kits are the same on every machine, and take as many bobbins, have one kit to the planner. */
function kitNames(facts: SessionFacts, running: readonly SessionMachine[], kits: SessionQuestion['kits']) {
  const ids = new Map<string, string>()
  const named: PlanKit[] = []
  const kitIdOf = new Map<string, string>()
  const useOf = new Map<string, ReadonlyMap<string, { kit: Kit; bobbins: number }>>()
  for (const learner of facts.learners) {
    const own = new Map(
      running.flatMap(({ machineId, traits }) => {
        const kit = kits.get(learner.projectId)!.get(machineId)
        return kit ? [[machineId, { kit, bobbins: bobbinsFor(learner, kit, traits, facts) }] as const] : []
      }),
    )
    const cloth = clothOf(facts, learner.projectId)
    const signature = JSON.stringify([
      cloth,
      [...own].map(([id, { kit, bobbins }]) => [id, planKit('', kit, cloth), kit.extras, kit.cautions, bobbins]),
    ])
    let id = ids.get(signature)
    if (id === undefined) {
      id = `k${ids.size + 1}`
      ids.set(signature, id)
      const first = [...own.values()][0]
      named.push(
        first
          ? planKit(id, first.kit, cloth)
          : { id, needle: 'none', thread: 'none', foot: 'none', pressure: 'none', cloth },
      )
      useOf.set(id, own)
    }
    kitIdOf.set(learner.projectId, id)
  }
  return { named, kitIdOf, useOf }
}

/** The thread that a project takes on a machine; undefined while nobody has said what it sews, or its bobbin is not known. */
export function useOnMachine(
  learner: Pick<SessionLearner, 'sewn' | 'fabric' | 'layers'>,
  kit: Kit,
  traits: Traits,
  { room }: Pick<SessionFacts, 'room'>,
): ThreadUseAnswer | undefined {
  const volume = bobbinVolumeOf(traits)
  if (!learner.sewn || volume === undefined) return undefined
  const stackMm = completeFabric(learner.fabric).thicknessMm * learner.layers.seam
  return kitUse(kit, learner.sewn, stackMm, volume, room.rules.beginners ?? false)
}

/** How many bobbins to wind for a project on a machine: from what it sews, else one. */
export const bobbinsFor = (...asked: Parameters<typeof useOnMachine>): number =>
  Math.max(1, useOnMachine(...asked)?.bobbins ?? 1)

/** The pairs that the room has named, and whoever makes two things: nobody sits twice at once. */
function pairsOf({ pairs, learners }: SessionFacts): PlanPair[] {
  const of = (personId: string) =>
    learners.filter((each) => each.personId === personId).map(({ projectId }) => projectId)
  const named = pairs.flatMap(({ kind, people: [a, b] }): PlanPair[] => {
    const [one, other] = [of(a), of(b)]
    // Together means that they sit in one block; with several things to make it is the first that counts.
    return kind === 'together'
      ? one[0] && other[0]
        ? [{ kind, students: [one[0], other[0]] }]
        : []
      : one.flatMap((each) => other.map((another): PlanPair => ({ kind, students: [each, another] })))
  })
  const twice = learners.flatMap(({ projectId, personId }, index): PlanPair[] =>
    learners
      .slice(index + 1)
      .filter((other) => other.personId === personId)
      .map((other) => ({ kind: 'apart', students: [projectId, other.projectId] })),
  )
  return [...named, ...twice]
}

/** Of what there is only so much: only what somebody keeps on a shelf is counted, and only where it could run short. */
function limitsOf(
  { onHand, room, learners }: SessionFacts,
  running: readonly SessionMachine[],
  kitIdOf: ReadonlyMap<string, string>,
  useOf: ReadonlyMap<string, ReadonlyMap<string, { kit: Kit; bobbins: number }>>,
): { readonly limit: PlanLimit; readonly item: StockItem }[] {
  const counted = new Map(onHand.map(({ item, count }) => [itemKey(item), count]))
  const limits = new Map<
    string,
    { item: StockItem; per: PlanLimit['per']; uses: Record<string, Record<string, number>> }
  >()
  const shelves = new Set(counted.keys())
  const take = (asked: StockItem, per: PlanLimit['per'], machineId: string, kitId: string, count: number) => {
    const item = asShelved(asked, shelves)
    const key = itemKey(item)
    const limit = limits.get(key) ?? { item, per, uses: {} }
    limit.uses[machineId] = { ...limit.uses[machineId], [kitId]: count }
    limits.set(key, limit)
  }
  for (const [kitId, own] of useOf) {
    for (const [machineId, { kit, bobbins }] of own) {
      const { traits } = running.find((each) => each.machineId === machineId)!
      if (room.stock) {
        take(needleItem(kit.needle), 'fit', machineId, kitId, 1)
        const { tex, fibre, use } = kit.topThread
        take(
          { kind: 'thread', tex, fibre, use },
          'block',
          machineId,
          kitId,
          kit.extras.includes('second-spool') ? 2 : 1,
        )
      }
      take({ kind: 'foot', foot: kit.foot }, 'block', machineId, kitId, 1)
      if (traits.bobbinClass)
        take({ kind: 'bobbin', bobbinClass: traits.bobbinClass }, 'block', machineId, kitId, bobbins)
    }
  }
  const sizes = new Map<string, number>()
  for (const { projectId } of learners) {
    const id = kitIdOf.get(projectId)!
    sizes.set(id, (sizes.get(id) ?? 0) + 1)
  }
  return [...limits].flatMap(([id, { item, per, uses }]) => {
    const kept = counted.get(id)
    // Feet and bobbins that nobody counts are taken to be there: every machine has its own.
    if (kept === undefined && (item.kind === 'foot' || item.kind === 'bobbin')) return []
    const most = kept ?? 0
    const worst = [...sizes].reduce(
      (sum, [kitId, count]) => sum + count * Math.max(0, ...Object.values(uses).map((each) => each[kitId] ?? 0)),
      0,
    )
    return worst > most ? [{ item, limit: { id, words: itemWords(item), most, per, uses } }] : []
  })
}

/** A limit that is no thing on a shelf: the staff who stay with those whose kit asks for it. */
export const STAFF_LIMIT = 'staff'

function staffLimit(
  { staffAtHand }: SessionFacts,
  useOf: ReadonlyMap<string, ReadonlyMap<string, { kit: Kit }>>,
): PlanLimit[] {
  const uses: Record<string, Record<string, number>> = {}
  for (const [kitId, own] of useOf)
    for (const [machineId, { kit }] of own)
      if (kit.cautions.includes('staff-only')) uses[machineId] = { ...uses[machineId], [kitId]: 1 }
  return Object.keys(uses).length > 0
    ? [{ id: STAFF_LIMIT, words: 'staff who stay at a machine', most: staffAtHand, per: 'block', uses }]
    : []
}

/** The seats that somebody has pinned, as the planner takes them. */
export const withPins = (question: PlanQuestion, pins: readonly PlanSeat[]): PlanQuestion => ({
  ...question,
  students: question.students.map((student) => {
    const pin = pins.find((each) => each.student === student.id)
    return pin ? { ...student, fixed: { machine: pin.machine, block: pin.block } } : student
  }),
})
