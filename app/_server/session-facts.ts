import 'server-only'
import { createHash } from 'node:crypto'
import { cache } from 'react'
import { notFound } from 'next/navigation'
import type { SeamFacts } from '@/core/session/bench-list'
import { rulesOfClass } from '@/core/room/class-settings'
import { inWalkingOrder, metresBetween } from '@/core/room/walk'
import type { SessionRequest } from '@/core/session/session-plan'
import { planningNumbers } from '@/core/session/planning-numbers'
import type { PlanQuestion } from '@/core/session/plan-question'
import {
  sessionQuestion,
  type SessionFacts,
  type SessionLearner,
  type SessionProject,
} from '@/core/session/room-question'
import type { PlannedSeat } from '@/core/session/session-schema'
import { asPlanSeat } from '@/core/session/seat'
import { readMachines } from '@/store/machine/machines'
import { readProgress } from '@/store/people/progress'
import { readProjects, type Project } from '@/store/project/projects'
import {
  readAbsent,
  readAttendance,
  readNeeds,
  readPairs,
  readPlans,
  readSessions,
  type Attendance,
  type KeptPlan,
  type Session,
} from '@/store/session/sessions'
import { readStaff } from '@/store/site/people'
import { isId } from './answer'
import { siteOf } from './site'
import { roomAndShelvesOf } from './kit-room'
import { booksOf } from './store'

/** One session of a page, or no such page. */
export const sessionPage = cache(async (siteId: string, sessionId: string): Promise<Session> => {
  if (!isId(sessionId)) notFound()
  const [session] = await readSessions(booksOf(siteId), siteId, { sessionId })
  if (!session) notFound()
  return session
})

export interface WholeSession {
  readonly session: Session
  readonly kept?: KeptPlan
  readonly facts: SessionFacts
  /** the kit that each project has now, and for which machine */
  readonly given: ReadonlyMap<
    string,
    { readonly kitGivenId: string; readonly machineId: string; readonly givenAt: Date }
  >
  /** where each machine stands, in walking order as the machines are */
  readonly places: readonly { readonly machineId: string; readonly number: number }[]
  /** who is enrolled, with whether they come */
  readonly roster: readonly {
    readonly personId: string
    readonly name: string
    readonly comes: 'here' | 'late' | 'absent'
    readonly fromBlock?: number
    readonly needs: SessionLearner['needs']
  }[]
}

/** What every session of some classes rests on, read once for all of them. */
async function readBasis(siteId: string, courseIds: readonly string[]) {
  const store = booksOf(siteId)
  const [machines, projects, { room, onHand }, progress, needs, pairs, plans, sessions, staff, absent, site] =
    await Promise.all([
      readMachines(store, siteId),
      readProjects(store, siteId),
      roomAndShelvesOf(siteId),
      readProgress(store, siteId),
      readNeeds(store, siteId),
      readPairs(store, siteId),
      readPlans(store, siteId, { courseIds }),
      readSessions(store, siteId, { courseIds }),
      readStaff(store, siteId),
      readAbsent(store, siteId),
      siteOf(siteId),
    ])
  const { instructorAt } = site
  return { machines, projects, room, onHand, progress, needs, pairs, plans, sessions, staff, absent, instructorAt }
}

/** Some sessions with everything that each rests on. */
export async function readSessionsFacts(siteId: string, wanted: readonly Session[]): Promise<WholeSession[]> {
  const [basis, ...attendances] = await Promise.all([
    readBasis(siteId, [...new Set(wanted.map(({ courseId }) => courseId))]),
    ...wanted.map(({ sessionId }) => readAttendance(booksOf(siteId), siteId, sessionId)),
  ])
  return wanted.map((session, index) => sessionIn(basis, session, attendances[index]!))
}

/** Everything that one session rests on, read at once. */
export const readSessionFacts = async (siteId: string, session: Session): Promise<WholeSession> =>
  (await readSessionsFacts(siteId, [session]))[0]!

/**
 * As much of one session as a seam of it rests on: far less than its plan does, since it is read at every change in the room.
 * @param projects of its class, and perhaps of others
 */
export async function readSeamFacts(
  siteId: string,
  { sessionId, courseId, ofClass }: Session,
  projects: readonly Project[],
): Promise<SeamFacts> {
  const store = booksOf(siteId)
  const [attendance, machines, { room }] = await Promise.all([
    readAttendance(store, siteId, sessionId),
    readMachines(store, siteId),
    roomAndShelvesOf(siteId),
  ])
  return {
    machines: machines.sort(inWalkingOrder),
    learners: projects
      .filter((project) => project.courseId === courseId && attendance.get(project.personId)?.comes !== 'absent')
      .map(projectIn),
    room: { ...room, rules: rulesOfClass(room.rules, ofClass) },
  }
}

/** A project as a session has it; a kit whose parts were chosen by hand goes with it. */
const projectIn = ({ projectId, name, fabric, layers, operation, sewn, given }: Project): SessionProject => ({
  projectId,
  name,
  fabric,
  layers,
  operation,
  ...(sewn && { sewn }),
  ...(given &&
    (given.kit.overrides?.length || given.kit.dropped?.length) && {
      given: { machineId: given.machineId, kit: given.kit },
    }),
})

