import { beforeClass, type BenchTask } from '../care/before-class'
import { needleChangeSteps } from '../check/needle-change'
import { seatCheck, type CheckStep } from '../check/seat-check'
import type { Traits } from '../knowledge/machine/trait'
import { fabricClass, completeFabric } from '../fabric/intake'
import { LAID_OUT_WORDS } from '../knowledge/stitch/extra'
import { named, plain } from '../units/words'
import type { Kit } from '../kit/request'
import type { PlanSeat } from '../planner/problem'
import type { KitRoom } from '../kit/for-room'
import type { SeamSoFar } from './live-room'
import {
  bobbinsFor,
  kitAt,
  useOnMachine,
  type SessionFacts,
  type SessionLearner,
  type SessionMachine,
  type SessionProject,
} from './room-question'

/** One machine before class: who sits there first, and what is still to be done. */
export interface BenchStop {
  readonly machineId: string
  readonly first: SessionLearner
  readonly tasks: readonly BenchTask[]
}

/** Whether something that lies ready is for this session. */
type Ready = (each: { readonly happenedAt: string; readonly sessionId?: string }) => boolean

/** A swatch is cut this wide and long, two of them stacked as the project is. */
const SWATCH_CM = 10

interface Sitting {
  readonly learner: SessionLearner
  readonly kit: Kit
}

/**
 * What is to be done on the bench before a session, machine by machine in walking order. Nothing of it is kept as a list:
 * what a machine's book says already is left out, and each thing done is a line in that book.
 * @param kits by project and machine
 * @param sessionId whose list it is: what was ticked for another session is not ready for this one
 * @param since ISO, UTC: what was readied for no session in particular before then was for another one
 * @param now ISO, UTC
 */
export function benchList(
  facts: SessionFacts,
  seats: readonly PlanSeat[],
  kits: ReadonlyMap<string, ReadonlyMap<string, Kit>>,
  sessionId: string,
  since: string,
  now: string,
): BenchStop[] {
  const ready: Ready = (each) =>
    each.sessionId === undefined ? each.happenedAt >= since : each.sessionId === sessionId

  return facts.machines.flatMap((machine) => {
    const sitting = seats
      .filter((seat) => seat.machine === machine.machineId)
      .sort((a, b) => a.block - b.block)
      .flatMap(({ student }): Sitting[] => {
        const learner = facts.learners.find(({ projectId }) => projectId === student)
        const kit = kits.get(student)?.get(machine.machineId)
        return learner && kit ? [{ learner, kit }] : []
      })
    const first = sitting[0]
    if (!first) return []
    const standing = benchTasks(machine, first.learner, first.kit, facts.room, now)
    return [
      {
        machineId: machine.machineId,
        first: first.learner,
        tasks: [
          ...standing,
          ...windTasks(machine, sitting, facts, sessionId, ready),
          ...layOutTasks(machine, sitting, sessionId, ready),
        ],
      },
    ]
  })
}

/** What a seam between two blocks asks of a machine; the check and the swatch are for whoever comes to sit at it. */
const AT_THE_SEAM: readonly string[] = ['needle', 'set-up']

/** One machine at the seam: who comes, what is still to be changed, and who may do it. */
export interface SeamStop extends BenchStop {
  /** whether it stands as who comes needs it */
  readonly ready: boolean
  /** whether who comes was seen to change a needle on such a machine, and may do it themselves */
  readonly themselves: boolean
}

/** What a seam rests on: who comes to sit where, with what. */
export interface SeamFacts<Who extends SessionProject = SessionProject> extends Pick<
  SessionFacts,
  'machines' | 'room'
> {
  readonly learners: readonly Who[]
}

/** Each machine that somebody comes to in a block, with what of it is not yet as their kit asks. */
const atTheSeam = <Who extends SessionProject>(
  { machines, learners, room }: SeamFacts<Who>,
  seats: readonly PlanSeat[],
  block: number,
  now: string,
) =>
  machines.flatMap((machine) => {
    const seat = seats.find((each) => each.machine === machine.machineId && each.block === block)
    const learner = seat && learners.find(({ projectId }) => projectId === seat.student)
    const kit = learner && kitAt(learner, machine, room)
    if (!learner || !kit) return []
    const tasks = benchTasks(machine, learner, kit, room, now).filter(({ id }) => AT_THE_SEAM.includes(id))
    return [{ machine, learner, kit, tasks }]
  })

/**
 * What changes before a block, machine by machine in walking order, told from the books: what is done is no longer there.
 * @param now ISO, UTC
 */
export const seamList = (
  facts: SeamFacts<SessionLearner>,
  seats: readonly PlanSeat[],
  block: number,
  now: string,
): SeamStop[] =>
  atTheSeam(facts, seats, block, now).map(({ machine, learner, kit, tasks }) => ({
    machineId: machine.machineId,
    first: learner,
    tasks: tasks.map((task) => ({ ...task, how: howOf(task, machine.traits, kit) })),
    ready: tasks.length === 0,
    themselves: learner.signOffs.some(
      ({ skill, machineKind }) => skill === 'needle-change' && machineKind === machine.traits.drive,
    ),
  }))

