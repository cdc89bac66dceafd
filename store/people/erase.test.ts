import { ofEveryVenue } from '@/store/site-wall'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { learnerSignIn } from '../site/people'
import { aProject, aVenue, freshStore } from '../testing/store'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { readPerson } from './person-file'

let store: Store
let url: string
let end: () => Promise<void>
let who: Actor
const machineId = uuid()
const courseId = uuid()
const project = aProject('Wilhelmina')
const sessionId = uuid()

beforeAll(async () => {
  ;({ store, url, end } = await freshStore())
  who = await aVenue(store, 'room')
  const place = { x: 10, y: 10 }
  await run('add-machine', {
    machineId,
    name: 'Heron',
    number: 1,
    place,
    traits: ORDINARY_TRAITS,
    source: 'manual',
    notes: 'Wilhelmina likes it',
  })
  await run('open-course', { courseId, name: 'Thursdays' })
  await run('add-project', { courseId, ...project, name: 'Wilhelmina’s tote' })
  await run('give-kit', { projectId: project.projectId, machineId })
  await run('set-needs', { personId: project.personId, needs: ['large-print'] }).catch(() => undefined)
  await run('add-sessions', {
    courseId,
    sessions: [{ sessionId, startsAt: '2030-01-10T18:00:00.000Z', endsAt: '2030-01-10T20:00:00.000Z', blocks: 1 }],
  })
  await run('change-session', {
    sessionId,
    startsAt: '2030-01-10T18:00:00.000Z',
    endsAt: '2030-01-10T20:00:00.000Z',
    blocks: 1,
    calledOff: 'Wilhelmina is away',
  })
  await learnerSignIn(store, await codeOf(), 'Wilhelmina')
  const her: Actor = { siteId: who.siteId, personId: project.personId, role: 'learner' }
  await log('fault-opened', { fault: 'jam', seen: 'my thread is in a knot, says Wilhelmina' }, her)
  await run('call-staff', { machineId, found: { what: 'Wilhelmina needs help' } }, her)
  // Written without a network, and come too late to be taken.
  const happenedAt = new Date(Date.now() - 20 * 3_600_000).toISOString()
  const late = { machineId, happenedAt, kind: 'fault-opened', body: { fault: 'jam', seen: 'lint in the race' } }
  await run('leave-line', late, her)
  await run('tell-class', { sessionId, said: 'Wilhelmina brings the zip' })
  await log('noted', { text: 'Wilhelmina broke two needles; Wilhelminas coat' })
  await log('red-tagged', { because: 'Wilhelmina smelt smoke' })
  await ofEveryVenue(store)
    .insertInto('sign_in_rate_limit')
    .values({ id: uuid(), key: `address:${project.personId}@station.invalid`, count: 1, lastRequest: 1 })
    .execute()
})
afterAll(() => end())

const run = (name: string, body: object, actor = who) => runCommand(store, actor, name, { commandId: uuid(), body })
const log = (kind: string, body: object, actor = who) =>
  run('log', { machineId, happenedAt: new Date().toISOString(), kind, body }, actor)
const codeOf = async () =>
  (
    await ofEveryVenue(store)
      .selectFrom('course')
      .select('class_code')
      .where('course_id', '=', courseId)
      .executeTakeFirstOrThrow()
  ).class_code

/** Every row of every table as text, for looking whether a word stands anywhere. */
async function everything(): Promise<string> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const { rows: tables } = await client.query<{ name: string }>(
    `select quote_ident(table_name) as name from information_schema.tables where table_schema = 'public'`,
  )
  const texts: string[] = []
  for (const { name } of tables) {
    const { rows } = await client.query<{ text: string }>(`select t::text as text from ${name} t`)
    texts.push(...rows.map(({ text }) => `${name}: ${text}`))
  }
  await client.end()
  return texts.join('\n')
}

describe('a person', () => {
  it('is told all that is kept about them', async () => {
    const file = await readPerson(store, who.siteId, project.personId)
    const text = JSON.stringify(file)
    for (const kept of ['Wilhelmina', 'Thursdays', 'my thread is in a knot', 'needs help', 'jam', 'lint in the race'])
      expect([kept, text.includes(kept)]).toEqual([kept, true])
    // What others wrote is theirs, though it names her.
    expect(text).not.toContain('broke two needles')
    await expect(readPerson(store, who.siteId, uuid())).rejects.toMatchObject({ status: 404 })
  })

  it('who is erased is found in no table any more, by name or by sign-in, and the books stay whole', async () => {
    const before = await readBook(store, who.siteId, machineId)
    expect(await everything()).toContain('Wilhelmina')
    await run('erase-person', { personId: project.personId })
    const left = await everything()
    expect(left.split('\n').filter((line) => /Wilhelmina(?!s coat)/.test(line))).toEqual([])
    expect(left).not.toContain(`${project.personId}@station.invalid`)
    expect(left).not.toContain('my thread is in a knot')
    expect(left).not.toContain('lint in the race')
    expect(left).toContain('somebody brings the zip')
    const after = await readBook(store, who.siteId, machineId)
    expect(after.map(({ eventId, kind, happenedAt, personId }) => [eventId, kind, happenedAt, personId])).toEqual(
      before.map(({ eventId, kind, happenedAt, personId }) => [eventId, kind, happenedAt, personId]),
    )
    expect(JSON.stringify(after)).toContain('somebody broke two needles; Wilhelminas coat')
    expect(JSON.stringify(after)).toContain('somebody smelt smoke')
    expect(await learnerSignIn(store, await codeOf(), 'somebody')).toBeUndefined()
    await expect(run('erase-person', { personId: project.personId })).rejects.toMatchObject({ status: 404 })
  })

  it('of the staff leaves before they are erased, and a book stays append-only for everybody else', async () => {
    await expect(run('erase-person', { personId: who.personId })).rejects.toMatchObject({ status: 409 })
    await expect(ofEveryVenue(store).updateTable('machine_event').set({ kind: 'noted' }).execute()).rejects.toThrow(
      'append-only',
    )
  })
})
