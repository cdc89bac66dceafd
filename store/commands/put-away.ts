import { sql } from 'kysely'
import { sameName } from '@/core/people/same-name'
import type { Puttable } from '@/core/wire/commands/putting-away'
import { readMachine } from '../machine/machines'
import { notFound, Refused } from '../refused'
import { mustBeAsSeen } from './as-seen'
import { forgetNeeds } from './course'
import { command, type CommandCall } from './command'

const TABLES = {
  project: { table: 'project', id: 'project_id' },
  learner: { table: 'enrolment', id: 'enrolment_id' },
  session: { table: 'session', id: 'session_id' },
} as const satisfies Record<Puttable, { table: string; id: string }>

/** @param at null: it is at work again */
async function mark({ tx, actor }: CommandCall, what: Puttable, id: string, at: Date | null): Promise<void> {
  const { table, id: column } = TABLES[what]
  const { numAffectedRows } = await sql`update ${sql.table(table)}
    set put_away_at = ${at}, put_away_by = ${at && actor.personId}
    where site_id = ${actor.siteId} and ${sql.ref(column)} = ${id}`.execute(tx)
  if (numAffectedRows === 0n) throw notFound(what, 'id')
}

/** Put away twice is put away: who was first stays. A learner who is put away everywhere is signed out. */
export const putAway = command('put-away', async (call, { what, id }) => {
  const { tx, actor, now } = call
  await mark(call, what, id, now)
  if (what !== 'learner') return
  await forgetNeeds(call)
  await sql`delete from sign_in_session where "userId" in (
    select m.user_id from membership m
      join enrolment e on e.site_id = m.site_id and e.person_id = m.person_id
      where m.site_id = ${actor.siteId} and m.role = 'learner' and e.enrolment_id = ${id}
      and not exists (select 1 from enrolment o join course c on c.site_id = o.site_id and c.course_id = o.course_id
        where o.site_id = m.site_id and o.person_id = m.person_id and o.put_away_at is null and c.closed_at is null))`.execute(
    tx,
  )
})

export const takeOut = command('take-out', async (call, { what, id }) => {
  if (what === 'learner') await mustBeTheOnlyOne(call, id)
  await mark(call, what, id, null)
})

/** Two of one first name in a class could not tell at the door who they are. */
async function mustBeTheOnlyOne({ tx, actor }: CommandCall, enrolmentId: string): Promise<void> {
  const rows = await tx
    .selectFrom('enrolment as own')
    .innerJoin('enrolment as each', (join) =>
      join.onRef('each.site_id', '=', 'own.site_id').onRef('each.course_id', '=', 'own.course_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'each.site_id').onRef('person.person_id', '=', 'each.person_id'),
    )
    .select(['each.enrolment_id', 'each.put_away_at', 'person.name'])
    .where('own.site_id', '=', actor.siteId)
    .where('own.enrolment_id', '=', enrolmentId)
    .execute()
  const own = rows.find(({ enrolment_id }) => enrolment_id === enrolmentId)
  if (!own) throw notFound('learner', 'id')
  const others = rows.filter((each) => each.put_away_at === null && each.enrolment_id !== enrolmentId)
  if (sameName(own.name, others).length > 0)
    throw new Refused(409, 'taken', `Another ${own.name} is in this class by now: rename one of them first`, 'id')
}

export const renameProject = command('rename-project', async ({ tx, actor }, { projectId, name, was }) => {
  const before = await tx
    .selectFrom('project')
    .select('name')
    .where('site_id', '=', actor.siteId)
    .where('project_id', '=', projectId)
    .forNoKeyUpdate()
    .executeTakeFirst()
  if (!before) throw notFound('project', 'projectId')
  mustBeAsSeen(was, before.name, 'This name')
  await tx
    .updateTable('project')
    .set({ name, written_by: actor.personId })
    .where('site_id', '=', actor.siteId)
    .where('project_id', '=', projectId)
    .execute()
})

/** @throws Refused 409 when another machine, here or put away, has the name or the number */
export const renameMachine = command('rename-machine', async ({ tx, actor }, { machineId, ...facts }) => {
  if (!(await readMachine(tx, actor.siteId, machineId))) throw notFound('machine', 'machineId')
  await mustBeFreeName(tx, actor.siteId, facts, machineId)
  await tx
    .updateTable('machine')
    .set(facts)
    .where('site_id', '=', actor.siteId)
    .where('machine_id', '=', machineId)
    .execute()
})

/** @param but the machine that is renamed */
export async function mustBeFreeName(
  tx: CommandCall['tx'],
  siteId: string,
  { name, number }: { readonly name: string; readonly number: number },
  but?: string,
): Promise<void> {
  const taken = await tx
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .select(['name', 'number'])
    .select(sql<boolean>`machine_state.state->'putAway' is not null`.as('away'))
    .where('machine.site_id', '=', siteId)
    .where((where) => where.or([where('name', '=', name), where('number', '=', number)]))
    .$if(but !== undefined, (query) => query.where('machine.machine_id', '!=', but!))
    .executeTakeFirst()
  if (!taken) return
  const path = taken.name === name ? 'name' : 'number'
  const which = taken.away ? 'A machine that is put away' : 'Another machine'
  throw new Refused(409, 'taken', `${which} has the ${path} ${taken[path]} already`, path)
}
