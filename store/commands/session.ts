import { SessionPlanSchema, type PlanProof, type SessionTimes, type SessionPlan } from '@/core/session/session-schema'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { STANDS_HERE } from '../machine/stands-here'
import { notFound, Refused } from '../refused'
import { mustBeAsSeen } from './as-seen'
import type { CommandBody } from '@/core/wire/commands'
import { command, type CommandCall } from './command'
import { holdOpenCourse } from './course'
import { holdPerson } from './people'

function inOrder({ startsAt, endsAt }: SessionTimes, path: string): void {
  if (new Date(endsAt) <= new Date(startsAt)) throw new Invalid('invalid', 'A session ends after it begins', path)
}

/** The sessions of a class, all in one write. */
export const addSessions = command('add-sessions', async (call, { courseId, sessions }) => {
  const { tx, actor } = call
  sessions.forEach((session, index) => inOrder(session, `sessions.${index}.endsAt`))
  await holdOpenCourse(call, courseId)
  await tx
    .insertInto('session')
    .values(
      sessions.map(({ sessionId, startsAt, endsAt, blocks }) => ({
        site_id: actor.siteId,
        session_id: sessionId,
        course_id: courseId,
        starts_at: startsAt,
        ends_at: endsAt,
        blocks,
      })),
    )
    .execute()
})

/** Another time, more or fewer blocks, called off or on again. */
export const changeSession = command('change-session', async (call, { sessionId, calledOff, ...facts }) => {
  inOrder(facts, 'endsAt')
  await holdSession(call, sessionId)
  await call.tx
    .updateTable('session')
    .set({
      starts_at: facts.startsAt,
      ends_at: facts.endsAt,
      blocks: facts.blocks,
      called_off: calledOff ?? null,
    })
    .where('site_id', '=', call.actor.siteId)
    .where('session_id', '=', sessionId)
    .execute()
})

/** What the class is told for next time; learners have it on their seat. */
export const tellClass = command('tell-class', async (call, { sessionId, said, was }) => {
  const { said_to_class } = await holdSession(call, sessionId)
  mustBeAsSeen({ said: was }, { ...(said_to_class !== null && { said: said_to_class }) }, 'What the class is told')
  await call.tx
    .updateTable('session')
    .set({ said_to_class: said?.trim() || null })
    .where('site_id', '=', call.actor.siteId)
    .where('session_id', '=', sessionId)
    .execute()
})

/** Who comes to a session, late or not at all. */
export const setAttendance = command('set-attendance', async (call, { sessionId, personId, comes, fromBlock, was }) => {
  const { tx, actor, now } = call
  const { course_id, blocks } = await holdSession(call, sessionId)
  await holdPerson(call, personId)
  const enrolled = await tx
    .selectFrom('enrolment')
    .select('person_id')
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', course_id)
    .where('person_id', '=', personId)
    .where('put_away_at', 'is', null)
    .executeTakeFirst()
  if (!enrolled) throw new Refused(404, 'not-found', 'Nobody of this id is in this class', 'personId')
  if (fromBlock !== undefined && fromBlock > blocks)
    throw new Invalid('invalid', `The session has ${blocksWords(blocks)}; there is no block ${fromBlock}`, 'fromBlock')
  const before = await tx
    .selectFrom('attendance')
    .select(['comes', 'from_block'])
    .where('site_id', '=', actor.siteId)
    .where('session_id', '=', sessionId)
    .where('person_id', '=', personId)
    .executeTakeFirst()
  const stands = {
    comes: before?.comes ?? 'here',
    ...(before?.from_block != null && { fromBlock: before.from_block }),
  }
  mustBeAsSeen(was, stands, 'Whether they come')
  if ((comes === 'late') !== (fromBlock !== undefined))
    throw new Invalid('invalid', 'Whoever comes late is there from a block, and nobody else is', 'fromBlock')
  const values = {
    comes,
    from_block: fromBlock ?? null,
    written_by: actor.personId,
    written_at: now,
  }
  await tx
    .insertInto('attendance')
    .values({ site_id: actor.siteId, session_id: sessionId, person_id: personId, ...values })
    .onConflict((conflict) => conflict.columns(['site_id', 'session_id', 'person_id']).doUpdateSet(values))
    .execute()
})

/** What somebody needs of a place. */
export const setNeeds = command('set-needs', async (call, { personId, needs, was }) => {
  const { tx, actor, now } = call
  await holdPerson(call, personId)
  const before = await tx
    .selectFrom('person_need')
    .select('needs')
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .forNoKeyUpdate()
    .executeTakeFirst()
  mustBeAsSeen(was, before?.needs ?? [], 'What they need')
  const values = { needs: JSON.stringify(needs), written_by: actor.personId, written_at: now }
  await tx
    .insertInto('person_need')
    .values({ site_id: actor.siteId, person_id: personId, ...values })
    .onConflict((conflict) => conflict.columns(['site_id', 'person_id']).doUpdateSet(values))
    .execute()
})

/** Two who sit in one block, or never in the same. */
export const pairPeople = command('pair-people', async (call, { pairId, kind, people: [one, other] }) => {
  const { tx, actor } = call
  if (one === other) throw new Invalid('invalid', 'A pair is two people', 'people.1')
  await holdPerson(call, one, 'people.0')
  await holdPerson(call, other, 'people.1')
  await tx
    .insertInto('seat_pair')
    .values({
      site_id: actor.siteId,
      pair_id: pairId,
      kind,
      one_id: one,
      other_id: other,
      written_by: actor.personId,
    })
    .execute()
})

