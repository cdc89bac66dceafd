import { randomInt } from 'node:crypto'
import { sql } from 'kysely'
import { ClassSettingsSchema } from '@/core/room/class-settings-schema'
import { check } from '@/core/schema/validate'
import { CODE_LETTERS } from '@/core/people/invitation'
import { notFound, Refused } from '../refused'
import { mustBeAsSeen } from './as-seen'
import { command, type CommandCall } from './command'

const newClassCode = (): string =>
  Array.from({ length: 8 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')

/** @throws Refused 409 when another class, open or closed, has it */
async function wholeCode({ tx, actor }: CommandCall, classCode = newClassCode()): Promise<string> {
  const site = await tx.selectFrom('site').select('code').where('site_id', '=', actor.siteId).executeTakeFirstOrThrow()
  const full = `${site.code}-${classCode}`
  const taken = await tx
    .selectFrom('course')
    .select('course_id')
    .where('site_id', '=', actor.siteId)
    .where('class_code', '=', full)
    .executeTakeFirst()
  if (taken) throw new Refused(409, 'taken', `Another class has the code ${full} already`, 'classCode')
  return full
}

/**
 * A class that takes something in, held meanwhile, so that two people who add the same first name at once add one learner.
 * @throws Refused 404, or 409 for one that is closed, whichever way in it comes
 */
export async function holdOpenCourse({ tx, actor }: CommandCall, courseId: string): Promise<void> {
  const course = await tx
    .selectFrom('course')
    .select(['name', 'closed_at'])
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', courseId)
    .forUpdate()
    .executeTakeFirst()
  if (!course) throw notFound('class', 'courseId')
  if (course.closed_at) throw new Refused(409, 'closed', `${course.name} is closed: open it again first`, 'courseId')
}

async function change(
  { tx, actor }: CommandCall,
  courseId: string,
  to: { readonly name?: string; readonly class_code?: string; readonly closed_at?: Date | null },
): Promise<void> {
  const { numUpdatedRows } = await tx
    .updateTable('course')
    .set(to)
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', courseId)
    .executeTakeFirst()
  if (numUpdatedRows === 0n) throw notFound('class', 'courseId')
}

export const openCourse = command('open-course', async (call, { courseId, name, classCode }) => {
  const class_code = await wholeCode(call, classCode)
  await call.tx
    .insertInto('course')
    .values({ site_id: call.actor.siteId, course_id: courseId, name, class_code })
    .execute()
})

export const renameCourse = command('rename-course', (call, { courseId, name }) => change(call, courseId, { name }))

export const changeClassCode = command('change-class-code', async (call, { courseId, classCode }) =>
  change(call, courseId, { class_code: await wholeCode(call, classCode) }),
)

/** What this class does in its own way. */
export const setClass = command('set-class', async ({ tx, actor }, { courseId, settings, was }) => {
  const course = await tx
    .selectFrom('course')
    .select('settings')
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', courseId)
    .forUpdate()
    .executeTakeFirst()
  if (!course) throw notFound('class', 'courseId')
  mustBeAsSeen(was, check(ClassSettingsSchema, course.settings), 'What this class does in its own way')
  await tx
    .updateTable('course')
    .set({ settings: JSON.stringify(settings) })
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', courseId)
    .execute()
})

/** Nobody comes in any more; of learners who are in no other open class the sign-ins end, and what they need is forgotten. */
export const closeCourse = command('close-course', async (call, { courseId }) => {
  await change(call, courseId, { closed_at: call.now })
  await forgetNeeds(call)
  const site = call.actor.siteId
  await sql`delete from sign_in_session where "userId" in (
    select user_id from membership m where m.site_id = ${site} and m.role = 'learner'
      and exists (select 1 from enrolment e where e.site_id = m.site_id and e.person_id = m.person_id
        and e.course_id = ${courseId})
      and not exists (select 1 from enrolment e join course c on c.site_id = e.site_id and c.course_id = e.course_id
        where e.site_id = m.site_id and e.person_id = m.person_id and e.put_away_at is null and c.closed_at is null))`.execute(
    call.tx,
  )
})

/** What somebody needs of a place is kept for as long as they are at work in an open class, and no longer. */
export async function forgetNeeds({ tx, actor }: CommandCall): Promise<void> {
  await sql`delete from person_need n where n.site_id = ${actor.siteId}
    and exists (select 1 from enrolment e where e.site_id = n.site_id and e.person_id = n.person_id)
    and not exists (select 1 from enrolment e join course c on c.site_id = e.site_id and c.course_id = e.course_id
      where e.site_id = n.site_id and e.person_id = n.person_id and e.put_away_at is null and c.closed_at is null)`.execute(
    tx,
  )
}

export const reopenCourse = command('reopen-course', (call, { courseId }) =>
  change(call, courseId, { closed_at: null }),
)

/** A learner of two classes is one person: what they have learnt and who they are goes along, their bags do not. */
export const copyCourse = command('copy-course', async (call, { courseId, copyOf, name, learners }) => {
  const { tx, actor } = call
  const from = await tx
    .selectFrom('course')
    .select('settings')
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', copyOf)
    .executeTakeFirst()
  if (!from) throw notFound('class', 'copyOf')
  await tx
    .insertInto('course')
    .values({
      site_id: actor.siteId,
      course_id: courseId,
      name,
      class_code: await wholeCode(call),
      settings: JSON.stringify(from.settings),
    })
    .execute()
  if (!learners) return
  await tx
    .insertInto('enrolment')
    .columns(['site_id', 'enrolment_id', 'course_id', 'person_id'])
    .expression((enrolled) =>
      enrolled
        .selectFrom('enrolment')
        .select([
          'site_id',
          sql<string>`gen_random_uuid()`.as('enrolment_id'),
          sql<string>`${courseId}::uuid`.as('course_id'),
          'person_id',
        ])
        .where('site_id', '=', actor.siteId)
        .where('course_id', '=', copyOf)
        .where('put_away_at', 'is', null),
    )
    .execute()
})
