import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { joinBy } from '../site/invitations'
import { learnerSignIn, readMembership, readStaff } from '../site/people'
import { readNames, readSite } from '../site/site'
import { aVenue, freshStore } from '../testing/store'
import { lastGiven, readCourses, readGiven, readProject, readProjects, readSitters, seatOf } from './projects'

let store: Store
let end: () => Promise<void>
let who: Actor
const [heron, dunlin] = [uuid(), uuid()]
let courseId: string
let code: string
let count = 0

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  for (const [machineId, name, number] of [
    [heron, 'Heron', 1],
    [dunlin, 'Dunlin', 2],
  ] as const)
    await run('add-machine', {
      machineId,
      name,
      number,
      place: { x: number * 20, y: 10 },
      traits: ORDINARY_TRAITS,
      source: 'manual',
    })
})
afterAll(() => end())
beforeEach(async () => {
  courseId = uuid()
  count += 1
  code = `bagsbags${count}`
  await run('open-course', { courseId, name: `Bags ${count}`, classCode: code })
})

const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
const facts = {
  fabric: { structure: 'woven', massGsm: 150 },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
}
const add = async (learner: string, more: object = {}) => {
  const ids = { projectId: uuid(), personId: uuid(), enrolmentId: uuid() }
  await run('add-project', { courseId, ...ids, learner, name: 'a bag', ...facts, ...more })
  return ids.projectId
}
const give = (projectId: string, machineId: string, sizeNm = 70) =>
  run('give-kit', { projectId, machineId, needle: { point: 'universal', sizeNm } })
const ofClass = () => readProjects(store, who.siteId, { courseId })

describe('projects', () => {
  it('hang by the learner’s name, whatever its case, and one first name in a class is one person', async () => {
    await add('zoë')
    await add('Ida', { name: 'a hat' })
    await add(' IDA ', { name: 'a scarf' })
    const projects = await ofClass()
    expect(projects.map(({ learner, name }) => `${learner}: ${name}`).sort()).toEqual([
      'Ida: a hat',
      'Ida: a scarf',
      'zoë: a bag',
    ])
    expect(projects.at(-1)!.learner).toBe('zoë')
    expect(new Set(projects.map(({ personId }) => personId)).size).toBe(2)
  })

  it('of one first name in two classes are two people', async () => {
    const here = await add('Ida')
    courseId = uuid()
    await run('open-course', { courseId, name: 'Hats', classCode: `hatshats${count}` })
    const there = await add('Ida')
    const [one, other] = await Promise.all([here, there].map((id) => readProject(store, who.siteId, id)))
    expect(one!.personId).not.toBe(other!.personId)
  })

  it('added by two people in the same moment find one learner', async () => {
    await Promise.all(['Jon', 'jon', 'JON', 'Jon'].map((learner) => add(learner)))
    const projects = await ofClass()
    expect(projects).toHaveLength(4)
    expect(new Set(projects.map(({ personId }) => personId)).size).toBe(1)
  })

  it('keep what was measured and nothing that was not, and change as a whole', async () => {
    const projectId = await add('Ida', { sewn: { seamM: 3, starts: 2 } })
    expect(await readProject(store, who.siteId, projectId)).toMatchObject({ ...facts, sewn: { seamM: 3, starts: 2 } })
    const fabric = { structure: 'knit', thicknessMm: 0.7, stretchPercent: 60 }
    await run('change-project', { projectId, ...facts, fabric })
    const changed = (await readProject(store, who.siteId, projectId))!
    expect(changed.fabric).toEqual(fabric)
    expect(changed.sewn).toBeUndefined()
    expect(changed.name).toBe('a bag')
    await expect(run('change-project', { projectId: uuid(), ...facts })).rejects.toMatchObject({
      status: 404,
      path: 'projectId',
    })
  })

  it('are refused whole for a class that is not there or a code that is taken', async () => {
    const before = (await readCourses(store, who.siteId)).length
    await expect(run('open-course', { courseId: uuid(), name: 'Again', classCode: code })).rejects.toMatchObject({
      status: 409,
      path: 'classCode',
    })
    expect(await readCourses(store, who.siteId)).toHaveLength(before)
    courseId = uuid()
    await expect(add('Ida')).rejects.toMatchObject({ status: 404, path: 'courseId' })
    const people = (await readNames(store, who.siteId)).size
    await expect(add('Nobody')).rejects.toMatchObject({ status: 404 })
    expect((await readNames(store, who.siteId)).size).toBe(people)
  })
})

