import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { StaffRole } from '@/core/room/role'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aProject, aStaffedVenue, aVenue, freshStore } from '../testing/store'
import { readDeeds } from './deeds'

let store: Store
let end: () => Promise<void>
let staff: Record<StaffRole, Actor>
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  staff = await aStaffedVenue(store, 'room')
})
afterAll(() => end())

it('every write is told with who, what and about which thing, the newest first, and only of this venue', async () => {
  const run = (as: Actor, name: string, body: object) => runCommand(store, as, name, { commandId: uuid(), body })
  const { coordinator, helper, instructor } = staff
  const [machineId, courseId] = [uuid(), uuid()]
  const machine = { machineId, name: 'Stint', number: 1, place: { x: 10, y: 10 }, traits: ORDINARY_TRAITS }
  await run(coordinator, 'add-machine', { ...machine, source: 'manual' })
  await run(coordinator, 'open-course', { courseId, name: 'Bags' })
  const bag = aProject('Ida')
  await run(instructor, 'add-project', { courseId, ...bag })
  await run(helper, 'log', { machineId, happenedAt: new Date().toISOString(), kind: 'cleaned', body: {} })
  await run(await aVenue(store, 'other'), 'open-course', { courseId: uuid(), name: 'Elsewhere' })
  const deeds = await readDeeds(store, coordinator.siteId, { limit: 10 })
  expect(deeds.map(({ who, words, about }) => [who, words, about?.name])).toEqual([
    ['helper', 'Cleaned', 'Stint'],
    ['instructor', 'Add bag', 'a bag'],
    ['Ada', 'Open class', 'Bags'],
    ['Ada', 'Add machine', 'Stint'],
  ])
  expect(deeds[0]!.about).toEqual({ name: 'Stint', href: `/machines/${machineId}` })
  const own = await readDeeds(store, coordinator.siteId, { limit: 10, personId: helper.personId })
  expect(own.map(({ words }) => words)).toEqual(['Cleaned'])
  const earlier = await readDeeds(store, coordinator.siteId, { limit: 10, before: deeds[1]!.at })
  expect(earlier.map(({ words }) => words)).toEqual(['Open class', 'Add machine'])
  // A person who is erased has done it still, as somebody.
  await run(coordinator, 'erase-person', { personId: bag.personId })
  expect((await readDeeds(store, coordinator.siteId, { limit: 1 }))[0]).toMatchObject({
    words: 'Erase person',
    about: { name: 'somebody' },
  })
})