export const endPair = command('end-pair', async ({ tx, actor, now }, { pairId }) => {
  const { numUpdatedRows } = await tx
    .updateTable('seat_pair')
    .set({ ended_at: now })
    .where('site_id', '=', actor.siteId)
    .where('pair_id', '=', pairId)
    .executeTakeFirst()
  if (numUpdatedRows === 0n) throw notFound('pair', 'pairId')
})

/**
 * A new plan of a session; nothing of an earlier one is lost. Made from a plan that is no longer the newest, it is refused.
 * What was proved of the plan it builds on goes along: whether it still holds is told from the seats.
 */
export const setPlan = command('set-plan', (call, body) => keepPlan(call, body, undefined))

/** A proof is the planner's word: only the server itself writes one, never whoever sends a plan. */
export const keepProvedPlan = (proof: PlanProof) => command('set-plan', (call, body) => keepPlan(call, body, proof))

async function keepPlan(
  call: CommandCall,
  { sessionId, basedOn, plan: asked }: CommandBody<'set-plan'>,
  proved: PlanProof | undefined,
): Promise<void> {
  const { tx, actor, now, commandId } = call
  const session = await holdSession(call, sessionId)
  const newest = await tx
    .selectFrom('session_plan')
    .select(['plan_id', 'plan'])
    .where('site_id', '=', actor.siteId)
    .where('session_id', '=', sessionId)
    .orderBy('landed', 'desc')
    .limit(1)
    .executeTakeFirst()
  if ((newest?.plan_id ?? null) !== basedOn)
    throw new Refused(409, 'changed', 'Somebody changed this plan meanwhile: look at theirs first', 'basedOn')
  await checkSeats(call, session, asked)
  const before = newest && check(SessionPlanSchema, newest.plan).proof
  const proof = proved ?? before
  const plan: SessionPlan = { ...asked, ...(proof && { proof }) }
  await tx
    .insertInto('session_plan')
    .values({
      site_id: actor.siteId,
      plan_id: commandId,
      session_id: sessionId,
      based_on: basedOn,
      plan: JSON.stringify(plan),
      made_by: actor.personId,
      made_at: now,
    })
    .execute()
}

/** Seats are of people who are enrolled, at machines that stand here, in blocks that there are; nobody sits on a lap. */
async function checkSeats(
  { tx, actor }: CommandCall,
  session: { readonly course_id: string; readonly blocks: number },
  { seats, leftOut }: Pick<SessionPlan, 'seats' | 'leftOut'>,
): Promise<void> {
  const machines = await tx
    .selectFrom('machine_state')
    .select('machine_id')
    .where('site_id', '=', actor.siteId)
    .where(STANDS_HERE)
    .execute()
  const projects = await tx
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .select(['project.project_id', 'enrolment.person_id'])
    .where('project.site_id', '=', actor.siteId)
    .where('enrolment.course_id', '=', session.course_id)
    .where('project.put_away_at', 'is', null)
    .where('enrolment.put_away_at', 'is', null)
    .execute()
  const here = new Set(machines.map(({ machine_id }) => machine_id))
  const personOf = new Map(projects.map(({ project_id, person_id }) => [project_id, person_id]))
  const taken = new Set<string>()
  for (const [index, { projectId, machineId, block }] of seats.entries()) {
    const path = `plan.seats.${index}`
    const person = personOf.get(projectId)
    if (person === undefined)
      throw new Refused(404, 'not-found', 'This project is not of this class', `${path}.projectId`)
    if (!here.has(machineId)) throw notFound('machine', `${path}.machineId`)
    if (block > session.blocks)
      throw new Invalid(
        'invalid',
        `The session has ${blocksWords(session.blocks)}; there is no block ${block}`,
        `${path}.block`,
      )
    for (const [key, words] of [
      [`place:${machineId}:${block}`, 'Two sit at one machine in one block'],
      [`project:${projectId}`, 'A project has two seats'],
      [`person:${person}:${block}`, 'Somebody sits at two machines in one block'],
    ] as const) {
      if (taken.has(key)) throw new Invalid('invalid', words, path)
      taken.add(key)
    }
  }
  const gone = leftOut.findIndex((machineId) => !here.has(machineId))
  if (gone >= 0) throw notFound('machine', `plan.leftOut.${gone}`)
}

const blocksWords = (blocks: number): string => (blocks === 1 ? 'one block' : `${blocks} blocks`)

async function holdSession(
  { tx, actor }: CommandCall,
  sessionId: string,
): Promise<{ course_id: string; blocks: number; said_to_class: string | null }> {
  const found = await tx
    .selectFrom('session')
    .select(['course_id', 'blocks', 'said_to_class', 'put_away_at'])
    .where('site_id', '=', actor.siteId)
    .where('session_id', '=', sessionId)
    .forUpdate()
    .executeTakeFirst()
  if (!found) throw notFound('session', 'sessionId')
  if (found.put_away_at) throw new Refused(409, 'put-away', 'This session is put away: take it out first', 'sessionId')
  return found
}
