import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { Invalid } from '@/core/schema/invalid'
import type { Role } from '@/core/room/role'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { readOpenCalls, readOwnCalls, readVisits } from '../calls/calls'
import type { Store } from '../connect'
import { runCommand } from '../commands/run'
import { listenForNews, type News } from '../live/news'
import { readOwnLines } from '../people/own-lines'
import { readGivenBefore } from '../project/given-before'
import { aProject, aStaffedVenue, freshStore } from '../testing/store'
import { readLive } from './live-room'

let store: Store
let url: string
let end: () => Promise<void>
let news: News
const actors = {} as Record<Role, Actor>
const [machineId, spare, courseId, sessionId] = [uuid(), uuid(), uuid(), uuid()]
const [ida, bo] = [aProject('Ida'), aProject('Bo')]
const now = new Date()
const minutes = (count: number) => new Date(now.getTime() + count * 60_000).toISOString()

const run = (as: Role, name: string, body: object, commandId = uuid()) =>
  runCommand(store, actors[as], name, { commandId, body })
const log = (as: Role, kind: string, body: object, commandId = uuid()) =>
  run(as, 'log', { machineId, happenedAt: new Date().toISOString(), kind, body }, commandId)
const liveRoom = async () => (await readLive(store, actors.coordinator.siteId, new Date())).room
const seats = async () => (await liveRoom()).sessions[0]!.seats
const step = async () => (await seats())[0]!.step

beforeAll(async () => {
  ;({ store, url, end } = await freshStore())
  Object.assign(actors, await aStaffedVenue(store, 'room'))
  news = listenForNews(url)
  await run('coordinator', 'open-course', { courseId, name: 'Bags' })
  for (const [index, id] of [machineId, spare].entries())
    await run('coordinator', 'add-machine', {
      machineId: id,
      name: `Stint ${index + 1}`,
      number: index + 1,
      place: { x: 10 + index * 40, y: 10 },
      traits: ORDINARY_TRAITS,
      source: 'manual',
    })
  await run('coordinator', 'add-projects', { courseId, projects: [ida, bo] })
  actors.learner = { siteId: actors.coordinator.siteId, personId: ida.personId, role: 'learner' }
  const session = { sessionId, startsAt: minutes(-10), endsAt: minutes(50), blocks: 2 }
  await run('coordinator', 'add-sessions', { courseId, sessions: [session] })
  const plan = [
    { projectId: ida.projectId, machineId, block: 1 },
    { projectId: bo.projectId, machineId, block: 2 },
  ]
  await run('coordinator', 'set-plan', { sessionId, basedOn: null, plan: { seats: plan, leftOut: [] } })
})
afterAll(async () => {
  await news.close()
  await end()
})

it('follows a learner from the bag to the end of their turn, by what is written alone', async () => {
  expect(await step()).toBe('bag')
  await run('coordinator', 'give-kits', { kits: [{ kitGivenId: uuid(), projectId: ida.projectId, machineId }] })
  expect(await step()).toBe('check')
  const groups = ['settings', 'threading', 'needle', 'bobbin', 'raise', 'no-touch']
  const steps = groups.map((group) => ({ step: group, group, result: 'pass' }))
  await log('learner', 'check-run', { list: 'seat', steps, projectId: ida.projectId })
  expect(await step()).toBe('swatch')
  await log('learner', 'swatch-stitched', { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] })
  expect(await step()).toBe('sewing')
  const over = uuid()
  await log('learner', 'turn-ended', { finished: false, projectId: ida.projectId }, over)
  expect(await step()).toBe('done')
  const again = uuid()
  await log('learner', 'correction', { corrects: over, because: 'It goes on' }, again)
  expect(await step()).toBe('sewing')
  await log('learner', 'correction', { corrects: again, because: 'No, it is over' })
  expect(await step()).toBe('done')
  const live = await liveRoom()
  expect(live.sessions[0]!.next).toMatchObject([{ machineId, who: 'Bo' }])
  expect(live.open).toEqual([])
  const lines = await readOwnLines(store, actors.learner.siteId, ida.personId, new Date(), 5)
  // The turn that was taken back and is over after all is among them, and so is what staff put in place of a line.
  expect(lines.map(({ title }) => title)).toEqual([
    expect.stringContaining('turn'),
    expect.stringContaining('Swatch'),
    'Seat check passed',
  ])
  const swatch = lines[1]!
  const replacement = {
    kind: 'swatch-stitched',
    body: { dial: 3, target: 'straight', top: 'own', under: 'own', done: [] },
  }
  await log('instructor', 'correction', { corrects: swatch.eventId, because: 'It was at 3', replacement })
  const after = await readOwnLines(store, actors.learner.siteId, ida.personId, new Date(), 5)
  expect(after[1]).toMatchObject({ eventId: swatch.eventId, title: expect.stringContaining('3') as string })
  expect((await readGivenBefore(store, actors.learner.siteId)).get(`${ida.personId} ${machineId}`)).toBe(1)
})

