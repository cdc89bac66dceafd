import { hashPassword } from 'better-auth/crypto'
import type { Kysely, Transaction } from 'kysely'
import { v7 as uuid } from 'uuid'
import type { Role } from '@/core/room/role'
import type { Database } from '../database'
import { sameName } from '@/core/people/same-name'

type Reader = Kysely<Database> | Transaction<Database>

/** Makes a sign-in for a person who is there already. The password is hashed as the sign-in library hashes it. */
export async function addSignIn(
  tx: Transaction<Database>,
  who: {
    readonly siteId: string
    readonly personId: string
    readonly role: Role
    readonly name: string
    readonly email: string
    readonly password?: string
  },
): Promise<string> {
  const now = new Date()
  const userId = uuid()
  await tx
    .insertInto('sign_in_user')
    .values({
      id: userId,
      name: who.name,
      email: who.email.toLowerCase(),
      emailVerified: false,
      createdAt: now,
      updatedAt: now,
    })
    .execute()
  if (who.password !== undefined) {
    await tx
      .insertInto('sign_in_account')
      .values({
        id: uuid(),
        accountId: userId,
        providerId: 'credential',
        userId,
        password: await hashPassword(who.password),
        createdAt: now,
        updatedAt: now,
      })
      .execute()
  }
  await tx
    .insertInto('membership')
    .values({ site_id: who.siteId, user_id: userId, person_id: who.personId, role: who.role })
    .execute()
  return userId
}

/** Ends every sign-in of a person, on whatever device, and what they could come in by again without a password. */
export async function endSignIns(tx: Transaction<Database>, siteId: string, personId: string): Promise<void> {
  await tx.deleteFrom('pin').where('site_id', '=', siteId).where('person_id', '=', personId).execute()
  for (const table of ['sign_in_session', 'sign_in_passkey'] as const)
    await tx
      .deleteFrom(table)
      .where('userId', 'in', (members) =>
        members
          .selectFrom('membership')
          .select('user_id')
          .where('site_id', '=', siteId)
          .where('person_id', '=', personId),
      )
      .execute()
}

/** The site and role a signed-in user acts in; none for somebody who has left. */
export async function readMembership(store: Reader, userId: string) {
  return store
    .selectFrom('membership')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'membership.site_id').onRef('person.person_id', '=', 'membership.person_id'),
    )
    .select(['membership.site_id', 'membership.person_id', 'role', 'person.name', 'person.units'])
    .where('user_id', '=', userId)
    .where('membership.ended_at', 'is', null)
    .executeTakeFirst()
}

export async function readStaff(store: Reader, siteId: string) {
  return store
    .selectFrom('membership')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'membership.site_id').onRef('person.person_id', '=', 'membership.person_id'),
    )
    .innerJoin('sign_in_user', 'sign_in_user.id', 'membership.user_id')
    .select(['membership.person_id', 'person.name', 'role', 'sign_in_user.email', 'membership.ended_at'])
    .where('membership.site_id', '=', siteId)
    .where('role', '!=', 'learner')
    .orderBy('person.name')
    .execute()
}

/**
 * The sign-in of a learner who gives a class code and a first name, made at their first visit.
 * @returns undefined when no class has that code, or nobody of that name is in it
 */
export async function learnerSignIn(
  store: Kysely<Database>,
  code: string,
  firstName: string,
): Promise<string | undefined> {
  const [siteCode] = code.trim().toLowerCase().split('-')
  return store.transaction().execute(async (tx) => {
    const site = await tx
      .selectFrom('site')
      .select('site_id')
      .where('code', '=', siteCode ?? '')
      .executeTakeFirst()
    if (!site) return undefined
    const people = await tx
      .selectFrom('course')
      .innerJoin('enrolment', (join) =>
        join.onRef('enrolment.site_id', '=', 'course.site_id').onRef('enrolment.course_id', '=', 'course.course_id'),
      )
      .innerJoin('person', (join) =>
        join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
      )
      .select(['person.person_id', 'person.name'])
      .where('course.site_id', '=', site.site_id)
      .where('course.class_code', '=', code.trim().toLowerCase())
      .where('course.closed_at', 'is', null)
      .where('enrolment.put_away_at', 'is', null)
      .where('person.erased_at', 'is', null)
      .execute()
    const [person, other] = sameName(firstName, people)
    if (!person || other) return undefined
    // Held while it is looked up and made, so that two first visits at once make one sign-in.
    await tx
      .selectFrom('person')
      .select('person_id')
      .where('site_id', '=', site.site_id)
      .where('person_id', '=', person.person_id)
      .forUpdate()
      .execute()
    const known = await tx
      .selectFrom('membership')
      .select('user_id')
      .where('site_id', '=', site.site_id)
      .where('person_id', '=', person.person_id)
      .where('role', '=', 'learner')
      .executeTakeFirst()
    if (known) return known.user_id
    return addSignIn(tx, {
      siteId: site.site_id,
      personId: person.person_id,
      role: 'learner',
      name: person.name,
      email: `${person.person_id}@station.invalid`,
    })
  })
}

const HOUR_MS = 3_600_000
/** Without a session that runs, a learner stays signed in for so long. */
const LEARNER_HOURS = 4

/** Until when a learner stays signed in: an hour past the end of a session of theirs that runs now or soon, else for hours. */
export async function learnersUntil(store: Reader, userId: string, now: Date): Promise<Date> {
  const running = await store
    .selectFrom('membership')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'membership.site_id')
        .onRef('enrolment.person_id', '=', 'membership.person_id'),
    )
    .innerJoin('session', (join) =>
      join.onRef('session.site_id', '=', 'enrolment.site_id').onRef('session.course_id', '=', 'enrolment.course_id'),
    )
    .select('session.ends_at')
    .where('membership.user_id', '=', userId)
    .where('called_off', 'is', null)
    .where('session.put_away_at', 'is', null)
    .where('enrolment.put_away_at', 'is', null)
    .where('starts_at', '<', new Date(now.getTime() + 2 * HOUR_MS))
    .where('ends_at', '>', now)
    .orderBy('ends_at', 'desc')
    .limit(1)
    .executeTakeFirst()
  return running ? new Date(running.ends_at.getTime() + HOUR_MS) : new Date(now.getTime() + LEARNER_HOURS * HOUR_MS)
}
