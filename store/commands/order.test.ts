import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { Invalid } from '@/core/schema/invalid'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { connect, type Store } from '../connect'
import { readProjects, seatOf } from '../project/projects'
import { readPlanHistory, readPlans } from '../session/sessions'
import { readShelves } from '../stock/stock'
import { aProject, aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

const PLACE = { x: 10, y: 10 }
let store: Store
let url: string
let end: () => Promise<void>
let who: Actor
const courseId = uuid()
const [heron, knot] = [uuid(), uuid()]
const learners = ['Ida', 'Jon'].map(aProject)
const [ida, jon] = learners as [(typeof learners)[number], (typeof learners)[number]]
let sessionId: string

const run = (name: string, body: object, more: { now?: Date; commandId?: string; as?: Actor } = {}) =>
  runCommand(store, more.as ?? who, name, { commandId: more.commandId ?? uuid(), body }, more.now)
const fault = (work: Promise<unknown>) =>
  work.then(
    () => undefined,
    (error: unknown) => (error instanceof Invalid ? error.fault : error),
  )
const HOUR = 3_600_000

beforeAll(async () => {
  ;({ store, url, end } = await freshStore())
  who = await aVenue(store, 'room')
  for (const [machineId, name, number] of [
    [heron, 'Heron', 1],
    [knot, 'Knot', 2],
  ] as const)
    await run('add-machine', { machineId, name, number, place: PLACE, traits: ORDINARY_TRAITS, source: 'manual' })
  await run('open-course', { courseId, name: 'Bags', classCode: 'bagsbags' })
  await run('add-projects', { courseId, projects: learners })
})
beforeEach(async () => {
  sessionId = uuid()
  const facts = { startsAt: '2026-11-26T18:00:00.000Z', endsAt: '2026-11-26T20:00:00.000Z', blocks: 2 }
  await run('add-sessions', { courseId, sessions: [{ sessionId, ...facts }] })
})
afterAll(() => end())

const seat = (projectId: string, machineId = heron, block = 1) => ({ projectId, machineId, block })
const plan = (basedOn: string | null, seats: object[], more: { now?: Date; commandId?: string } = {}) =>
  run('set-plan', { sessionId, basedOn, plan: { seats, leftOut: [] } }, more)

describe('the order of things is the database’s', () => {
  it('so of two plans the one that landed last is the newest, though its copy’s clock is an hour behind', async () => {
    const [first, second] = [uuid(), uuid()]
    await plan(null, [seat(ida.projectId)], { commandId: first })
    await plan(first, [seat(ida.projectId, knot)], { commandId: second, now: new Date(Date.now() - HOUR) })
    expect((await readPlans(store, who.siteId)).get(sessionId)!.planId).toBe(second)
    // The slow copy cannot build on the first again: it is told.
    const late = plan(first, [], { now: new Date(Date.now() - HOUR) })
    expect(await fault(late)).toMatchObject({ code: 'changed' })
    expect((await readPlanHistory(store, who.siteId, sessionId)).map(({ planId }) => planId)).toEqual([second, first])
  })

  it('so a shelf never gives more than lies there, whatever the clocks of the copies say', async () => {
    const item = { kind: 'bobbin', bobbinClass: 'L' }
    await run('count-stock', { item, count: 3 })
    await run('take-stock', { item, count: 2 }, { now: new Date(Date.now() - HOUR) })
    expect(await fault(run('take-stock', { item, count: 2 }))).toMatchObject({ code: 'not-on-hand' })
    await run('take-stock', { item, count: 1 }, { now: new Date(Date.now() - 2 * HOUR) })
    const shelf = (await readShelves(store, who.siteId)).find((each) => each.item.kind === 'bobbin')!
    expect([shelf.count, shelf.beyond]).toEqual([0, 0])
  })

  it('and the moment of a write is the database’s, so that two copies cannot differ by an hour', async () => {
    const other = connect(url)
    await run('receive-stock', { item: { kind: 'foot', foot: 'zip' }, count: 1 })
    const { happened_at } = await ofEveryVenue(store)
      .selectFrom('stock_move')
      .select('happened_at')
      .orderBy('landed', 'desc')
      .limit(1)
      .executeTakeFirstOrThrow()
    const { recorded_at } = await ofEveryVenue(other)
      .selectFrom('command')
      .select('recorded_at')
      .orderBy('recorded_at', 'desc')
      .limit(1)
      .executeTakeFirstOrThrow()
    await other.destroy()
    expect(Math.abs(happened_at.getTime() - recorded_at.getTime())).toBeLessThan(2)
  })
})

describe('a plan holds only what exists and fits', () => {
  it('people of the class, machines that stand here, blocks that there are, and nobody on a lap', async () => {
    const wrong: [object[], string][] = [
      [[seat(uuid())], 'plan.seats.0.projectId'],
      [[seat(ida.projectId, uuid())], 'plan.seats.0.machineId'],
      [[seat(ida.projectId, heron, 3)], 'plan.seats.0.block'],
      [[seat(ida.projectId), seat(jon.projectId)], 'plan.seats.1'],
      [[seat(ida.projectId), seat(ida.projectId, knot, 2)], 'plan.seats.1'],
    ]
    for (const [seats, path] of wrong) expect(await fault(plan(null, seats))).toMatchObject({ path })
    const left = run('set-plan', { sessionId, basedOn: null, plan: { seats: [], leftOut: [uuid()] } })
    expect(await fault(left)).toMatchObject({ path: 'plan.leftOut.0' })
    expect((await readPlans(store, who.siteId)).has(sessionId)).toBe(false)
  })

  it('and a proof is the server’s word: whoever sends one is refused', async () => {
    const proof = {
      changeoverMinutes: 0,
      boundMinutes: 0,
      optimal: true,
      seconds: 0,
      asked: 'x',
      unseated: [],
      help: [],
    }
    const sent = run('set-plan', { sessionId, basedOn: null, plan: { seats: [], leftOut: [], proof } })
    expect(await fault(sent)).toMatchObject({ path: 'plan.proof' })
  })

  it('as who comes does', async () => {
    const come = (body: object) => run('set-attendance', { sessionId, comes: 'absent', ...body })
    expect(await fault(come({ personId: uuid() }))).toMatchObject({ path: 'personId' })
    expect(await fault(come({ personId: ida.personId, comes: 'late', fromBlock: 9 }))).toMatchObject({
      path: 'fromBlock',
    })
    expect(await fault(come({ sessionId: uuid(), personId: ida.personId }))).toMatchObject({ path: 'sessionId' })
    await come({ personId: ida.personId })
  })
})

describe('kits that were given', () => {
  const give = async (projectId: string, machineId = heron) => {
    const kitGivenId = uuid()
    await run('give-kits', { kits: [{ kitGivenId, projectId, machineId }] })
    return kitGivenId
  }
  const machineOf = async (projectId: string) =>
    (await readProjects(store, who.siteId, { projectId }))[0]!.given?.machineId

  it('too early are taken back, and the one before stands again', async () => {
    await give(ida.projectId, knot)
    const kitGivenId = await give(ida.projectId, heron)
    expect(await machineOf(ida.projectId)).toBe(heron)
    await run('take-kits-back', { kitGivenIds: [kitGivenId] })
    expect(await machineOf(ida.projectId)).toBe(knot)
    expect(await fault(run('take-kits-back', { kitGivenIds: [kitGivenId] }))).toMatchObject({ code: 'not-found' })
  })

  it('stand once the machine has sewn with them', async () => {
    const kitGivenId = await give(jon.projectId, knot)
    const used = uuid()
    const log = (kind: string, body: object, commandId = uuid()) =>
      run('log', { machineId: knot, happenedAt: new Date().toISOString(), kind, body }, { commandId })
    await log('used', { use: { load: 'ordinary', motorMinutes: 3 }, finishedProject: false }, used)
    expect(await fault(run('take-kits-back', { kitGivenIds: [kitGivenId] }))).toMatchObject({ code: 'sewn' })
    expect(await machineOf(jon.projectId)).toBe(knot)
    const mistaken = uuid()
    await log('correction', { corrects: used, because: 'It was the machine beside it' }, mistaken)
    await log('correction', { corrects: mistaken, because: 'It was this one after all' })
    expect(await fault(run('take-kits-back', { kitGivenIds: [kitGivenId] }))).toMatchObject({ code: 'sewn' })
    await log('correction', { corrects: used, because: 'No, it was not' })
    await run('take-kits-back', { kitGivenIds: [kitGivenId] })
    expect(await machineOf(jon.projectId)).not.toBe(knot)
  })

  it('for a machine at which somebody sits end that turn, and both are told', async () => {
    await give(ida.projectId, heron)
    const before = await seatOf(store, who.siteId, ida.personId)
    expect(before?.takenOverBy).toBeUndefined()
    await give(jon.projectId, heron)
    expect((await seatOf(store, who.siteId, ida.personId))?.takenOverBy).toBe('Jon')
    expect((await seatOf(store, who.siteId, jon.personId))?.takenOverBy).toBeUndefined()
    const asIda: Actor = { siteId: who.siteId, personId: ida.personId, role: 'learner' }
    const line = {
      machineId: heron,
      happenedAt: new Date().toISOString(),
      kind: 'fault-opened',
      body: { fault: 'jam' },
    }
    expect(await fault(run('log', line, { as: asIda }))).toMatchObject({
      code: 'not-yours',
      message: 'Jon sits there now: your turn at it is over',
    })
  })
})
