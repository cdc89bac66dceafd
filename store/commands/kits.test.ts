import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { KitsFileSchema, type KitsFile } from '@/core/exchange/kits-file'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { check } from '@/core/schema/validate'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readKitsFile } from '../project/kits-file'
import { readGiven, readProject } from '../project/projects'
import { Refused } from '../refused'
import { readKitRoom } from '../room/kit-room'
import { aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

const traits = ORDINARY_TRAITS
const cloth = {
  fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3, guessed: ['thicknessMm'] },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
  sewn: { seamM: 3.5, starts: 4 },
}

let store: Store
let end: () => Promise<void>
const venues: Record<'first' | 'second', { who: Actor; machineId: string }> = {} as never

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  for (const code of ['first', 'second'] as const) {
    const who = await aVenue(store, code)
    const machineId = uuid()
    venues[code] = { who, machineId }
    const place = { x: 10, y: 10 }
    await run('add-machine', { machineId, name: 'Heron', number: 1, place, traits, source: 'manual' }, who)
  }
})
afterAll(() => end())

const run = (name: string, body: object, who: Actor, commandId = uuid()) =>
  runCommand(store, who, name, { commandId, body })
const fault = (work: Promise<unknown>) =>
  work.then(
    () => undefined,
    (error: unknown) => (error instanceof Refused ? { status: error.status, ...error.fault } : error),
  )

async function newClass(...learners: string[]) {
  const { who } = venues.first
  const courseId = uuid()
  await run('open-course', { courseId, name: 'Bags', classCode: `c${courseId.replaceAll('-', '').slice(-12)}` }, who)
  const projects = learners.map((learner) => ({
    projectId: uuid(),
    personId: uuid(),
    enrolmentId: uuid(),
    learner,
    name: 'a bag',
    ...cloth,
  }))
  await run('add-projects', { courseId, projects }, who)
  return { courseId, projectIds: projects.map(({ projectId }) => projectId) }
}
const give = (projectId: string, more: object = {}) =>
  run(
    'give-kit',
    { projectId, machineId: venues.first.machineId, needle: { point: 'universal', sizeNm: 70 }, ...more },
    venues.first.who,
  )

describe('projects from a sheet', () => {
  it('land together or not at all, one learner for one first name', async () => {
    const { projectIds } = await newClass('Ida', 'ida ', 'Jon')
    const people = await Promise.all(
      projectIds.map(async (id) => (await readProject(store, venues.first.who.siteId, id))!.personId),
    )
    expect(people[0]).toBe(people[1])
    expect(people[2]).not.toBe(people[0])
    const again = { projectId: projectIds[0], personId: uuid(), enrolmentId: uuid(), learner: 'x', name: 'x', ...cloth }
    const fresh = { ...again, projectId: uuid() }
    const { courseId } = (await readProject(store, venues.first.who.siteId, projectIds[0]!))!
    expect(await fault(run('add-projects', { courseId, projects: [fresh, again] }, venues.first.who))).toMatchObject({
      status: 409,
    })
    expect(await readProject(store, venues.first.who.siteId, fresh.projectId)).toBeUndefined()
  })
})

describe('a kit given with parts chosen otherwise', () => {
  it('keeps what was chosen, in place of what, why, and what it breaks', async () => {
    const {
      projectIds: [projectId],
    } = await newClass('Kim')
    const because = 'only these in the drawer'
    await give(projectId!, { overrides: [{ part: 'needle', value: { point: 'universal', sizeNm: 100 }, because }] })
    const [given] = await readGiven(store, venues.first.who.siteId, projectId!)
    expect(given).toMatchObject({ givenBy: venues.first.who.personId, kit: { needle: { sizeNm: 100 } } })
    expect(given!.kit.overrides).toEqual([
      {
        part: 'needle',
        because,
        instead: 'universal 70/10',
        breaks: ['This cloth likes 80 or less; 100 leaves visible holes.'],
      },
    ])
  })

  it('is refused where the machine cannot do it, and nothing is kept', async () => {
    const {
      projectIds: [projectId],
    } = await newClass('Lev')
    const because = 'I would like to'
    const overrides = [
      { part: 'dial', value: 4, because },
      { part: 'needle', value: { point: 'universal', sizeNm: 120 }, because },
    ]
    expect(await fault(give(projectId!, { overrides }))).toMatchObject({
      status: 409,
      code: 'cannot-be',
      path: 'overrides.1.value',
      message: 'The machine takes needles to 110; 120 would strike.',
    })
    expect(await fault(give(projectId!, { overrides: [overrides[0], overrides[0]] }))).toMatchObject({
      path: 'overrides.1.part',
    })
    expect(await readGiven(store, venues.first.who.siteId, projectId!)).toEqual([])
  })
})

