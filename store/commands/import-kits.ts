import type { Transaction } from 'kysely'
import type { KitsFile } from '@/core/exchange/kits-file'
import type { Database } from '../database'
import { ERASED_PROJECT, withoutErased } from '../people/erased'
import { Refused } from '../refused'
import { command } from './command'
import { holdOpenCourse } from './course'
import { projectColumns } from './project'

/**
 * Reads a class back as it was written out. What is here already under the same id stays as it is; people, projects and
 * kits that are not here are added, with who gave them and when. Machines are found by id, else by name.
 */
export const importKits = command('import-kits', async (call, { file }) => {
  const { tx, actor } = call
  const { siteId, personId: writtenBy } = actor
  const { code } = await tx.selectFrom('site').select('code').where('site_id', '=', siteId).executeTakeFirstOrThrow()
  const machines = await tx.selectFrom('machine').select(['machine_id', 'name']).where('site_id', '=', siteId).execute()
  const machineOf = (machine: { machineId: string; name: string }, path: string): string => {
    const found =
      machines.find((each) => each.machine_id === machine.machineId) ??
      machines.find((each) => each.name === machine.name)
    if (!found)
      throw new Refused(409, 'no-such-machine', `No machine is called ${machine.name} here: add it first`, path)
    return found.machine_id
  }
  await addPeople(tx, siteId, peopleIn(file))
  const without = await withoutErased(tx, siteId, peopleIn(file))
  await tx
    .insertInto('course')
    .values({
      site_id: siteId,
      course_id: file.course.courseId,
      name: file.course.name,
      class_code: `${code}-${file.course.classCode}`,
    })
    .onConflict((conflict) => conflict.columns(['site_id', 'course_id']).doNothing())
    .execute()
  // Read back into a class that stands here, it is one that takes something in.
  await holdOpenCourse(call, file.course.courseId)
  for (const [index, project] of file.projects.entries()) {
    await tx
      .insertInto('enrolment')
      .values({
        site_id: siteId,
        enrolment_id: project.enrolmentId,
        course_id: file.course.courseId,
        person_id: project.learner.personId,
      })
      .onConflict((conflict) => conflict.columns(['site_id', 'enrolment_id']).doNothing())
      .execute()
    await tx
      .insertInto('project')
      .values({
        site_id: siteId,
        project_id: project.projectId,
        enrolment_id: project.enrolmentId,
        name: without.isErased(project.learner.personId) ? ERASED_PROJECT : without.text(project.name),
        ...projectColumns(project),
        written_by: writtenBy,
      })
      .onConflict((conflict) => conflict.columns(['site_id', 'project_id']).doNothing())
      .execute()
    for (const [at, given] of project.given.entries()) {
      await tx
        .insertInto('kit_given')
        .values({
          site_id: siteId,
          kit_given_id: given.kitGivenId,
          project_id: project.projectId,
          machine_id: machineOf(given.machine, `file.projects.${index}.given.${at}.machine.name`),
          kit: JSON.stringify(without.value(given.kit)),
          given_by: given.givenBy.personId,
          given_at: given.givenAt,
        })
        .onConflict((conflict) => conflict.columns(['site_id', 'kit_given_id']).doNothing())
        .execute()
    }
  }
})

type Person = KitsFile['projects'][number]['learner']

const peopleIn = ({ projects }: KitsFile): Person[] =>
  projects.flatMap(({ learner, given }) => [learner, ...given.map(({ givenBy }) => givenBy)])

/** People the venue does not know yet come in by name only, without a sign-in. */
async function addPeople(tx: Transaction<Database>, siteId: string, people: readonly Person[]): Promise<void> {
  const each = [...new Map(people.map((person) => [person.personId, person])).values()]
  if (each.length === 0) return
  await tx
    .insertInto('person')
    .values(each.map(({ personId, name }) => ({ site_id: siteId, person_id: personId, name })))
    .onConflict((conflict) => conflict.columns(['site_id', 'person_id']).doNothing())
    .execute()
}
