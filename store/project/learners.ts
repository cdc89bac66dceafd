import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** Somebody in a class. */
export interface LearnerShown {
  readonly enrolmentId: string
  readonly personId: string
  readonly courseId: string
  readonly course: string
  readonly name: string
  readonly putAway?: Date
}

/** Everybody in the classes of a venue, by name: those at work, or those who are put away. */
export async function readClassLearners(
  store: Reader,
  siteId: string,
  which: 'at-work' | 'put-away',
): Promise<LearnerShown[]> {
  const rows = await store
    .selectFrom('enrolment')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
    )
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'enrolment.site_id').onRef('course.course_id', '=', 'enrolment.course_id'),
    )
    .select([
      'enrolment_id',
      'person.person_id',
      'enrolment.course_id',
      'course.name as course',
      'person.name',
      'put_away_at',
    ])
    .where('enrolment.site_id', '=', siteId)
    .where('put_away_at', which === 'at-work' ? 'is' : 'is not', null)
    .where('person.erased_at', 'is', null)
    .orderBy('person.name')
    .execute()
  return rows.map((row) => ({
    enrolmentId: row.enrolment_id,
    personId: row.person_id,
    courseId: row.course_id,
    course: row.course,
    name: row.name,
    ...(row.put_away_at && { putAway: row.put_away_at }),
  }))
}