it('lets a learner write of no project but the one that they sit at, in whatever line', async () => {
  const refused = (body: object, kind = 'turn-ended') =>
    log('learner', kind, body).then(
      () => 'landed',
      (error: unknown) => (error instanceof Invalid ? error.fault.code : (error as { code?: string }).code),
    )
  expect(await refused({ finished: true, projectId: bo.projectId })).toBe('not-yours')
  const mine = uuid()
  await log('learner', 'turn-ended', { finished: false, projectId: ida.projectId }, mine)
  const replacement = { kind: 'turn-ended', body: { finished: true, projectId: bo.projectId } }
  expect(await refused({ corrects: mine, because: 'x', replacement }, 'correction')).toBe('not-yours')
})

it('shows a visit to the one visited and to colleagues, as no call; and remembers when it was over', async () => {
  const { siteId } = actors.coordinator
  const started = new Date()
  await run('instructor', 'visit-seat', { machineId, personId: ida.personId })
  expect((await seats())[0]!.call).toMatchObject({ about: 'visit', going: { by: 'instructor' } })
  expect(await readOpenCalls(store, siteId)).toEqual([])
  const [visit] = await readOwnCalls(store, siteId, ida.personId, new Date())
  expect(visit).toMatchObject({ about: 'visit', going: { by: 'instructor' } })
  await run('helper', 'visit-seat', { machineId, personId: ida.personId })
  expect((await seats())[0]!.call).toMatchObject({ going: { by: 'helper' } })
  expect((await readVisits(store, siteId, started)).size).toBe(0)
  await run('helper', 'end-call', { callId: visit!.callId })
  expect((await seats())[0]!.call).toBeUndefined()
  expect((await readVisits(store, siteId, started)).has(ida.personId)).toBe(true)
  // Whoever calls while somebody is on their way stands as a call, and that one is coming.
  await run('instructor', 'visit-seat', { machineId, personId: ida.personId })
  await run('learner', 'call-staff', { machineId, found: {} })
  expect(await readOpenCalls(store, siteId)).toMatchObject([{ about: 'help', going: { by: 'instructor' } }])
})

it('visits whoever called before they had a seat where they sit by now: their call is answered', async () => {
  const { siteId } = actors.coordinator
  for (const { callId } of await readOpenCalls(store, siteId)) await run('helper', 'end-call', { callId })
  await store
    .insertInto('help_call')
    .values({
      site_id: siteId,
      call_id: uuid(),
      machine_id: null,
      person_id: ida.personId,
      about: 'help',
      found: '{}',
      called_at: new Date(),
    })
    .execute()
  await run('instructor', 'visit-seat', { machineId, personId: ida.personId })
  expect(await readOpenCalls(store, siteId)).toEqual([])
  const own = await readOwnCalls(store, siteId, ida.personId, new Date())
  expect(own.slice(0, 2).map(({ about, going, ended }) => [about, going?.by, ended?.how])).toEqual([
    ['visit', 'instructor', undefined],
    ['help', undefined, 'anew'],
  ])
})

it('is made to where somebody sits and nowhere else', async () => {
  const gone = run('instructor', 'visit-seat', { machineId: spare, personId: ida.personId })
  await expect(gone).rejects.toMatchObject({ fault: { code: 'not-there' } })
  expect((await liveRoom()).open).toEqual([])
})

it('tells whoever watches the room of a venue, once a statement, and nobody of another venue', async () => {
  const other = await aStaffedVenue(store, 'other')
  const told = { here: 0, there: 0 }
  const stop = [
    news.onNews(actors.coordinator.siteId, 'room', () => (told.here += 1)),
    news.onNews(other.coordinator.siteId, 'room', () => (told.there += 1)),
  ]
  await log('coordinator', 'noted', { text: 'a line' })
  await expect.poll(() => told.here).toBeGreaterThan(0)
  expect(told.there).toBe(0)
  for (const end of stop) end()
  expect(news.watching()).toBe(0)
})
