import type { Kysely, Transaction } from 'kysely'
import type { KitsFile } from '@/core/exchange/kits-file'
import { KitSchema } from '@/core/kit/kit-schema'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'
import { notFound } from '../refused'
import { readNames } from '../site/site'
import { readProjects } from './projects'

type Reader = Kysely<Database> | Transaction<Database>

/**
 * A class with its projects and every kit given, to be written out.
 * @throws Refused 404 when the site has no such class
 */
export async function readKitsFile(store: Reader, siteId: string, courseId: string): Promise<KitsFile> {
  const course = await store
    .selectFrom('course')
    .select(['course_id', 'name', 'class_code'])
    .where('site_id', '=', siteId)
    .where('course_id', '=', courseId)
    .executeTakeFirst()
  if (!course) throw notFound('class', 'course')
  const [projects, names, given] = await Promise.all([
    readProjects(store, siteId, { courseId }),
    readNames(store, siteId),
    store
      .selectFrom('kit_given')
      .innerJoin('machine', (join) =>
        join
          .onRef('machine.site_id', '=', 'kit_given.site_id')
          .onRef('machine.machine_id', '=', 'kit_given.machine_id'),
      )
      .select(['project_id', 'kit_given_id', 'kit_given.machine_id', 'machine.name', 'kit', 'given_at', 'given_by'])
      .where('kit_given.site_id', '=', siteId)
      .orderBy('given_at')
      .orderBy('kit_given_id')
      .execute(),
  ])
  return {
    orthodex: 'kits',
    version: 1,
    course: { courseId: course.course_id, name: course.name, classCode: course.class_code.split('-')[1]! },
    projects: projects.map((project) => ({
      projectId: project.projectId,
      enrolmentId: project.enrolmentId,
      learner: { personId: project.personId, name: project.learner },
      name: project.name,
      fabric: project.fabric,
      layers: project.layers,
      operation: project.operation,
      ...(project.sewn && { sewn: project.sewn }),
      given: given
        .filter(({ project_id }) => project_id === project.projectId)
        .map((row) => ({
          kitGivenId: row.kit_given_id,
          machine: { machineId: row.machine_id, name: row.name },
          kit: check(KitSchema, row.kit),
          givenAt: row.given_at.toISOString(),
          givenBy: { personId: row.given_by, name: names.get(row.given_by) ?? 'somebody' },
        })),
    })),
  }
}
