import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aProject, aVenue, freshStore } from '../testing/store'
import { readNextBags } from './next-bags'

let store: Store
let end: () => Promise<void>
let who: Actor
const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
})
afterAll(() => end())

/** A class with one bag, which meets so many hours from now, if ever. */
async function aClass(learner: string, inHours?: number): Promise<{ courseId: string; projectId: string }> {
  const courseId = uuid()
  const bag = aProject(learner)
  await run('open-course', { courseId, name: learner })
  await run('add-projects', { courseId, projects: [bag] })
  if (inHours !== undefined) {
    const at = (hours: number) => new Date(Date.now() + hours * 3_600_000).toISOString()
    const session = { sessionId: uuid(), startsAt: at(inHours), endsAt: at(inHours + 2), blocks: 1 }
    await run('add-sessions', { courseId, sessions: [session] })
  }
  return { courseId, projectId: bag.projectId }
}

it('are those of open classes, of the one that meets next first', async () => {
  const never = await aClass('Ida')
  const later = await aClass('Jon', 50)
  const now = await aClass('Kim', -1)
  const closed = await aClass('Lea', 1)
  await run('close-course', { courseId: closed.courseId })
  const bags = (most = 9) => readNextBags(store, who.siteId, new Date(), most)
  expect(await bags()).toEqual([now, later, never].map(({ projectId }) => projectId))
  expect(await bags(1)).toEqual([now.projectId])
  await run('put-away', { what: 'project', id: now.projectId })
  expect(await bags(1)).toEqual([later.projectId])
})
