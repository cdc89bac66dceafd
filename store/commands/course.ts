import { randomInt } from 'node:crypto'
import { sql } from 'kysely'
import { CODE_LETTERS } from '@/core/people/invitation'
import { notFound, Refused } from '../refused'
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

export const closeCourse = command('close-course', (call, { courseId }) =>
  change(call, courseId, { closed_at: call.now }),
)

export const reopenCourse = command('reopen-course', (call, { courseId }) =>
  change(call, courseId, { closed_at: null }),
)

/** A learner of two classes is one person: what they have learnt and who they are goes along, their bags do not. */
export const copyCourse = command('copy-course', async (call, { courseId, copyOf, name, learners }) => {
  const { tx, actor } = call
  const from = await tx
    .selectFrom('course')
    .select('course_id')
    .where('site_id', '=', actor.siteId)
    .where('course_id', '=', copyOf)
    .executeTakeFirst()
  if (!from) throw notFound('class', 'copyOf')
  await tx
    .insertInto('course')
    .values({ site_id: actor.siteId, course_id: courseId, name, class_code: await wholeCode(call) })
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
        .where('course_id', '=', copyOf),
    )
    .execute()
})
