import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '@/store/actor'
import { runCommand } from '@/store/commands/run'
import type { Store } from '@/store/connect'
import { readSessions } from '@/store/session/sessions'
import { aProject, aVenue, freshStore } from '@/store/testing/store'
import { ofProcess } from './of-process'
import { readReport } from './report'
import { readSeams } from './seams'
import { readSessionFacts } from './session-facts'

const held = ofProcess<{ store: Store }>()
const [courseId, machineId, sessionId] = [uuid(), uuid(), uuid()]
const ida = aProject('Ida')
const jon = {
  ...aProject('Jon'),
  fabric: { structure: 'knit', massGsm: 220, thicknessMm: 1, stretchPercent: 25 },
  operation: 'stretch-seam',
}
// A session of yesterday: today its machine is written about as well.
const now = new Date(Date.now() - 24 * 3_600_000)
const ago = (minutes: number) => new Date(now.getTime() - minutes * 60_000).toISOString()
let who: Actor
let end: () => Promise<void>

const run = (name: string, body: object, commandId = uuid()) => runCommand(held.store!, who, name, { commandId, body })
const log = (minutes: number, kind: string, body: object, id = uuid()) =>
  run('log', { machineId, happenedAt: ago(minutes), kind, body }, id)
const seams = async () => {
  const [session] = await readSessions(held.store!, who.siteId, { sessionId })
  return readSeams(who.siteId, await readSessionFacts(who.siteId, session!), now)
}
const report = async (of = sessionId) => {
  const [session] = await readSessions(held.store!, who.siteId, { sessionId: of })
  return readReport(who.siteId, session!)
}

beforeAll(async () => {
  const fresh = await freshStore()
  held.store = fresh.store
  end = fresh.end
  who = await aVenue(fresh.store, 'room')
  const place = { x: 10, y: 10 }
  await run('add-machine', { machineId, name: 'Heron', number: 1, place, traits: ORDINARY_TRAITS, source: 'manual' })
  await run('open-course', { courseId, name: 'Bags' })
  await run('add-projects', { courseId, projects: [ida, jon] })
  await run('add-sessions', { courseId, sessions: [{ sessionId, startsAt: ago(100), endsAt: ago(-20), blocks: 2 }] })
  const seats = [
    { projectId: ida.projectId, machineId, block: 1 },
    { projectId: jon.projectId, machineId, block: 2 },
  ]
  await run('set-plan', { sessionId, basedOn: null, plan: { seats, leftOut: [] } })
})
afterAll(async () => {
  delete held.store
  await end()
})

it('says what a changeover took by the books beside what was planned, and lines that were taken back do not count', async () => {
  expect((await seams()).seams).toEqual([])
  await log(42, 'turn-ended', { finished: false, projectId: ida.projectId })
  await log(38, 'set-up', { dial: 4 })
  const good = uuid()
  await log(30, 'swatch-stitched', { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] }, good)
  const { seams: told, own } = await seams()
  expect(told).toMatchObject([{ name: 'Heron', block: 2, took: 12 }])
  expect(told[0]!.planned).toBeGreaterThan(0)
  // One seam says nothing of a room.
  expect(own).toBeUndefined()
  await log(29, 'correction', { corrects: good, because: 'not mine' })
  expect((await seams()).seams).toMatchObject([{ took: 4 }])
  // A line that should have been the swatch counts as one, at the moment of the line.
  const note = uuid()
  await log(33, 'noted', { text: 'the swatch is good' }, note)
  const replacement = {
    kind: 'swatch-stitched',
    body: { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] },
  }
  await log(28, 'correction', { corrects: note, because: 'into the right form', replacement })
  expect((await seams()).seams).toMatchObject([{ took: 9 }])
  expect((await report()).map(({ swatches }) => swatches)).toContain(1)
})

it('has what an evening was in its report, however much was written at the machine since', async () => {
  const asItWas = await report()
  const since = new Date().toISOString()
  for (let line = 0; line < 90; line += 1)
    await run('log', { machineId, happenedAt: since, kind: 'turn-ended', body: { finished: false } })
  expect(await report()).toEqual(asItWas)
  expect((await seams()).seams).toMatchObject([{ took: 9 }])
})

it('tells an evening as it was: who did not come by name, and with bag and machine put away since', async () => {
  const names = async () =>
    (await report()).map(({ learner, project, machine, came }) => [learner, project, machine, came])
  const later = uuid()
  const times = { sessionId: later, startsAt: ago(-60 * 48), endsAt: ago(-60 * 50), blocks: 2 }
  await run('add-sessions', { courseId, sessions: [times] })
  const seats = [{ projectId: ida.projectId, machineId, block: 1 }]
  await run('set-plan', { sessionId: later, basedOn: null, plan: { seats, leftOut: [] } })
  expect(await report(later)).toHaveLength(1)

  const was = [
    ['Ida', 'a bag', 'Heron', true],
    ['Jon', 'a bag', 'Heron', true],
  ]
  expect(await names()).toEqual(was)
  expect((await report()).some(({ swatches }) => swatches > 0)).toBe(true)
  await run('set-attendance', { sessionId, personId: jon.personId, comes: 'absent' })
  was[1]![3] = false
  expect(await names()).toEqual(was)
  await run('put-away', { what: 'project', id: ida.projectId })
  await run('log', { machineId, happenedAt: new Date().toISOString(), kind: 'put-away', body: { because: 'sold' } })
  expect(await names()).toEqual(was)
  expect(await report()).toMatchObject([{ turn: 'goes on' }, { swatches: 0 }])

  // A session that begins after they were put away never had them.
  expect(await report(later)).toEqual([])
})
