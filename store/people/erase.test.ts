import { ofEveryVenue } from '@/store/site-wall'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { readMachinesFile } from '../machine/machines-file'
import { readKitsFile } from '../project/kits-file'
import { learnerSignIn } from '../site/people'
import { aProject, aVenue, freshStore } from '../testing/store'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { isSomebodyWaiting } from '../testing/waiting'
import { erasePerson } from './erase'
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
  await run('set-needs', { personId: project.personId, needs: ['spaceAtLeft'] })
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

  it('who is erased is written of no more, whichever page was still open somewhere', async () => {
    const before = await everything()
    const { personId } = project
    const other = uuid()
    for (const [name, body, path] of [
      ['rename-person', { personId, name: 'Wilhelmina' }, 'personId'],
      ['set-needs', { personId, needs: ['spaceAtLeft'], was: [] }, 'personId'],
      ['set-attendance', { sessionId, personId, comes: 'absent', was: { comes: 'here' } }, 'personId'],
      ['pair-people', { pairId: uuid(), kind: 'together', people: [who.personId, personId] }, 'people.1'],
      ['pair-people', { pairId: uuid(), kind: 'together', people: [personId, who.personId] }, 'people.0'],
      ['sign-off', { personId, skill: 'threading', machineKind: 'electronic' }, 'personId'],
    ] as const)
      await expect(run(name, body), name).rejects.toMatchObject({ status: 404, path })
    await expect(run('rename-person', { personId: other, name: 'Nobody' })).rejects.toMatchObject({ status: 404 })
    expect(await everything()).toBe(before)
  })

  it('who is erased while something is written of them is not written of', async () => {
    const second = aProject('Zebulon')
    await run('add-project', { courseId, ...second, name: 'a cushion' })
    const { personId } = second
    let renamed: Promise<unknown> = Promise.resolve()
    let settled = false
    await store.transaction().execute(async (tx) => {
      await erasePerson(tx, who.siteId, personId, new Date())
      renamed = run('rename-person', { personId, name: 'Zebulon again' }).catch((error: unknown) => error)
      void renamed.then(() => (settled = true))
      await vi.waitUntil(async () => settled || (await isSomebodyWaiting(store)), { timeout: 10_000 })
    })
    expect(await renamed).toMatchObject({ status: 404 })
    expect(await everything()).not.toContain('Zebulon')
  })

  it('who is erased by two at once is so once, and the second is told', async () => {
    const fourth = aProject('Peregrine')
    await run('add-project', { courseId, ...fourth, name: 'a bag' })
    const { personId } = fourth
    const both = await Promise.allSettled([run('erase-person', { personId }), run('erase-person', { personId })])
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    expect(both.find(({ status }) => status === 'rejected')).toMatchObject({ reason: { status: 404 } })
  })

  it('who is erased stays so when a file from before is read again', async () => {
    const third = aProject('Ottoline')
    await run('add-project', { courseId, ...third, name: 'Ottoline’s apron' })
    await log('red-tag-lifted', { because: 'aired' })
    await run('give-kit', { projectId: third.projectId, machineId })
    const her: Actor = { siteId: who.siteId, personId: third.personId, role: 'learner' }
    await log('fault-opened', { fault: 'jam', seen: 'fluff under my plate' }, her)
    await log('noted', { text: 'Ottoline oiled it; Ottolines coat' })
    const [machines, kits] = [
      await readMachinesFile(store, who.siteId),
      await readKitsFile(store, who.siteId, courseId),
    ]
    await run('erase-person', { personId: third.personId })
    // As if what they hold were not here: nothing of it may come back with its words.
    const anew = <Value>(value: Value): Value =>
      JSON.parse(
        JSON.stringify(value)
          .replaceAll(machineId, uuid())
          .replaceAll(courseId, uuid())
          .replaceAll(/"(?:eventId|projectId|enrolmentId|kitGivenId)":"[^"]+"/g, (field) =>
            field.replace(/"[0-9a-f-]{36}"/, `"${uuid()}"`),
          ),
      ) as Value
    const file = anew(machines)
    const [other] = file.machines
    const renamed = { ...other!, name: 'Curlew', number: 2, notes: 'Ottoline likes it' }
    await run('import-machines', { file: { ...file, machines: [renamed] } })
    await run('import-kits', {
      file: { ...anew(kits), course: { ...kits.course, courseId: uuid(), classCode: 'other' } },
    })
    const left = await everything()
    expect(left.split('\n').filter((line) => /Ottoline(?!s coat)/.test(line))).toEqual([])
    expect(left).not.toContain('fluff under my plate')
    expect(left).toContain('somebody oiled it; Ottolines coat')
    expect(left).toContain('somebody likes it')
    const book = await readBook(store, who.siteId, renamed.machineId)
    expect(book.filter(({ personId }) => personId === third.personId)).toHaveLength(1)
  })

  it('of the staff leaves before they are erased, and a book stays append-only for everybody else', async () => {
    await expect(run('erase-person', { personId: who.personId })).rejects.toMatchObject({ status: 409 })
    await expect(ofEveryVenue(store).updateTable('machine_event').set({ kind: 'noted' }).execute()).rejects.toThrow(
      'append-only',
    )
  })
})
