import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Role } from '@/core/room/role'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { readMachine, readMachines, readRoom } from '../machine/machines'
import { readMachinesFile } from '../machine/machines-file'
import { readClasses } from '../project/classes'
import { readClassLearners } from '../project/learners'
import { readProject, readProjects, readSitters, seatOf } from '../project/projects'
import { readPlanHistory, readPlans, readSessions } from '../session/sessions'
import { learnerSignIn } from '../site/people'
import { aProject, aStaffedVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

let store: Store
let end: () => Promise<void>
let siteId: string
const actors = {} as Record<Role, Actor>
const courseId = uuid()
let number = 0
let machineId: string
let bag: ReturnType<typeof aProject>

const run = (name: string, body: object, as: Role = 'coordinator', commandId = uuid()) =>
  runCommand(store, actors[as], name, { commandId, body })
const log = async (kind: string, body: object, at = new Date(), as: Role = 'coordinator') => {
  const id = uuid()
  await run('log', { machineId, happenedAt: at.toISOString(), kind, body }, as, id)
  return id
}
const addMachine = async (place = { x: 10, y: 10 }) => {
  number += 1
  const id = uuid()
  const body = { machineId: id, name: `Stint ${number}`, number, place, traits: ORDINARY_TRAITS, source: 'manual' }
  await run('add-machine', body)
  return id
}
const giveKit = () => run('give-kits', { kits: [{ kitGivenId: uuid(), projectId: bag.projectId, machineId }] })
const standsHere = async () => (await readMachines(store, siteId)).some((each) => each.machineId === machineId)
const minutesAgo = (minutes: number) => new Date(Date.now() - minutes * 60_000)

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  Object.assign(actors, await aStaffedVenue(store, 'room'))
  siteId = actors.coordinator.siteId
  await run('open-course', { courseId, name: 'Bags' })
})
beforeEach(async () => {
  machineId = await addMachine()
  bag = aProject(`Ida ${number}`)
  await run('add-projects', { courseId, projects: [bag] })
})
afterAll(() => end())

