import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aProject, aVenue, freshStore } from '../testing/store'
import { readSeatVersions } from './seat-version'

let store: Store
let end: () => Promise<void>
let who: Actor
const [heron, knot, courseId, sessionId] = [uuid(), uuid(), uuid(), uuid()]
const [ida, jon] = [aProject('Ida'), aProject('Jon')]
const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
const give = (projectId: string, machineId: string) =>
  run('give-kits', { kits: [{ kitGivenId: uuid(), projectId, machineId }] })

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  for (const [index, machineId] of [heron, knot].entries())
    await run('add-machine', {
      machineId,
      name: `M${index}`,
      number: index + 1,
      place: { x: 10 * (index + 1), y: 10 },
      traits: ORDINARY_TRAITS,
      source: 'manual',
    })
  await run('open-course', { courseId, name: 'Bags' })
  await run('add-projects', { courseId, projects: [ida, jon] })
  const startsAt = new Date(Date.now() + 3_600_000).toISOString()
  const endsAt = new Date(Date.now() + 3 * 3_600_000).toISOString()
  await run('add-sessions', { courseId, sessions: [{ sessionId, startsAt, endsAt, blocks: 2 }] })
})
afterAll(() => end())

const versions = () => readSeatVersions(store, who.siteId, new Date())
/** Whose seat is another after it, and whose pages are. */
async function changedBy(work: () => Promise<unknown>) {
  const before = await versions()
  await work()
  const after = await versions()
  const named = (of: 'seat' | 'whole') =>
    [ida, jon]
      .filter(({ personId }) => before.get(personId)?.[of] !== after.get(personId)?.[of])
      .map((each) => each.learner)
  return { seat: named('seat'), whole: named('whole') }
}

it('a seat is another for whom it concerns, and for nobody else', async () => {
  expect(await changedBy(() => give(ida.projectId, heron))).toEqual({ seat: ['Ida'], whole: ['Ida'] })
  expect(await changedBy(() => give(jon.projectId, knot))).toEqual({ seat: ['Jon'], whole: ['Jon'] })
  // Whoever sat there sits there no more, and hears of it.
  expect(await changedBy(() => give(jon.projectId, heron))).toEqual({ seat: ['Ida', 'Jon'], whole: ['Ida', 'Jon'] })
})

it('what is written of a machine changes the pages of who sits there, and leaves them sitting', async () => {
  await give(ida.projectId, knot)
  const line = (kind: string, body: object) => () =>
    run('log', { machineId: knot, happenedAt: new Date().toISOString(), kind, body })
  expect(await changedBy(line('red-tagged', { because: 'cord' }))).toEqual({ seat: [], whole: ['Ida'] })
  expect(await changedBy(line('red-tag-lifted', { because: 'a new cord' }))).toEqual({ seat: [], whole: ['Ida'] })
  expect(await changedBy(line('cleaned', { found: 'lint' }))).toEqual({ seat: [], whole: ['Ida'] })
})

it('what is said of sessions to come reaches everybody; what nobody’s seat shows reaches nobody', async () => {
  const said = { sessionId, said: 'Bring your zip' }
  expect((await changedBy(() => run('tell-class', said))).whole).toEqual(['Ida', 'Jon'])
  const item = { kind: 'foot', foot: 'standard' }
  expect(await changedBy(() => run('receive-stock', { item, count: 1 }))).toEqual({ seat: [], whole: [] })
})

it('tells where somebody sits, and where they ever sat', async () => {
  await give(ida.projectId, heron)
  await give(ida.projectId, knot)
  const at = async () => {
    const { machineId, sat } = (await versions()).get(ida.personId)!
    return { machineId, sat: [...sat].sort() }
  }
  expect(await at()).toEqual({ machineId: knot, sat: [heron, knot].sort() })
  await give(jon.projectId, knot)
  expect(await at()).toEqual({ machineId: undefined, sat: [heron, knot].sort() })
})

it('of one person is what it is among all', async () => {
  const all = await versions()
  expect([...(await readSeatVersions(store, who.siteId, new Date(), ida.personId))]).toEqual([
    [ida.personId, all.get(ida.personId)],
  ])
})