describe('a drop test and a house rule', () => {
  it('count for the next kit, the newest test before the older', async () => {
    const { who } = venues.second
    const thread = { tex: 27, fibre: 'polyester' }
    await run('log-drop-test', { point: 'universal', sizeNm: 70, thread, result: 'slides' }, who)
    await run('log-drop-test', { point: 'universal', sizeNm: 70, thread, result: 'stays' }, who)
    await run('change-house-rules', { rules: { ...DEFAULT_HOUSE_RULES, numbers: { offsetTwin: -0.5 } } }, who)
    const room = await readKitRoom(store, who.siteId)
    expect(room.dropTests.map(({ result }) => result)).toEqual(['stays', 'slides'])
    expect(room.rules.numbers).toEqual({ offsetTwin: -0.5 })
    expect((await readKitRoom(store, venues.first.who.siteId)).dropTests).toEqual([])
    const strange = { rules: { ...DEFAULT_HOUSE_RULES, numbers: { offsetTwin: -9 } } }
    await expect(run('change-house-rules', strange, who)).rejects.toMatchObject({ path: 'rules.numbers.offsetTwin' })
  })
})

describe('a class written out', () => {
  const written = async (site: Actor, courseId: string): Promise<KitsFile> =>
    check(KitsFileSchema, JSON.parse(JSON.stringify(await readKitsFile(store, site.siteId, courseId))))

  it('is read back without loss, in another venue and twice', async () => {
    const { courseId, projectIds } = await newClass('Mo', 'Nia')
    await give(projectIds[0]!)
    await give(projectIds[0]!, { overrides: [{ part: 'dial', value: 5, because: 'as last week' }] })
    const file = await written(venues.first.who, courseId)
    expect(file.projects.map(({ given }) => given.length)).toEqual([2, 0])

    await run('import-kits', { file }, venues.first.who)
    expect(await written(venues.first.who, courseId)).toEqual(file)

    const { who, machineId } = venues.second
    await run('import-kits', { file }, who)
    await run('import-kits', { file }, who)
    const there = await written(who, courseId)
    // Another venue has a Heron of its own; everything else is as it was written.
    for (const { given } of there.projects)
      for (const { machine } of given) expect(machine).toEqual({ machineId, name: 'Heron' })
    const withoutMachine = ({ projects, ...rest }: KitsFile) => ({
      ...rest,
      projects: projects.map((project) => ({
        ...project,
        given: project.given.map(({ machine: _, ...given }) => given),
      })),
    })
    expect(withoutMachine(there)).toEqual(withoutMachine(file))
  })

  it('for a machine that stands nowhere is refused whole', async () => {
    const { courseId, projectIds } = await newClass('Ole')
    await give(projectIds[0]!)
    const file = await written(venues.first.who, courseId)
    const [project] = file.projects
    const elsewhere = structuredClone(file)
    elsewhere.projects[0]!.given[0]!.machine = { machineId: uuid(), name: 'Bittern' }
    expect(await fault(run('import-kits', { file: elsewhere }, venues.second.who))).toMatchObject({
      status: 409,
      path: 'file.projects.0.given.0.machine.name',
    })
    expect(await readProject(store, venues.second.who.siteId, project!.projectId)).toBeUndefined()
  })
})
