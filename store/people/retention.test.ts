import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DEFAULT_VENUE_SETTINGS } from '@/core/room/venue-settings'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readNeeds } from '../session/sessions'
import { readSite } from '../site/site'
import { aProject, aVenue, freshStore } from '../testing/store'
import { readEverybody } from './everybody'
import { eraseWhoseTimeIsOver, readRetention } from './retention'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
})
afterAll(() => end())

const NOW = new Date('2027-06-01T12:00:00Z')
const run = (name: string, body: object, now?: Date) => runCommand(store, who, name, { commandId: uuid(), body }, now)
const aClass = async (name: string, session: string | undefined, ...learners: string[]) => {
  const courseId = uuid()
  await run('open-course', { courseId, name })
  const bags = learners.map((learner) => aProject(learner))
  for (const bag of bags) await run('add-project', { courseId, ...bag })
  if (session) {
    const startsAt = `${session}T16:00:00Z`
    const endsAt = `${session}T18:00:00Z`
    await run('add-sessions', { courseId, sessions: [{ sessionId: uuid(), startsAt, endsAt, blocks: 1 }] })
  }
  // As if their bags were hung up long ago.
  await ofEveryVenue(store)
    .updateTable('project')
    .set({ written_at: new Date('2026-01-10T12:00:00Z') } as never)
    .execute()
  return { courseId, bags }
}
const months = (learnersAfterMonths?: number) =>
  run('change-venue', {
    name: 'room',
    timeZone: 'UTC',
    settings: { ...DEFAULT_VENUE_SETTINGS, ...(learnersAfterMonths && { learnersAfterMonths }) },
  })
const names = async () =>
  (await readEverybody(store, who.siteId)).map(({ name }) => name).filter((name) => name !== 'Ada')

describe('retention', () => {
  it('erases those whose last day is long enough ago, in the night, once a venue has said so, and nobody else', async () => {
    await aClass('Old', '2026-09-01', 'Ida', 'Jon')
    await aClass('Going on', '2027-06-20', 'Kim')
    await aClass('Just over', '2027-05-20', 'Lou')
    expect(await eraseWhoseTimeIsOver(store, NOW)).toBe(0)
    await months(9)
    const seen = await readRetention(store, who.siteId, 'UTC', NOW)
    expect(seen.map(({ course, lastDay, inForce }) => [course, lastDay, inForce]).sort()).toEqual([
      ['Going on', '2026-01-10', true],
      ['Just over', '2027-05-20', false],
      ['Old', '2026-09-01', false],
      ['Old', '2026-09-01', false],
    ])
    expect(await eraseWhoseTimeIsOver(store, new Date('2027-05-31T23:00:00Z'))).toBe(0)
    expect(await eraseWhoseTimeIsOver(store, NOW)).toBe(2)
    expect(await names()).toEqual(['Kim', 'Lou'])
    expect(await eraseWhoseTimeIsOver(store, NOW)).toBe(0)
    await months()
    expect((await readSite(store, who.siteId)).settings.learnersAfterMonths).toBeUndefined()
    expect(await eraseWhoseTimeIsOver(store, new Date('2040-01-01T00:00:00Z'))).toBe(0)
  })

  it('goes on at every other venue where something stands in the way at one', async () => {
    const bad = await aVenue(store, 'bad')
    const of = ofEveryVenue(store).updateTable('site').where('site_id', '=', bad.siteId)
    await of
      .set({ settings: JSON.stringify({ ...DEFAULT_VENUE_SETTINGS, learnersAfterMonths: 'nine' }) } as never)
      .execute()
    await aClass('Long over', '2026-09-01', 'Nan')
    await months(9)
    await expect(eraseWhoseTimeIsOver(store, NOW)).rejects.toThrow('learnersAfterMonths')
    expect(await names()).not.toContain('Nan')
    await of.set({ settings: JSON.stringify(DEFAULT_VENUE_SETTINGS) } as never).execute()
    await months()
  })

  it('of what somebody needs ends with the last open class they are in', async () => {
    const { courseId, bags } = await aClass('Needs', undefined, 'Mia')
    const [{ personId, enrolmentId }] = bags as [(typeof bags)[number]]
    const need = () => run('set-needs', { personId, needs: ['spaceAtLeft'] })
    const needs = async () => (await readNeeds(store, who.siteId)).get(personId)
    await need()
    expect(await needs()).toEqual(['spaceAtLeft'])
    await run('close-course', { courseId })
    expect(await needs()).toBeUndefined()
    await run('reopen-course', { courseId })
    await need()
    await run('put-away', { what: 'learner', id: enrolmentId })
    expect(await needs()).toBeUndefined()
  })
})

describe('the venue', () => {
  it('is changed by two at once only by the second who has seen what the first did', async () => {
    const was = { name: 'room', timeZone: 'UTC' }
    await run('change-venue', { ...was, name: 'The Loft', was })
    await expect(run('change-venue', { ...was, name: 'The Cellar', was })).rejects.toMatchObject({
      status: 409,
      code: 'changed',
    })
    expect(await readSite(store, who.siteId)).toMatchObject({ name: 'The Loft' })
  })
})
