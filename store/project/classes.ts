import type { Kysely, Transaction } from 'kysely'
import type { ClassSettings } from '@/core/room/class-settings'
import { ClassSettingsSchema } from '@/core/room/class-settings-schema'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

export interface ClassShown {
  readonly courseId: string
  readonly name: string
  readonly code: string
  readonly closedAt?: Date
  readonly learners: number
  readonly bags: number
  /** its next session, that was not called off */
  readonly nextAt?: Date
  readonly settings: ClassSettings
}

/** Every class of a venue with how many learn there and when it meets next; open ones first, then by name. */
export async function readClasses(store: Reader, siteId: string, now: Date): Promise<ClassShown[]> {
  const rows = await store
    .selectFrom('course')
    .select((course) => [
      'course_id',
      'name',
      'class_code',
      'closed_at',
      'settings',
      course
        .selectFrom('enrolment')
        .select((count) => count.fn.countAll<number>().as('learners'))
        .whereRef('enrolment.site_id', '=', 'course.site_id')
        .whereRef('enrolment.course_id', '=', 'course.course_id')
        .where('enrolment.put_away_at', 'is', null)
        .as('learners'),
      course
        .selectFrom('project')
        .innerJoin('enrolment', (join) =>
          join
            .onRef('enrolment.site_id', '=', 'project.site_id')
            .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
        )
        .select((count) => count.fn.countAll<number>().as('bags'))
        .whereRef('enrolment.site_id', '=', 'course.site_id')
        .whereRef('enrolment.course_id', '=', 'course.course_id')
        .where('enrolment.put_away_at', 'is', null)
        .where('project.put_away_at', 'is', null)
        .as('bags'),
      course
        .selectFrom('session')
        .select((starts) => starts.fn.min('starts_at').as('next_at'))
        .whereRef('session.site_id', '=', 'course.site_id')
        .whereRef('session.course_id', '=', 'course.course_id')
        .where('called_off', 'is', null)
        .where('session.put_away_at', 'is', null)
        .where('ends_at', '>', now)
        .as('next_at'),
    ])
    .where('site_id', '=', siteId)
    .orderBy((course) => course('closed_at', 'is not', null))
    .orderBy('name')
    .execute()
  return rows.map((row) => ({
    courseId: row.course_id,
    name: row.name,
    code: row.class_code,
    learners: Number(row.learners),
    bags: Number(row.bags),
    settings: check(ClassSettingsSchema, row.settings),
    ...(row.closed_at && { closedAt: row.closed_at }),
    ...(row.next_at && { nextAt: new Date(row.next_at) }),
  }))
}