describe('a seat', () => {
  it('is at the machine of the last kit given, for whichever of somebody’s projects', async () => {
    const [hat, scarf] = [await add('Ida', { name: 'a hat' }), await add('Ida', { name: 'a scarf' })]
    const { personId } = (await readProject(store, who.siteId, hat))!
    expect(await seatOf(store, who.siteId, personId)).toBeUndefined()
    await give(hat, heron)
    expect((await seatOf(store, who.siteId, personId))!.given!.machineId).toBe(heron)
    await give(scarf, dunlin)
    expect((await seatOf(store, who.siteId, personId))!.given!.machineId).toBe(dunlin)
    await give(hat, dunlin)
    await give(hat, heron)
    const seat = (await seatOf(store, who.siteId, personId))!
    expect([seat.projectId, seat.given!.machineId]).toEqual([hat, heron])
    expect((await readGiven(store, who.siteId, hat)).map(({ machineId }) => machineId)).toEqual([heron, dunlin, heron])
    expect(lastGiven(await readProjects(store, who.siteId, { personId }))!.projectId).toBe(hat)
  })

  it('passes on with the next kit that is given for its machine', async () => {
    const [ida, jon] = [await add('Ida'), await add('Jon')]
    await give(ida, heron)
    expect((await readSitters(store, who.siteId)).get(heron)).toBe('Ida')
    await give(jon, heron)
    expect((await readSitters(store, who.siteId)).get(heron)).toBe('Jon')
    await give(jon, dunlin)
    const sitters = await readSitters(store, who.siteId)
    expect([sitters.get(heron), sitters.get(dunlin)]).toEqual(['Ida', 'Jon'])
  })

  it('is given with a kit that the core finds itself, and with no other', async () => {
    const projectId = await add('Ida')
    await expect(give(projectId, heron, 110)).rejects.toMatchObject({
      status: 409,
      code: 'no-such-kit',
      path: 'needle',
    })
    await expect(give(uuid(), heron)).rejects.toMatchObject({ status: 404, path: 'projectId' })
    await expect(give(projectId, uuid())).rejects.toMatchObject({ status: 404, path: 'machineId' })
    expect(await readGiven(store, who.siteId, projectId)).toEqual([])
    const bare = uuid()
    await run('add-machine', {
      machineId: bare,
      name: `Bare ${count}`,
      number: 100 + count,
      place: { x: 1, y: 1 },
      traits: { drive: 'electronic' },
      source: 'manual',
    })
    await expect(give(projectId, bare)).rejects.toMatchObject({
      status: 409,
      code: 'traits-missing',
      path: 'machineId',
    })
  })
})

describe('people', () => {
  it('enter a class by its code and a first name, and one who is in no class does not', async () => {
    await add('Zoë')
    const full = `room-${code}`
    const userId = await learnerSignIn(store, ` ${full.toUpperCase()} `, ' zoë ')
    expect(userId).toBeDefined()
    expect(await learnerSignIn(store, full, 'Zoë')).toBe(userId)
    expect(await readMembership(store, userId!)).toMatchObject({ role: 'learner', name: 'Zoë', site_id: who.siteId })
    for (const [wrongCode, name] of [
      [full, 'Jon'],
      ['room-nothing', 'Zoë'],
      ['elsewhere-bags', 'Zoë'],
      ['', 'Zoë'],
      [full, ''],
    ] as const)
      expect(await learnerSignIn(store, wrongCode, name)).toBeUndefined()
  })

  it('make one sign-in when a learner’s two tablets open at once', async () => {
    await add('Kim')
    const ids = await Promise.all(Array.from({ length: 5 }, () => learnerSignIn(store, `room-${code}`, 'Kim')))
    expect(new Set(ids).size).toBe(1)
  })

  it('of the staff are let in once by their address, and a learner is never listed among them', async () => {
    const invited = (code: string) => ({ personId: uuid(), invitationId: uuid(), name: 'Bo', role: 'helper', code })
    const [one, other] = ['bbbb-bbbb-bbbb', 'cccc-cccc-cccc']
    await run('invite-person', invited(one))
    await joinBy(store, { code: one, email: 'Bo@Room.example', password: 'long-enough-1' }, new Date())
    const names = (await readStaff(store, who.siteId)).map(({ name, role }) => `${name} ${role}`)
    expect(names).toContain('Bo helper')
    expect(names.some((each) => each.startsWith('Kim'))).toBe(false)
    await run('invite-person', invited(other))
    const again = joinBy(store, { code: other, email: 'bo@room.example', password: 'long-enough-1' }, new Date())
    await expect(again).rejects.toMatchObject({ status: 409, path: 'email' })
    expect((await readSite(store, who.siteId)).name).toBe('room')
  })
})
