import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { runCommand } from '../commands/run'
import { aProject, aVenue, freshStore } from '../testing/store'
import { readForNextTime } from './for-next-time'

let store: Store
let end: () => Promise<void>
let who: Actor
const ida = aProject('Ida')
const [courseId, other, last, next] = [uuid(), uuid(), uuid(), uuid()]
const now = new Date('2026-03-06T12:00:00Z')
const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
const session = (sessionId: string, day: string) => ({
  sessionId,
  startsAt: `2026-03-${day}T18:00:00Z`,
  endsAt: `2026-03-${day}T20:00:00Z`,
  blocks: 2,
})
const heard = (at = now) => readForNextTime(store, who.siteId, ida.personId, at)

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  await run('open-course', { courseId, name: 'Bags' })
  await run('open-course', { courseId: other, name: 'Hats' })
  await run('add-projects', { courseId, projects: [ida] })
  await run('add-sessions', { courseId, sessions: [session(last, '05'), session(next, '12')] })
  await run('add-sessions', { courseId: other, sessions: [session(uuid(), '05')] })
})
afterAll(() => end())

it('is when the own class meets again, with what its last session said, and nothing of another class', async () => {
  expect(await heard()).toEqual([{ course: 'Bags', meets: new Date('2026-03-12T18:00:00Z') }])
  await run('tell-class', { sessionId: last, said: '  Bring a zip ' })
  expect(await heard()).toMatchObject([{ said: 'Bring a zip' }])
  // From the next session on it is the next one's turn to say something.
  expect(await heard(new Date('2026-03-13T12:00:00Z'))).toEqual([{ course: 'Bags' }])
  expect(await heard(new Date('2026-03-01T12:00:00Z'))).toEqual([])
})

it('is not overwritten by somebody who has not seen what was said, and may be unsaid', async () => {
  await expect(run('tell-class', { sessionId: last, said: 'Bring nothing' })).rejects.toMatchObject({
    fault: { code: 'changed' },
  })
  await run('tell-class', { sessionId: last, was: 'Bring a zip' })
  expect(await heard()).toEqual([{ course: 'Bags', meets: new Date('2026-03-12T18:00:00Z') }])
})