describe('a machine that is put away', () => {
  it('is in no list, no plan and nobody’s seat, and its book stays', async () => {
    await giveKit()
    const sessionId = uuid()
    const session = { sessionId, startsAt: '2031-01-10T18:00:00Z', endsAt: '2031-01-10T20:00:00Z', blocks: 1 }
    await run('add-sessions', { courseId, sessions: [session] })
    const plan = { seats: [{ projectId: bag.projectId, machineId, block: 1 }], leftOut: [] }
    await run('set-plan', { sessionId, basedOn: null, plan })
    expect((await readPlans(store, siteId)).get(sessionId)!.plan.seats).toHaveLength(1)
    await log('put-away', { because: 'given to the school' })
    expect(await standsHere()).toBe(false)
    expect((await readRoom(store, siteId)).some((each) => each.machineId === machineId)).toBe(false)
    expect((await readPlans(store, siteId)).get(sessionId)!.plan.seats).toEqual([])
    expect((await readPlanHistory(store, siteId, sessionId))[0]!.plan.seats).toHaveLength(1)
    expect(await seatOf(store, siteId, bag.personId)).toBeUndefined()
    expect((await readMachine(store, siteId, machineId))!.state.putAway).toMatchObject({
      because: 'given to the school',
    })
    expect((await readBook(store, siteId, machineId)).at(-1)!.kind).toBe('put-away')
    expect((await readMachinesFile(store, siteId)).machines.some((each) => each.machineId === machineId)).toBe(true)
    expect((await readMachines(store, siteId, { putAway: true })).map((each) => each.machineId)).toContain(machineId)
  })

  it('takes nothing by any way in, but what happened before, corrections, and coming back', async () => {
    const noted = await log('noted', { text: 'a note' }, minutesAgo(60))
    await log('put-away', {}, minutesAgo(30))
    const refusal = { status: 409, code: 'put-away' }
    const tries: [string, object][] = [
      ['log', { machineId, happenedAt: minutesAgo(5).toISOString(), kind: 'cleaned', body: {} }],
      ['log', { machineId, happenedAt: new Date().toISOString(), kind: 'put-away', body: {} }],
      ['set-trait', { machineId, trait: 'evenFeed', value: true, source: 'tried' }],
      ['place-machine', { machineId, place: { x: 300, y: 300 } }],
      ['give-kits', { kits: [{ kitGivenId: uuid(), projectId: bag.projectId, machineId }] }],
    ]
    for (const [name, body] of tries) await expect(run(name, body), name).rejects.toMatchObject(refusal)
    await log('cleaned', {}, minutesAgo(40))
    await log('correction', { corrects: noted, because: 'wrong machine' })
    await log('redacted', { line: noted })
    await log('taken-out', {})
    expect(await standsHere()).toBe(true)
    await log('cleaned', {})
  })

  it('comes back by taking its line back, too, at a free table, with every check asked anew', async () => {
    const line = await log('put-away', {})
    const { place } = (await readMachine(store, siteId, machineId))!
    const other = await addMachine(place)
    expect((await readMachine(store, siteId, other))!.place).toEqual(place)
    await log('correction', { corrects: line, because: 'not that one' })
    expect(await standsHere()).toBe(true)
    expect((await readMachine(store, siteId, machineId))!.place).not.toEqual(place)
  })

  it('keeps its name and number for itself, and may have others', async () => {
    const { name } = (await readMachine(store, siteId, machineId))!
    await log('put-away', {})
    const clash = { machineId: uuid(), name, number: 900, place: { x: 1, y: 1 }, traits: {}, source: 'manual' }
    await expect(run('add-machine', clash)).rejects.toMatchObject({ status: 409, path: 'name' })
    await run('rename-machine', { machineId, name: `${name}, the old one`, number: 901, notes: 'at the school' })
    await run('add-machine', clash)
    expect(await readMachine(store, siteId, machineId)).toMatchObject({ number: 901, notes: 'at the school' })
    await expect(run('rename-machine', { machineId, name, number: 901, notes: '' })).rejects.toMatchObject({
      status: 409,
      path: 'name',
    })
  })

  it('is put away and taken out by those who teach', async () => {
    for (const kind of ['put-away', 'taken-out'])
      await expect(log(kind, {}, new Date(), 'helper')).rejects.toMatchObject({ status: 403 })
    await log('put-away', {}, new Date(), 'instructor')
  })
})

describe('a file of machines', () => {
  const bring = (book: object[]) => async () => {
    const file = await readMachinesFile(store, siteId, machineId)
    const [machine] = file.machines
    const line = { eventId: uuid(), happenedAt: new Date().toISOString(), personId: actors.coordinator.personId }
    const lines = book.map((each) => ({ ...line, eventId: uuid(), ...each }))
    await run('import-machines', { file: { ...file, machines: [{ ...machine!, book: lines }] } })
  }

  it('brings nothing to one that is put away, but what brings it back to a free table', async () => {
    await log('put-away', {})
    const { place } = (await readMachine(store, siteId, machineId))!
    await addMachine(place)
    const cleaned = { kind: 'cleaned', body: {} }
    await expect(bring([cleaned])()).rejects.toMatchObject({ status: 409, path: 'file.machines.0.book.0.happenedAt' })
    await bring([{ kind: 'taken-out', body: {} }, cleaned])()
    expect(await standsHere()).toBe(true)
    expect((await readMachine(store, siteId, machineId))!.place).not.toEqual(place)
  })

  it('takes words out where one of its lines says so', async () => {
    const note = await log('noted', { text: 'Wilhelmina' })
    await bring([{ kind: 'redacted', body: { line: note } }])()
    expect(JSON.stringify(await readBook(store, siteId, machineId))).not.toContain('Wilhelmina')
  })
})

