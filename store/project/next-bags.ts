import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database'

/** The bags of open classes, by their projects' ids: of the class that meets next first. */
export async function readNextBags(
  store: Kysely<Database> | Transaction<Database>,
  siteId: string,
  now: Date,
  most: number,
): Promise<string[]> {
  const rows = await store
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'enrolment.site_id').onRef('course.course_id', '=', 'enrolment.course_id'),
    )
    .leftJoinLateral(
      (lateral) =>
        lateral
          .selectFrom('session')
          .select((of) => of.fn.min('starts_at').as('at'))
          .whereRef('session.site_id', '=', 'course.site_id')
          .whereRef('session.course_id', '=', 'course.course_id')
          .where('ends_at', '>', now)
          .where('called_off', 'is', null)
          .where('session.put_away_at', 'is', null)
          .as('meets'),
      (join) => join.onTrue(),
    )
    .select('project.project_id')
    .where('project.site_id', '=', siteId)
    .where('course.closed_at', 'is', null)
    .where('project.put_away_at', 'is', null)
    .where('enrolment.put_away_at', 'is', null)
    .orderBy('meets.at', (at) => at.asc().nullsLast())
    .orderBy('project.project_id')
    .limit(most)
    .execute()
  return rows.map(({ project_id }) => project_id)
}
