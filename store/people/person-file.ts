import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database'
import { notFound } from '../refused'

type Reader = Kysely<Database> | Transaction<Database>

/** All that a venue keeps about one person, as it is given to them or to a parent; what others wrote of them is not theirs. */
export async function readPerson(store: Reader, siteId: string, personId: string) {
  const person = await store
    .selectFrom('person')
    .select(['name', 'erased_at', 'units'])
    .where('site_id', '=', siteId)
    .where('person_id', '=', personId)
    .executeTakeFirst()
  if (!person) throw notFound('person', 'person')
  const [signIns, passkeys, classes, projects, kits, lines, leftLines, calls, needs, learnt, attendance] =
    await Promise.all([
      store
        .selectFrom('membership')
        .innerJoin('sign_in_user', 'sign_in_user.id', 'membership.user_id')
        .leftJoin('sign_in_session', 'sign_in_session.userId', 'sign_in_user.id')
        .select([
          'role',
          'email',
          'membership.ended_at',
          'sign_in_session.createdAt as since',
          'userAgent',
          'ipAddress',
        ])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('membership')
        .innerJoin('sign_in_passkey', 'sign_in_passkey.userId', 'membership.user_id')
        .select(['sign_in_passkey.name', 'sign_in_passkey.createdAt as since'])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('enrolment')
        .innerJoin('course', (join) =>
          join.onRef('course.site_id', '=', 'enrolment.site_id').onRef('course.course_id', '=', 'enrolment.course_id'),
        )
        .select(['course.name'])
        .where('enrolment.site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('project')
        .innerJoin('enrolment', (join) =>
          join
            .onRef('enrolment.site_id', '=', 'project.site_id')
            .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
        )
        .select(['project_id', 'project.name', 'fabric', 'layers', 'operation', 'sewn'])
        .where('project.site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('kit_given')
        .innerJoin('project', (join) =>
          join
            .onRef('project.site_id', '=', 'kit_given.site_id')
            .onRef('project.project_id', '=', 'kit_given.project_id'),
        )
        .innerJoin('enrolment', (join) =>
          join
            .onRef('enrolment.site_id', '=', 'project.site_id')
            .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
        )
        .select(['kit_given.project_id', 'machine_id', 'kit', 'given_at'])
        .where('kit_given.site_id', '=', siteId)
        .where('enrolment.person_id', '=', personId)
        .execute(),
      store
        .selectFrom('machine_event')
        .select(['machine_id', 'happened_at', 'kind', 'body'])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .orderBy('happened_at')
        .execute(),
      store
        .selectFrom('left_line')
        .select(['machine_id', 'happened_at', 'kind', 'body', 'because', 'decided_at', 'taken'])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .orderBy('happened_at')
        .execute(),
      store
        .selectFrom('help_call')
        .select(['machine_id', 'about', 'found', 'called_at', 'ended_at'])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('person_need')
        .select('needs')
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('person_event')
        .select(['kind', 'body'])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
      store
        .selectFrom('attendance')
        .select(['session_id', 'comes'])
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .execute(),
    ])
  return {
    orthodex: 'person',
    version: 1,
    name: person.name,
    units: person.units,
    signIns,
    passkeys,
    classes: classes.map(({ name }) => name),
    projects,
    kits,
    lines,
    leftLines,
    calls,
    needs: needs.flatMap((each) => each.needs),
    learnt,
    attendance,
  } as const
}
