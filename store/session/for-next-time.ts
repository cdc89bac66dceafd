import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** What a class hears of until it meets again. */
export interface ForNextTime {
  readonly course: string
  /** what the instructor said at the end of the last session */
  readonly said?: string
  /** when the class meets again; absent: no further session is in the calendar */
  readonly meets?: Date
}

/** For each class that somebody is in and that has met: what was said at the end of its last session, and when it meets again. */
export async function readForNextTime(
  store: Reader,
  siteId: string,
  personId: string,
  now: Date,
): Promise<ForNextTime[]> {
  const rows = await store
    .selectFrom('enrolment')
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'enrolment.site_id').onRef('course.course_id', '=', 'enrolment.course_id'),
    )
    .innerJoin('session', (join) =>
      join.onRef('session.site_id', '=', 'enrolment.site_id').onRef('session.course_id', '=', 'enrolment.course_id'),
    )
    .select(['course.course_id', 'course.name', 'starts_at', 'said_to_class'])
    .where('enrolment.site_id', '=', siteId)
    .where('enrolment.person_id', '=', personId)
    .where('enrolment.put_away_at', 'is', null)
    .where('course.closed_at', 'is', null)
    .where('session.put_away_at', 'is', null)
    .where('called_off', 'is', null)
    .orderBy('starts_at')
    .orderBy('session_id')
    .execute()
  const classes = [...new Map(rows.map((row) => [row.course_id, row.name]))]
  return classes.flatMap(([courseId, course]): ForNextTime[] => {
    const own = rows.filter((row) => row.course_id === courseId)
    const last = own.findLast((row) => row.starts_at <= now)
    const meets = own.find((row) => row.starts_at > now)?.starts_at
    return last ? [{ course, ...(last.said_to_class && { said: last.said_to_class }), ...(meets && { meets }) }] : []
  })
}