describe('a bag that is put away', () => {
  it('hangs on no rack and takes no kit, and comes back as it was', async () => {
    await giveKit()
    const before = await readProject(store, siteId, bag.projectId)
    await run('put-away', { what: 'project', id: bag.projectId })
    expect((await readProjects(store, siteId)).some(({ projectId }) => projectId === bag.projectId)).toBe(false)
    expect((await readSitters(store, siteId)).get(machineId)).toBeUndefined()
    await expect(giveKit()).rejects.toMatchObject({ status: 409, code: 'put-away' })
    const { fabric, layers, operation } = bag
    const change = { projectId: bag.projectId, fabric, layers, operation }
    await expect(run('change-project', change)).rejects.toMatchObject({ status: 409, code: 'put-away' })
    expect(await readProject(store, siteId, bag.projectId)).toMatchObject({ putAway: 'bag' })
    await run('take-out', { what: 'project', id: bag.projectId })
    expect(await readProject(store, siteId, bag.projectId)).toEqual(before)
  })

  it('is renamed by whoever saw the name it has', async () => {
    await run('rename-project', { projectId: bag.projectId, name: 'a tote', was: 'a bag' })
    const late = run('rename-project', { projectId: bag.projectId, name: 'a sack', was: 'a bag' })
    await expect(late).rejects.toMatchObject({ status: 409, code: 'changed' })
    expect((await readProject(store, siteId, bag.projectId))!.name).toBe('a tote')
  })
})

describe('a learner who is put away', () => {
  const code = async () =>
    (await readClasses(store, siteId, new Date())).find((each) => each.courseId === courseId)!.code

  it('goes with their bags, is signed out and let in no more, until they are taken out', async () => {
    const userId = (await learnerSignIn(store, await code(), bag.learner))!
    const row = { id: userId, token: userId, userId, updatedAt: new Date(), expiresAt: new Date(Date.now() + 1e6) }
    await ofEveryVenue(store)
      .insertInto('sign_in_session')
      .values(row as never)
      .execute()
    await run('put-away', { what: 'learner', id: bag.enrolmentId })
    expect(
      await ofEveryVenue(store).selectFrom('sign_in_session').select('id').where('userId', '=', userId).execute(),
    ).toEqual([])
    expect(await learnerSignIn(store, await code(), bag.learner)).toBeUndefined()
    expect((await readProjects(store, siteId, { courseId })).map(({ learner }) => learner)).not.toContain(bag.learner)
    expect((await readClassLearners(store, siteId, 'put-away')).map(({ name }) => name)).toContain(bag.learner)
    await expect(giveKit()).rejects.toMatchObject({ status: 409 })
    const { projectId, fabric, layers, operation } = bag
    const change = run('change-project', { projectId, fabric, layers, operation })
    await expect(change).rejects.toMatchObject({ status: 409, code: 'put-away' })
    const replaced = run('add-projects', { courseId, projects: [{ ...aProject(bag.learner), replaces: projectId }] })
    await expect(replaced).rejects.toMatchObject({ status: 409, path: 'projects.0.replaces' })
    await run('take-out', { what: 'learner', id: bag.enrolmentId })
    expect(await learnerSignIn(store, await code(), bag.learner)).toBe(userId)
  })

  it('leaves the name to somebody else, and then does not come back under it', async () => {
    await run('put-away', { what: 'learner', id: bag.enrolmentId })
    const newcomer = aProject(bag.learner)
    await run('add-projects', { courseId, projects: [newcomer] })
    expect((await readProject(store, siteId, newcomer.projectId))!.personId).toBe(newcomer.personId)
    await expect(run('take-out', { what: 'learner', id: bag.enrolmentId })).rejects.toMatchObject({ status: 409 })
    // As the refusal says: one of them is renamed first; and nobody is given the name of another who comes in there.
    await run('rename-person', { personId: newcomer.personId, name: `${bag.learner} the second` })
    await run('take-out', { what: 'learner', id: bag.enrolmentId })
    await expect(run('rename-person', { personId: newcomer.personId, name: bag.learner })).rejects.toMatchObject({
      status: 409,
      path: 'name',
    })
    await run('rename-person', { personId: bag.personId, name: bag.learner.toUpperCase() })
    expect(await learnerSignIn(store, await code(), bag.learner)).toBeDefined()
  })
})

it('of two of a class who are given one name at one moment only one gets it', async () => {
  const two = [aProject('Mira'), aProject('Nour')]
  await run('add-projects', { courseId, projects: two })
  for (let round = 0; round < 5; round += 1) {
    const both = await Promise.allSettled(
      two.map(({ personId }) => run('rename-person', { personId, name: `Ora ${round}` })),
    )
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    expect(both.find(({ status }) => status === 'rejected')).toMatchObject({ reason: { code: 'taken' } })
  }
})

