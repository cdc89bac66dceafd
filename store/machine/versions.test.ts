import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aProject, aVenue, freshStore } from '../testing/store'
import { readMachineVersions } from './versions'

let store: Store
let end: () => Promise<void>
let who: Actor
const names = { [uuid()]: 'Heron', [uuid()]: 'Knot' }
const [heron, knot] = Object.keys(names) as [string, string]
const bag = aProject('Ida')
const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  for (const [index, [machineId, name]] of Object.entries(names).entries()) {
    const place = { x: 10 * (index + 1), y: 10 }
    await run('add-machine', { machineId, name, number: index + 1, place, traits: ORDINARY_TRAITS, source: 'manual' })
  }
  const courseId = uuid()
  await run('open-course', { courseId, name: 'Bags' })
  await run('add-projects', { courseId, projects: [bag] })
})
afterAll(() => end())

/** Which machines are others than they were. */
async function changedBy(name: string, body: object): Promise<string[]> {
  const before = await readMachineVersions(store, who.siteId)
  await run(name, body)
  const after = await readMachineVersions(store, who.siteId)
  return Object.entries(names).flatMap(([id, each]) => (before.get(id) === after.get(id) ? [] : [each]))
}

it('a machine is another after a line of its book, a bag that is given there, another name or another table', async () => {
  const line = { machineId: heron, happenedAt: new Date().toISOString(), kind: 'red-tagged', body: { because: 'cord' } }
  expect(await changedBy('log', line)).toEqual(['Heron'])
  const kit = { kitGivenId: uuid(), projectId: bag.projectId, machineId: knot }
  expect(await changedBy('give-kits', { kits: [kit] })).toEqual(['Knot'])
  expect(await changedBy('place-machine', { machineId: heron, place: { x: 40, y: 40 } })).toEqual(['Heron'])
  expect(await changedBy('receive-stock', { item: { kind: 'foot', foot: 'standard' }, count: 1 })).toEqual([])
  const all = await readMachineVersions(store, who.siteId)
  expect([...(await readMachineVersions(store, who.siteId, knot))]).toEqual([[knot, all.get(knot)]])
})
