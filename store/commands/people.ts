import { sameName } from '@/core/people/same-name'
import { STAFF_ROLES, type StaffRole } from '@/core/room/role'
import { erasePerson } from '../people/erase'
import { notFound, Refused } from '../refused'
import { mustLeaveACoordinator } from '../site/coordinators'
import { invite } from '../site/invitations'
import { endSignIns } from '../site/people'
import { command, type CommandCall } from './command'

/** Whoever is known here and not erased. */
const whoIsThere = ({ tx, actor }: CommandCall, personId: string) =>
  tx
    .selectFrom('person')
    .select('person_id')
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('erased_at', 'is', null)

/**
 * Somebody of whom something is written, held until it is: erased meanwhile they would be written of anew.
 * @throws Refused 404 if they are not known here, or are erased
 */
export async function holdPerson(call: CommandCall, personId: string, path = 'personId'): Promise<void> {
  if (!(await whoIsThere(call, personId).forKeyShare().executeTakeFirst())) throw notFound('person', path)
}

/**
 * Whether somebody of this venue is erased; held, as by {@link holdPerson}.
 * @throws Refused 404 if nobody of that id was ever here
 */
export async function isErased({ tx, actor }: CommandCall, personId: string): Promise<boolean> {
  const person = await tx
    .selectFrom('person')
    .select('erased_at')
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .forKeyShare()
    .executeTakeFirst()
  if (!person) throw notFound('person', 'personId')
  return person.erased_at !== null
}

/** Somebody new, known by name at once and let in by a code that works once. */
export const invitePerson = command(
  'invite-person',
  async ({ tx, actor, now }, { personId, invitationId, name, role, code }) => {
    await tx.insertInto('person').values({ site_id: actor.siteId, person_id: personId, name }).execute()
    const of = { siteId: actor.siteId, personId, invitationId, role, code, now, madeBy: actor.personId }
    await invite(tx, { ...of, kind: 'join' })
  },
)

export const endInvitation = command('end-invitation', async ({ tx, actor, now }, { invitationId }) => {
  const { numUpdatedRows } = await tx
    .updateTable('invitation')
    .set({ ended_at: now })
    .where('site_id', '=', actor.siteId)
    .where('invitation_id', '=', invitationId)
    .where('used_at', 'is', null)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (numUpdatedRows === 0n) throw notFound('invitation in force', 'invitationId')
})

/** Staff who have forgotten their password, or who come back after they had left. */
export const letInAgain = command('let-in-again', async (call, { personId, invitationId, code }) => {
  const { tx, actor, now } = call
  const { role } = await mustBeStaff(call, personId)
  const of = { siteId: actor.siteId, personId, invitationId, role, code, now, madeBy: actor.personId }
  await invite(tx, { ...of, kind: 'password' })
})

export const changeRole = command('change-role', async (call, { personId, role }) => {
  const { tx, actor } = call
  await mustBeStaff(call, personId)
  if (role !== 'coordinator') await mustLeaveACoordinator(tx, actor.siteId, personId)
  await changeStaff(call, personId, { role })
})

/** Somebody leaves: they come in nowhere any more from this moment on, and stay in every book that names them. */
export const endPerson = command('end-person', async (call, { personId }) => {
  const { tx, actor, now } = call
  await mustBeStaff(call, personId)
  await mustLeaveACoordinator(tx, actor.siteId, personId)
  await changeStaff(call, personId, { ended_at: now })
  await tx
    .updateTable('invitation')
    .set({ ended_at: now })
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('used_at', 'is', null)
    .execute()
  await endSignIns(tx, actor.siteId, personId)
})

/** Whoever writes it sees every page in these units; nothing that is kept changes. */
export const setOwnUnits = command('set-own-units', async ({ tx, actor }, { units }) => {
  await tx
    .updateTable('person')
    .set({ units: units && JSON.stringify(units) })
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', actor.personId)
    .execute()
})

/** @throws Refused 409 where another learner of a class of theirs has the name: nobody could tell at the door which of them comes in */
export const renamePerson = command('rename-person', async (call, { personId, name }) => {
  await holdPerson(call, personId)
  // Held as by whoever adds somebody to them: of two who take one name at once the second is told.
  await call.tx
    .selectFrom('course')
    .select('course_id')
    .where('site_id', '=', call.actor.siteId)
    .where('course_id', 'in', (of) =>
      of
        .selectFrom('enrolment')
        .select('enrolment.course_id')
        .where('enrolment.site_id', '=', call.actor.siteId)
        .where('enrolment.person_id', '=', personId),
    )
    .orderBy('course_id')
    .forUpdate()
    .execute()
  const classmates = await call.tx
    .selectFrom('enrolment as own')
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'own.site_id').onRef('course.course_id', '=', 'own.course_id'),
    )
    .innerJoin('enrolment as each', (join) =>
      join.onRef('each.site_id', '=', 'own.site_id').onRef('each.course_id', '=', 'own.course_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'each.site_id').onRef('person.person_id', '=', 'each.person_id'),
    )
    .select(['person.name', 'course.name as course'])
    .where('own.site_id', '=', call.actor.siteId)
    .where('own.person_id', '=', personId)
    .where('own.put_away_at', 'is', null)
    .where('course.closed_at', 'is', null)
    .where('each.put_away_at', 'is', null)
    .where('each.person_id', '<>', personId)
    .execute()
  const [same] = sameName(name, classmates)
  if (same) throw new Refused(409, 'taken', `There is a ${same.name} in ${same.course} already`, 'name')
  await call.tx
    .updateTable('person')
    .set({ name })
    .where('site_id', '=', call.actor.siteId)
    .where('person_id', '=', personId)
    .execute()
})

/** Whoever can still come in is ended first, so that nobody erases a colleague by a slip. */
export const erase = command('erase-person', async (call, { personId }) => {
  const { tx, actor, now } = call
  // One of two who erase the same person finds them gone.
  if (!(await whoIsThere(call, personId).forUpdate().executeTakeFirst())) throw notFound('person', 'personId')
  const inForce = await tx
    .selectFrom('membership')
    .select('person_id')
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('role', 'in', STAFF_ROLES)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (inForce) throw new Refused(409, 'in-force', 'They are staff still: let them leave first', 'personId')
  await erasePerson(tx, actor.siteId, personId, now)
})

const changeStaff = (
  { tx, actor }: CommandCall,
  personId: string,
  to: { readonly role?: StaffRole; readonly ended_at?: Date },
) =>
  tx
    .updateTable('membership')
    .set(to)
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('role', 'in', STAFF_ROLES)
    .execute()

async function mustBeStaff({ tx, actor }: CommandCall, personId: string): Promise<{ readonly role: StaffRole }> {
  const found = await tx
    .selectFrom('membership')
    .select('role')
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('role', 'in', STAFF_ROLES)
    .executeTakeFirst()
  if (!found) throw notFound('member of staff', 'personId')
  return { role: found.role as StaffRole }
}