function sessionIn(
  {
    machines,
    projects: everybody,
    room,
    onHand,
    progress,
    needs,
    pairs,
    plans,
    sessions,
    staff,
    absent,
    instructorAt,
  }: Awaited<ReturnType<typeof readBasis>>,
  session: Session,
  attendance: ReadonlyMap<string, Attendance>,
): WholeSession {
  const { sessionId, courseId, startsAt, endsAt, blocks } = session
  const projects = everybody.filter((project) => project.courseId === courseId)
  const before = sessions
    .filter((each) => each.courseId === courseId && each.startsAt < startsAt && plans.has(each.sessionId))
    .at(-1)
  const lastSeats = new Map(
    (before ? plans.get(before.sessionId)!.plan.seats : []).map(({ projectId, machineId }) => [projectId, machineId]),
  )
  const kept = plans.get(sessionId)
  /** The planned sessions before this one, the last first. */
  const earlier = sessions
    .filter(
      (each) => each.courseId === courseId && each.startsAt < startsAt && !each.calledOff && plans.has(each.sessionId),
    )
    .reverse()
  const leftOutBefore = (projectId: string, personId: string): number => {
    let times = 0
    for (const each of earlier) {
      if (absent.get(each.sessionId)?.has(personId)) continue
      if (plans.get(each.sessionId)!.plan.seats.some((seat) => seat.projectId === projectId)) break
      times += 1
    }
    return times
  }
  const walk = [...machines].sort(inWalkingOrder)
  const comes = (personId: string) => attendance.get(personId) ?? { comes: 'here' as const }
  const { costs } = planningNumbers(room.rules.numbers)
  return {
    session,
    ...(kept && { kept }),
    facts: {
      blocks,
      blockMinutes: (endsAt.getTime() - startsAt.getTime()) / 60_000 / blocks,
      machines: walk.map(({ machineId, name, traits, state, place }) => ({
        machineId,
        name,
        traits,
        state,
        ...(instructorAt && { instructorMetres: metresBetween(place, instructorAt) }),
      })),
      leftOut: kept?.plan.leftOut ?? [],
      learners: projects
        .filter(({ personId }) => comes(personId).comes !== 'absent')
        .map((project): SessionLearner => {
          const { projectId, personId, learner, given } = project
          const { fromBlock } = comes(personId)
          const last = lastSeats.get(projectId) ?? given?.machineId
          return {
            ...projectIn(project),
            personId,
            learner,
            ...(fromBlock !== undefined && { fromBlock }),
            needs: needs.get(personId) ?? [],
            ...(last && { lastMachineId: last }),
            ...(leftOutBefore(projectId, personId) > 0 && { leftOutBefore: leftOutBefore(projectId, personId) }),
            signOffs: progress.get(personId)?.signOffs ?? [],
          }
        }),
      pairs: pairs.map(({ kind, people }) => ({ kind, people })),
      room: { ...room, rules: rulesOfClass(room.rules, session.ofClass) },
      // One walks the room; the others can stay at a machine.
      staffAtHand: Math.max(1, staff.length - 1),
      onHand,
      costs,
    },
    given: new Map(projects.flatMap(({ projectId, given }) => (given ? [[projectId, given] as const] : []))),
    places: walk.map(({ machineId, number }) => ({ machineId, number })),
    roster: [...new Map(projects.map(({ personId, learner }) => [personId, learner]))].map(([personId, name]) => ({
      personId,
      name,
      ...comes(personId),
      needs: needs.get(personId) ?? [],
    })),
  }
}

/** How long the planner may think about one session. */
const SECONDS = 15

/** What is asked of the planner for this session as it stands. */
export function planRequest(
  { facts, kept }: WholeSession,
  now: Date,
  underWay?: { readonly block: number },
): SessionRequest {
  const seats = kept?.plan.seats ?? []
  return {
    facts,
    pins: seats.filter(({ pinned }) => pinned).map(asPlanSeat),
    ...(underWay && { underWay: { block: underWay.block, seats: seats.map(asPlanSeat) } }),
    weights: planningNumbers(facts.room.rules.numbers).weights,
    seconds: SECONDS,
    now: now.toISOString(),
  }
}

/** Equal for equal questions: a plan that was proved for another question is proved no more. */
const questionDigest = (question: PlanQuestion, pins: readonly PlannedSeat[]): string =>
  createHash('sha256')
    .update(JSON.stringify([question, pins.map(({ projectId, machineId, block }) => [projectId, machineId, block])]))
    .digest('base64url')
    .slice(0, 22)

export const askedNow = (session: WholeSession, now: Date) => {
  const asked = sessionQuestion(session.facts, now.toISOString())
  const pins = (session.kept?.plan.seats ?? []).filter(({ pinned }) => pinned)
  return { ...asked, digest: questionDigest(asked.question, pins) }
}