/**
 * How far the room is with what changes before a block; undefined where nobody sits down in it.
 * @param now ISO, UTC
 */
export function seamSoFar(
  facts: SeamFacts,
  seats: readonly PlanSeat[],
  block: number,
  now: string,
): SeamSoFar | undefined {
  const stops = atTheSeam(facts, seats, block, now)
  if (stops.length === 0) return undefined
  const open = stops.filter(({ tasks }) => tasks.length > 0)
  return {
    toBlock: block,
    of: stops.length,
    ready: stops.length - open.length,
    open: open.map(({ machine }) => machine.name),
  }
}

/** A needle goes in as this machine's own list says; what is threaded, along the way of its thread. */
const howOf = ({ id }: BenchTask, traits: Traits, kit: Kit): readonly CheckStep[] =>
  id === 'needle'
    ? needleChangeSteps(traits)
    : seatCheck(traits, kit).filter(({ group }) => group === 'threading' || group === 'bobbin' || group === 'settings')

/** What a machine's book says is not so yet for somebody's kit; what is set up is set up for them. */
const benchTasks = (
  machine: SessionMachine,
  learner: SessionProject,
  kit: Kit,
  { rules }: KitRoom,
  now: string,
): BenchTask[] =>
  beforeClass(machine, kit, rules, now, learner).map((task) =>
    task.event?.kind === 'set-up'
      ? { ...task, event: { ...task.event, body: { ...task.event.body, ...sewnNow(learner) } } }
      : task,
  )

const sewnNow = (learner: SessionProject) => ({
  fabricClass: fabricClass(completeFabric(learner.fabric)),
  projectId: learner.projectId,
})

/** Bobbins by thread, for everybody who sits at this machine, less those that are wound already. */
function windTasks(
  machine: SessionMachine,
  sitting: readonly Sitting[],
  facts: SessionFacts,
  sessionId: string,
  ready: Ready,
): BenchTask[] {
  const { traits, state } = machine
  const byThread = new Map<string, { thread: Kit['bobbinThread']; count: number; metres: number; for: string[] }>()
  for (const { learner, kit } of sitting) {
    const thread = kit.bobbinThread
    const key = `${thread.tex} ${thread.fibre}`
    const own = byThread.get(key) ?? { thread, count: 0, metres: 0, for: [] }
    const count = bobbinsFor(learner, kit, traits, facts)
    byThread.set(key, {
      thread,
      count: own.count + count,
      metres: own.metres + (useOnMachine(learner, kit, traits, facts)?.bobbinM ?? 0),
      for: [...own.for, learner.learner],
    })
  }
  return [...byThread].flatMap(([key, { thread, count, metres, for: names }]) => {
    const wound = (state.readied?.bobbins ?? [])
      .filter((each) => ready(each) && each.thread && `${each.thread.tex} ${each.thread.fibre}` === key)
      .reduce((sum, each) => sum + each.count, 0)
    const left = count - wound
    if (left <= 0) return []
    const ofClass = traits.bobbinClass ? `, class ${traits.bobbinClass}` : ''
    const length = metres > 0 ? ` ${Math.ceil(metres)} m in all.` : ''
    return [
      {
        id: `wind ${key}`,
        title: `Wind ${left === 1 ? 'a bobbin' : `${left} bobbins`} of ${plain(thread.tex)} tex ${named(thread.fibre)}${ofClass}`,
        because: `For ${names.join(' and ')}.${length}`,
        event: { kind: 'bobbin-wound' as const, body: { count: left, thread, sessionId } },
      },
    ]
  })
}

/** Everybody's things at the machine where they sit: swatches of their own cloth, what else the kit asks for, glasses. */
function layOutTasks(
  { state }: SessionMachine,
  sitting: readonly Sitting[],
  sessionId: string,
  ready: Ready,
): BenchTask[] {
  return sitting.flatMap(({ learner, kit }) => {
    const done = (state.readied?.laidOut ?? []).some((each) => ready(each) && each.projectId === learner.projectId)
    if (done) return []
    const things = [
      `${learner.layers.seam === 1 ? 'a piece' : `${learner.layers.seam} pieces`} of its cloth, ${SWATCH_CM} × ${SWATCH_CM} cm, for the swatch`,
      ...kit.extras.flatMap((extra) => LAID_OUT_WORDS[extra] ?? []),
      ...(kit.cautions.includes('glasses') ? ['glasses'] : []),
    ]
    return [
      {
        id: `lay out ${learner.projectId}`,
        title: `Lay out ${learner.learner}’s ${learner.name}`,
        because: `${things.join('; ')}.`,
        event: {
          kind: 'laid-out' as const,
          body: {
            what: `${learner.learner}’s ${learner.name}: ${things.join('; ')}`.slice(0, 400),
            projectId: learner.projectId,
            sessionId,
          },
        },
      },
    ]
  })
}