describe('a session that is put away', () => {
  it('is in no calendar and takes nothing, until it is taken out', async () => {
    const sessionId = uuid()
    const times = { startsAt: '2031-02-10T18:00:00Z', endsAt: '2031-02-10T20:00:00Z', blocks: 2 }
    await run('add-sessions', { courseId, sessions: [{ sessionId, ...times }] })
    await run('put-away', { what: 'session', id: sessionId })
    expect((await readSessions(store, siteId)).map((each) => each.sessionId)).not.toContain(sessionId)
    const refusal = { status: 409, code: 'put-away' }
    await expect(run('change-session', { sessionId, ...times })).rejects.toMatchObject(refusal)
    const absent = { sessionId, personId: bag.personId, comes: 'absent' }
    await expect(run('set-attendance', absent)).rejects.toMatchObject(refusal)
    const plan = { seats: [], leftOut: [] }
    await expect(run('set-plan', { sessionId, basedOn: null, plan })).rejects.toMatchObject(refusal)
    await run('take-out', { what: 'session', id: sessionId })
    expect((await readSessions(store, siteId)).map((each) => each.sessionId)).toContain(sessionId)
  })
})

describe('words that are taken out of a line', () => {
  const bodies = async () =>
    JSON.stringify(
      await ofEveryVenue(store)
        .selectFrom('machine_event')
        .select('body')
        .where('machine_id', '=', machineId)
        .execute(),
    )

  it('are gone from the book, from what the machine keeps of it and from the call it raised; what happened stays', async () => {
    const hurt = await log('somebody-hurt', { what: 'Wilhelmina cut her thumb' })
    const tag = await log('red-tagged', { because: 'Wilhelmina dropped it' })
    const note = await log('noted', { text: 'Wilhelmina again' })
    const slip = await log('correction', { corrects: note, because: 'not Wilhelmina' })
    expect(await bodies()).toContain('Wilhelmina')
    for (const line of [hurt, tag, note, slip]) await log('redacted', { line })
    expect(await bodies()).not.toContain('Wilhelmina')
    const { state } = (await readMachine(store, siteId, machineId))!
    expect(JSON.stringify(state)).not.toContain('Wilhelmina')
    expect(state.locks.map(({ kind }) => kind)).toContain('red-tag')
    expect(JSON.stringify(await ofEveryVenue(store).selectFrom('help_call').select('found').execute())).not.toContain(
      'Wilhelmina',
    )
    // What is said once more is taken up by the call that is open.
    const again = await log('somebody-hurt', { what: 'Wilhelmina, once more' })
    const calls = () =>
      ofEveryVenue(store)
        .selectFrom('help_call')
        .select(['call_id', 'found'])
        .where('machine_id', '=', machineId)
        .execute()
    expect(await calls()).toMatchObject([{ call_id: hurt, found: { what: 'Wilhelmina, once more' } }])
    await log('redacted', { line: again })
    expect(JSON.stringify(await calls())).not.toContain('Wilhelmina')
    const kinds = (await readBook(store, siteId, machineId)).map(({ kind }) => kind)
    expect(kinds.filter((kind) => kind === 'redacted')).toHaveLength(5)
    expect(kinds).toEqual(expect.arrayContaining(['somebody-hurt', 'red-tagged', 'noted', 'correction']))
  })

  it('come back by no correction, and go by none; only those who teach take them out, of this book alone', async () => {
    const note = await log('noted', { text: 'private' })
    const replacement = { kind: 'redacted', body: { line: note } }
    const because = 'a slip'
    const gone = { status: 409, code: 'words-gone' }
    await expect(log('correction', { corrects: note, because, replacement })).rejects.toMatchObject(gone)
    await expect(log('redacted', { line: note }, new Date(), 'helper')).rejects.toMatchObject({ status: 403 })
    await expect(log('redacted', { line: uuid() })).rejects.toMatchObject({ status: 404, path: 'body.line' })
    const taken = await log('redacted', { line: note })
    await expect(log('correction', { corrects: taken, because })).rejects.toMatchObject(gone)
    machineId = await addMachine()
    await expect(log('redacted', { line: note })).rejects.toMatchObject({ status: 404 })
  })
})
