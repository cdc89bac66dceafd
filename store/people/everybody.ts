import { sql, type Kysely } from 'kysely'
import type { Database } from '../database'

/** Everybody whom a venue knows by name, with what they are here; those who were erased are nobody. */
export async function readEverybody(store: Kysely<Database>, siteId: string) {
  const rows = await store
    .selectFrom('person')
    .select((person) => [
      'person_id',
      'name',
      person
        .selectFrom('membership')
        .select(sql<string>`max(role) || case when bool_and(ended_at is not null) then ', left' else '' end`.as('role'))
        .whereRef('membership.site_id', '=', 'person.site_id')
        .whereRef('membership.person_id', '=', 'person.person_id')
        .where('role', '!=', 'learner')
        .as('role'),
      person
        .selectFrom('enrolment')
        .innerJoin('course', (join) =>
          join.onRef('course.site_id', '=', 'enrolment.site_id').onRef('course.course_id', '=', 'enrolment.course_id'),
        )
        .select(sql<string>`string_agg(course.name, ', ' order by course.name)`.as('classes'))
        .whereRef('enrolment.site_id', '=', 'person.site_id')
        .whereRef('enrolment.person_id', '=', 'person.person_id')
        .as('classes'),
    ])
    .where('site_id', '=', siteId)
    .where('erased_at', 'is', null)
    .orderBy(sql`lower(name)`)
    .orderBy('person_id')
    .execute()
  return rows.map(({ person_id, name, role, classes }) => ({
    personId: person_id,
    name,
    words: [role, classes && `in ${classes}`].filter(Boolean).join(', ') || 'in no class',
    inForce: role !== null && !role.endsWith(', left'),
  }))
}
