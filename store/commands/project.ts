import Type from 'typebox'
import { kitMachine } from '@/core/machine/kit-machine'
import { computeKit } from '@/core/kit/kit'
import { LayersSchema, KitFabricSchema } from '@/core/schema/kit'
import { Name } from '@/core/schema/project'
import { Above0, OperationWord, PointWord, strict } from '@/core/schema/vocabulary'
import { readMachine } from '../machine/machines'
import { readProject, readStock } from '../project/projects'
import { notFound, Refused } from '../refused'
import { readSite } from '../site/site'
import { command, type CommandCall } from './command'

const Id = Type.String({ format: 'uuid' })

export const openCourse = command(
  strict({ courseId: Id, name: Name, classCode: Type.String({ pattern: '^[a-z0-9]{3,20}$' }) }),
  () => 'open-course',
  async ({ tx, actor }, { courseId, name, classCode }) => {
    const { code } = await tx
      .selectFrom('site')
      .select('code')
      .where('site_id', '=', actor.siteId)
      .executeTakeFirstOrThrow()
    const full = `${code}-${classCode}`
    const taken = await tx
      .selectFrom('course')
      .select('course_id')
      .where('site_id', '=', actor.siteId)
      .where('class_code', '=', full)
      .executeTakeFirst()
    if (taken) throw new Refused(409, 'taken', `Another class has the code ${full} already`, 'classCode')
    await tx
      .insertInto('course')
      .values({ site_id: actor.siteId, course_id: courseId, name, class_code: full })
      .execute()
  },
)

/** A project with the learner who makes it; a first name that the class already has is the same learner. */
export const addProject = command(
  strict({
    projectId: Id,
    courseId: Id,
    /** ids for the learner, used when the class has nobody of that name yet */
    personId: Id,
    enrolmentId: Id,
    learner: Name,
    name: Name,
    fabric: KitFabricSchema,
    layers: LayersSchema,
    operation: OperationWord,
  }),
  () => 'add-project',
  async (call, body) => {
    const { tx, actor } = call
    const course = await tx
      .selectFrom('course')
      .select('course_id')
      .where('site_id', '=', actor.siteId)
      .where('course_id', '=', body.courseId)
      .forUpdate()
      .executeTakeFirst()
    if (!course) throw notFound('class', 'courseId')
    await tx
      .insertInto('project')
      .values({
        site_id: actor.siteId,
        project_id: body.projectId,
        enrolment_id: await enrolmentOf(call, body),
        name: body.name.trim(),
        fabric: JSON.stringify(body.fabric),
        layers: JSON.stringify(body.layers),
        operation: body.operation,
        written_by: actor.personId,
      })
      .execute()
  },
)

async function enrolmentOf(
  { tx, actor }: CommandCall,
  body: { courseId: string; personId: string; enrolmentId: string; learner: string },
): Promise<string> {
  const learner = body.learner.trim()
  const known = await tx
    .selectFrom('enrolment')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
    )
    .select(['enrolment_id', 'person.name'])
    .where('enrolment.site_id', '=', actor.siteId)
    .where('course_id', '=', body.courseId)
    .execute()
  const same = known.find(({ name }) => name.toLowerCase() === learner.toLowerCase())
  if (same) return same.enrolment_id
  const { siteId } = actor
  await tx.insertInto('person').values({ site_id: siteId, person_id: body.personId, name: learner }).execute()
  await tx
    .insertInto('enrolment')
    .values({ site_id: siteId, enrolment_id: body.enrolmentId, course_id: body.courseId, person_id: body.personId })
    .execute()
  return body.enrolmentId
}

export const changeProject = command(
  strict({ projectId: Id, fabric: KitFabricSchema, layers: LayersSchema, operation: OperationWord }),
  () => 'change-project',
  async ({ tx, actor }, body) => {
    const { numUpdatedRows } = await tx
      .updateTable('project')
      .set({
        fabric: JSON.stringify(body.fabric),
        layers: JSON.stringify(body.layers),
        operation: body.operation,
        written_by: actor.personId,
      })
      .where('site_id', '=', actor.siteId)
      .where('project_id', '=', body.projectId)
      .executeTakeFirst()
    if (numUpdatedRows === 0n) throw notFound('project', 'projectId')
  },
)

/** Gives a project its kit for one machine: computed here again, so that what is kept is what the core says. */
export const giveKit = command(
  strict({
    projectId: Id,
    machineId: Id,
    needle: strict({ point: PointWord, sizeNm: Above0, gapMm: Type.Optional(Above0) }),
  }),
  () => 'give-kit',
  async ({ tx, actor, commandId, now }, { projectId, machineId, needle }) => {
    const [project, machine, site, stock] = [
      await readProject(tx, actor.siteId, projectId),
      await readMachine(tx, actor.siteId, machineId),
      await readSite(tx, actor.siteId),
      await readStock(tx, actor.siteId),
    ]
    if (!project) throw notFound('project', 'projectId')
    if (!machine) throw notFound('machine', 'machineId')
    const asked = kitMachine(machine.traits)
    if ('missing' in asked) {
      throw new Refused(
        409,
        'traits-missing',
        `Not known of ${machine.name} yet: ${asked.missing.join(', ')}`,
        'machineId',
      )
    }
    const answer = computeKit({
      fabric: project.fabric,
      layers: project.layers,
      operation: project.operation,
      machine: asked.machine,
      schools: site.houseRules.schools,
      learner: true,
      ...(stock && { stock }),
    })
    const kit = answer.kits.find(
      (each) =>
        each.needle.point === needle.point &&
        each.needle.sizeNm === needle.sizeNm &&
        each.needle.gapMm === needle.gapMm,
    )
    if (!kit) {
      const because = answer.refusals[0]?.because ?? 'The project or the room has changed since: look at its kit again.'
      throw new Refused(409, 'no-such-kit', because, 'needle')
    }
    await tx
      .insertInto('kit_given')
      .values({
        site_id: actor.siteId,
        kit_given_id: commandId,
        project_id: projectId,
        machine_id: machineId,
        kit: JSON.stringify(kit),
        given_by: actor.personId,
        given_at: now,
      })
      .execute()
  },
)
