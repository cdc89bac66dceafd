import { sql } from 'kysely'
import { kitRequestFor } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import { overrideKit, type Override } from '@/core/kit/override'
import type { Kit, KitRequest } from '@/core/kit/request'
import { choicesIn, travel } from '@/core/kit/travel'
import { stopsOf } from '@/core/machine/standing'
import { kitMachine } from '@/core/kit/kit-machine'
import { sameName } from '@/core/people/same-name'
import type { ProjectFacts } from '@/core/kit/project'
import { readMachine } from '../machine/machines'
import { readStanding } from '../machine/standing-lines'
import { readProject } from '../project/projects'
import { notFound, Refused } from '../refused'
import { readKitRoom } from '../room/kit-room'
import { mustBeAsSeen } from './as-seen'
import type { CommandBody } from '@/core/wire/commands'
import { command, type CommandCall } from './command'
import { mustStandHere } from './machine'
import { holdOpenCourse } from './course'

/** A project with the learner who makes it; a first name that the class already has is the same learner. */
export const addProject = command('add-project', async (call, body) => {
  await holdOpenCourse(call, body.courseId)
  await insertProject(call, body)
})

/** Projects from a sheet, all in one write: what lands, lands together. */
export const addProjects = command('add-projects', async (call, { courseId, projects }) => {
  await holdOpenCourse(call, courseId)
  for (const [index, { replaces, ...project }] of projects.entries()) {
    if (replaces === undefined) await insertProject(call, { courseId, ...project })
    else await replaceProject(call, courseId, replaces, project, `projects.${index}.replaces`)
  }
})

interface NewProject extends ProjectFacts {
  readonly projectId: string
  readonly courseId: string
  readonly personId: string
  readonly enrolmentId: string
  readonly learner: string
}

async function insertProject(call: CommandCall, project: NewProject): Promise<void> {
  const { tx, actor } = call
  await tx
    .insertInto('project')
    .values({
      site_id: actor.siteId,
      project_id: project.projectId,
      enrolment_id: await enrolmentOf(call, project),
      name: project.name.trim(),
      ...projectColumns(project),
      written_by: actor.personId,
    })
    .execute()
}

async function replaceProject(
  { tx, actor }: CommandCall,
  courseId: string,
  projectId: string,
  project: ProjectFacts,
  path: string,
): Promise<void> {
  const own = await tx
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .select(['project.name', PUT_AWAY_AT])
    .where('project.site_id', '=', actor.siteId)
    .where('project_id', '=', projectId)
    .where('course_id', '=', courseId)
    .executeTakeFirst()
  if (!own) throw notFound('project in this class', path)
  mustBeAtWork(own.name, own.put_away_at, path)
  await tx
    .updateTable('project')
    .set({ ...projectColumns(project), written_by: actor.personId })
    .where('site_id', '=', actor.siteId)
    .where('project_id', '=', projectId)
    .execute()
}

/** What of a project follows from its cloth and its work, as it is kept. */
export const projectColumns = ({ fabric, layers, operation, sewn }: Omit<ProjectFacts, 'name'>) => ({
  fabric: JSON.stringify(fabric),
  layers: JSON.stringify(layers),
  operation,
  sewn: sewn ? JSON.stringify(sewn) : null,
})

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
    .where('enrolment.put_away_at', 'is', null)
    .where('person.erased_at', 'is', null)
    .execute()
  const [same] = sameName(learner, known)
  if (same) return same.enrolment_id
  const { siteId } = actor
  // Somebody of another class is the same person here: what they have learnt goes along.
  const person = await tx
    .selectFrom('person')
    .select('name')
    .where('site_id', '=', siteId)
    .where('person_id', '=', body.personId)
    .where('erased_at', 'is', null)
    .executeTakeFirst()
  if (person) {
    if (sameName(learner, [person]).length === 0)
      throw new Refused(409, 'other-name', `Who was chosen is called ${person.name}, not ${learner}`, 'learner')
    const back = await tx
      .updateTable('enrolment')
      .set({ put_away_at: null, put_away_by: null })
      .where('site_id', '=', siteId)
      .where('course_id', '=', body.courseId)
      .where('person_id', '=', body.personId)
      .returning('enrolment_id')
      .executeTakeFirst()
    // They were put away in this very class: now they are at work again.
    if (back) return back.enrolment_id
  } else await tx.insertInto('person').values({ site_id: siteId, person_id: body.personId, name: learner }).execute()
  await tx
    .insertInto('enrolment')
    .values({ site_id: siteId, enrolment_id: body.enrolmentId, course_id: body.courseId, person_id: body.personId })
    .execute()
  return body.enrolmentId
}

export const changeProject = command('change-project', async ({ tx, actor }, body) => {
  const before = await tx
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .select(['name', 'fabric', 'layers', 'operation', 'sewn', PUT_AWAY_AT])
    .where('project.site_id', '=', actor.siteId)
    .where('project_id', '=', body.projectId)
    .forNoKeyUpdate('project')
    .executeTakeFirst()
  if (!before) throw notFound('project', 'projectId')
  mustBeAtWork(before.name, before.put_away_at)
  const { fabric, layers, operation, sewn } = before
  mustBeAsSeen(body.was, { fabric, layers, operation, ...(sewn !== null && { sewn }) }, 'This bag')
  await tx
    .updateTable('project')
    .set({ ...projectColumns(body), written_by: actor.personId })
    .where('site_id', '=', actor.siteId)
    .where('project_id', '=', body.projectId)
    .execute()
})

/**
 * Gives a project its kit for one machine: computed here again, so that what is kept is what the core says, with the parts
 * that a person chose otherwise and what that breaks.
 */
export const giveKit = command('give-kit', (call, kit) => give(call, call.commandId, kit))

/** Every learner's kit for the place where they sit now, all in one write: a block begins. */
export const giveKits = command('give-kits', async (call, { kits }) => {
  for (const { kitGivenId, ...kit } of kits) await give(call, kitGivenId, kit)
})

/** Kits that were given too early, for as long as nobody has sewn with them. */
export const takeKitsBack = command('take-kits-back', async ({ tx, actor, now }, { kitGivenIds }) => {
  const kits = await tx
    .selectFrom('kit_given')
    .innerJoin('machine', (join) =>
      join.onRef('machine.site_id', '=', 'kit_given.site_id').onRef('machine.machine_id', '=', 'kit_given.machine_id'),
    )
    .select(['kit_given_id', 'project_id', 'kit_given.machine_id', 'given_at', 'machine.name'])
    .where('kit_given.site_id', '=', actor.siteId)
    .where('kit_given_id', 'in', kitGivenIds)
    .where('taken_back_at', 'is', null)
    .forUpdate('kit_given')
    .execute()
  const gone = kitGivenIds.findIndex((id) => !kits.some(({ kit_given_id }) => kit_given_id === id))
  if (gone >= 0) throw notFound('given kit', `kitGivenIds.${gone}`)
  for (const kit of kits) {
    const sewn = await readStanding(tx, actor.siteId, {
      kinds: ['used', 'swatch-stitched'],
      machineIds: [kit.machine_id],
      since: kit.given_at,
    })
    if (sewn.length > 0)
      throw new Refused(409, 'sewn', `${kit.name} has sewn since this kit was given: it stands`, 'kitGivenIds')
  }
  await tx
    .updateTable('kit_given')
    .set({ taken_back_at: now, taken_back_by: actor.personId })
    .where('site_id', '=', actor.siteId)
    .where('kit_given_id', 'in', kitGivenIds)
    .execute()
})

async function give(
  { tx, actor, now }: CommandCall,
  kitGivenId: string,
  { projectId, machineId, needle, threadTex, overrides }: CommandBody<'give-kit'>,
): Promise<void> {
  const [project, machine, room] = [
    await readProject(tx, actor.siteId, projectId),
    await readMachine(tx, actor.siteId, machineId),
    await readKitRoom(tx, actor.siteId),
  ]
  if (!project) throw notFound('project', 'projectId')
  if (!machine) throw notFound('machine', 'machineId')
  mustBeAtWork(project.name, project.putAwayAt ?? null)
  mustStandHere(machine, 'machineId')
  // Whoever is given a kit sits there: nobody is sent to a machine on which nobody sews.
  const [stop] = stopsOf(machine.state, now.toISOString())
  if (stop) throw new Refused(409, 'stopped', `${machine.name} is stopped: ${stop}`, 'machineId')
  const asked = kitMachine(machine.traits)
  if ('missing' in asked) {
    throw new Refused(
      409,
      'traits-missing',
      `Not known of ${machine.name} yet: ${asked.missing.join(', ')}`,
      'machineId',
    )
  }
  const request = kitRequestFor(project, asked.machine, room)
  const answer = computeKit(request)
  const kit = answer.kits.find(
    (each) =>
      !needle ||
      (each.needle.point === needle.point &&
        each.needle.sizeNm === needle.sizeNm &&
        each.needle.gapMm === needle.gapMm &&
        (threadTex === undefined || each.topThread.tex === threadTex)),
  )
  if (!kit) {
    const because = answer.refusals[0]?.because ?? 'The project or the room has changed since: look at its kit again.'
    throw new Refused(409, 'no-such-kit', because, 'needle')
  }
  const before = project.given?.kit
  const given =
    overrides === undefined && (before?.overrides?.length || before?.dropped?.length)
      ? project.given!.machineId === machineId
        ? withOverrides(request, kit, choicesIn(before))
        : travel(request, before, kit)
      : withOverrides(request, kit, overrides ?? [])
  await tx
    .insertInto('kit_given')
    .values({
      site_id: actor.siteId,
      kit_given_id: kitGivenId,
      project_id: projectId,
      machine_id: machineId,
      kit: JSON.stringify(given),
      given_by: actor.personId,
      given_at: now,
    })
    .execute()
}

/** Since when a bag is put away, by itself or with whoever makes it. */
const PUT_AWAY_AT = sql<Date | null>`coalesce(project.put_away_at, enrolment.put_away_at)`.as('put_away_at')

function mustBeAtWork(name: string, putAwayAt: Date | null, path = 'projectId'): void {
  if (putAwayAt) throw new Refused(409, 'put-away', `${name} is put away: take it out first`, path)
}

/** @throws Refused where a part is chosen twice, or the machine cannot do what was chosen */
function withOverrides(request: KitRequest, kit: Kit, overrides: readonly Override[]): Kit {
  const twice = overrides.findIndex(({ part }, index) => overrides.findIndex((each) => each.part === part) !== index)
  if (twice >= 0)
    throw new Refused(400, 'invalid', `"${overrides[twice]!.part}" is chosen twice`, `overrides.${twice}.part`)
  const { kit: chosen, breaks } = overrideKit(request, kit, overrides)
  const stop = breaks.find(({ severity }) => severity === 'stop')
  if (stop) {
    const at = overrides.findIndex(({ part }) => part === stop.part)
    throw new Refused(409, 'cannot-be', stop.because, at < 0 ? 'overrides' : `overrides.${at}.value`)
  }
  return chosen
}
