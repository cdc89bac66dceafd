import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { applyCorrections } from '@/core/machine/fold'
import { Invalid } from '@/core/schema/invalid'
import type { Role } from '@/core/room/role'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { readLeftLines, readOwnLeftLines } from '../calls/left-lines'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { aProject, aStaffedVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

/** What a learner wrote without a network, and was refused for what happened meanwhile, reaches staff and is decided once. */
let store: Store
let end: () => Promise<void>
const actors = {} as Record<Role, Actor>
const courseId = uuid()
let learner: ReturnType<typeof aProject>
let machineId: string
let number = 0

const run = (as: Role, name: string, body: object, commandId = uuid()) =>
  runCommand(store, actors[as], name, { commandId, body })
const fault = (work: Promise<unknown>) =>
  work.then(
    () => 'landed' as const,
    (error: unknown) => (error instanceof Invalid ? error.fault : error),
  )
const give = (projectId: string) =>
  run('coordinator', 'give-kits', { kits: [{ kitGivenId: uuid(), projectId, machineId }] })
const line = (kind: string, body: object, at = new Date()) => ({ machineId, happenedAt: at.toISOString(), kind, body })
const ended = () => line('turn-ended', { projectId: learner.projectId, finished: false })
const open = () => readLeftLines(store, actors.coordinator.siteId)
const own = () => readOwnLeftLines(store, actors.coordinator.siteId, learner.personId, new Date())
const book = async () => (await readBook(store, actors.coordinator.siteId, machineId)).map(({ eventId }) => eventId)
/** Somebody else is given the machine: the seat has moved on. */
const moveOn = async () => {
  const other = aProject(`Bram ${number}`)
  await run('coordinator', 'add-projects', { courseId, projects: [other] })
  await give(other.projectId)
  return other
}

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  Object.assign(actors, await aStaffedVenue(store, 'room'))
  await run('coordinator', 'open-course', { courseId, name: 'Bags' })
})
beforeEach(async () => {
  machineId = uuid()
  number += 1
  const place = { x: 10, y: 10 }
  await run('coordinator', 'add-machine', {
    machineId,
    name: `Knot ${number}`,
    number,
    place,
    traits: ORDINARY_TRAITS,
    source: 'manual',
  })
  learner = aProject(`Ida ${number}`)
  await run('coordinator', 'add-projects', { courseId, projects: [learner] })
  await give(learner.projectId)
  actors.learner = { siteId: actors.coordinator.siteId, personId: learner.personId, role: 'learner' }
})
afterAll(() => end())

it('lands like any other where nothing stands against it by now', async () => {
  const id = uuid()
  await run('learner', 'leave-line', ended(), id)
  expect(await book()).toEqual([id])
  expect(await open()).toEqual([])
})

it('waits for staff where the seat has moved on, and is in the book as of its moment and its writer once they say so', async () => {
  await moveOn()
  const [id, left] = [uuid(), ended()]
  expect(await fault(run('learner', 'log', left, id))).toMatchObject({ code: 'not-yours' })
  await run('learner', 'leave-line', left, id)
  await run('learner', 'leave-line', left, id)
  expect(await book()).toEqual([])
  const [waits, ...others] = await open()
  expect(others).toEqual([])
  expect(waits).toMatchObject({ lineId: id, who: learner.learner, words: { title: expect.any(String) as string } })
  expect(waits!.because).toContain('your turn at it is over')
  expect(await own()).toMatchObject([{ lineId: id }])

  await run('helper', 'decide-left-line', { lineId: id, take: true })
  const [kept] = await readBook(store, actors.coordinator.siteId, machineId)
  expect(kept).toMatchObject({ eventId: id, personId: learner.personId, happenedAt: left.happenedAt, body: left.body })
  expect(await open()).toEqual([])
  expect(await own()).toMatchObject([{ lineId: id, decided: { taken: true, by: 'helper' } }])
  // Once.
  expect(await fault(run('instructor', 'decide-left-line', { lineId: id, take: false }))).toMatchObject({
    code: 'not-found',
  })
})

it('says why in a person’s words', async () => {
  await run('learner', 'leave-line', { ...ended(), happenedAt: new Date(Date.now() - 20 * 3_600_000).toISOString() })
  const waits = (await open()).find(({ who }) => who === learner.learner)
  expect(waits!.because).toBe('its moment lies before your turn at this machine')
  await run('helper', 'decide-left-line', { lineId: waits!.lineId, take: false })
})

it('is left out by staff, and its writer sees by whom', async () => {
  await moveOn()
  const id = uuid()
  await run('learner', 'leave-line', ended(), id)
  await run('instructor', 'decide-left-line', { lineId: id, take: false })
  expect(await book()).toEqual([])
  expect(await own()).toMatchObject([{ lineId: id, decided: { taken: false, by: 'instructor' } }])
  expect((await own())[0]).not.toHaveProperty('words')
})

describe('a correction', () => {
  const backOf = (corrects: string) => line('correction', { corrects, because: 'It goes on after all' })

  it('takes back what waits for staff, and then nobody is asked any more', async () => {
    await moveOn()
    const id = uuid()
    await run('learner', 'leave-line', ended(), id)
    const instead = { kind: 'noted', body: { text: 'the belt slips' } }
    // Nothing that was said instead is dropped with it.
    expect(
      await fault(
        run('learner', 'leave-line', line('correction', { corrects: id, because: 'x', replacement: instead })),
      ),
    ).not.toBe('landed')
    expect((await open()).map(({ lineId }) => lineId)).toContain(id)
    await run('learner', 'leave-line', backOf(id))
    expect(await own()).toEqual([])
    expect((await open()).filter(({ who }) => who === learner.learner)).toEqual([])
    expect(await book()).toEqual([])
    expect(await fault(run('helper', 'decide-left-line', { lineId: id, take: true }))).toMatchObject({
      code: 'not-found',
    })
  })

  it('of a line that is in the book waits for staff where the seat has moved on, who see what it takes back', async () => {
    const [id, back] = [uuid(), uuid()]
    await run('learner', 'log', ended(), id)
    await moveOn()
    expect(await fault(run('learner', 'log', backOf(id), back))).toMatchObject({ code: 'not-yours' })
    await run('learner', 'leave-line', backOf(id), back)
    const waits = (await open()).find(({ lineId }) => lineId === back)!
    expect(waits.words).toEqual({ title: 'takes back “A turn is over”', detail: 'It goes on after all' })
    await run('helper', 'decide-left-line', { lineId: back, take: true })
    const lines = await readBook(store, actors.coordinator.siteId, machineId)
    expect(lines.map(({ eventId, personId }) => [eventId, personId])).toEqual([
      [id, learner.personId],
      [back, learner.personId],
    ])
    expect(applyCorrections(lines).map(({ happening }) => happening)).toEqual([undefined, undefined])
  })
})

it('is no way round what a learner may not write, nor about somebody else’s project, nor a call that waits', async () => {
  const other = await moveOn()
  const tried = (sent: object) => fault(run('learner', 'leave-line', sent))
  expect(await tried(line('red-tagged', { because: 'x' }))).toMatchObject({ code: 'not-allowed' })
  expect(await tried(line('correction', { corrects: uuid(), because: 'x' }))).toMatchObject({ code: 'not-found' })
  const instead = { kind: 'somebody-hurt', body: { what: 'x' } }
  expect(await tried(line('correction', { corrects: uuid(), because: 'x', replacement: instead }))).toMatchObject({
    code: 'no-call',
  })
  const theirs = uuid()
  await run('coordinator', 'log', line('cleaned', { found: 'lint' }), theirs)
  expect(await tried(line('correction', { corrects: theirs, because: 'x' }))).toMatchObject({ code: 'not-allowed' })
  expect(await tried(line('turn-ended', { projectId: other.projectId, finished: false }))).toMatchObject({
    code: 'not-allowed',
  })
  expect(await tried(line('somebody-hurt', { what: 'x' }))).toMatchObject({ code: 'no-call' })
  expect(await tried(line('turn-ended', { nonsense: true }))).toMatchObject({
    path: expect.stringMatching(/^body/) as string,
  })
  expect(await open()).toEqual([])
  for (const as of ['coordinator', 'instructor', 'helper'] as const)
    expect(await fault(run(as, 'leave-line', ended()))).toMatchObject({ code: 'not-allowed' })
})

describe('a line that waits on a device on which its writer does not sign in again', () => {
  const handOver = (as: Role, personId: string, sent: ReturnType<typeof line>, lineId: string) =>
    run(as, 'hand-over-line', { lineId, personId, ...sent })

  it('is handed over by staff who hold it, once, and is in the book as of its moment and its writer once staff say so', async () => {
    const [id, cleaned] = [uuid(), line('cleaned', { found: 'lint' }, new Date(Date.now() - 3_600_000))]
    await handOver('instructor', actors.helper.personId, cleaned, id)
    await handOver('instructor', actors.helper.personId, cleaned, id)
    const [waits, ...more] = await open()
    expect(waits).toMatchObject({ lineId: id, who: 'helper', happenedAt: cleaned.happenedAt })
    expect([waits!.because, more]).toEqual(['it waited on a device on which they have not signed in since', []])
    expect(await book()).toEqual([])
    await run('coordinator', 'decide-left-line', { lineId: id, take: true })
    const [kept] = await readBook(store, actors.coordinator.siteId, machineId)
    expect(kept).toMatchObject({ eventId: id, personId: actors.helper.personId, happenedAt: cleaned.happenedAt })
    // Handed over once more by a device that had not heard of it.
    await handOver('helper', actors.helper.personId, cleaned, id)
    expect(await open()).toEqual([])
  })

  it('is not asked about where it had landed and the answer was lost, nor where its writer is erased', async () => {
    const [id, cleaned] = [uuid(), line('cleaned', { found: 'lint' })]
    await run('helper', 'log', cleaned, id)
    await handOver('instructor', actors.helper.personId, cleaned, id)
    const gone = await moveOn()
    await run('coordinator', 'erase-person', { personId: gone.personId })
    await handOver('instructor', gone.personId, line('noted', { text: 'what they said' }), uuid())
    expect(await open()).toEqual([])
  })

  it('corrects what staff may correct where staff wrote it, and lifts no lock', async () => {
    const [tag, slip, lift] = [uuid(), uuid(), uuid()]
    await run('instructor', 'log', line('red-tagged', { because: 'smoke' }), tag)
    const cleaned = uuid()
    await run('coordinator', 'log', line('cleaned', { found: 'lint' }), cleaned)
    await handOver('instructor', actors.helper.personId, line('correction', { corrects: cleaned, because: 'x' }), slip)
    await run('coordinator', 'decide-left-line', { lineId: slip, take: true })
    expect(await book()).toContain(slip)
    await handOver('helper', actors.coordinator.personId, line('red-tag-lifted', { because: 'fine' }), lift)
    expect(await fault(run('coordinator', 'decide-left-line', { lineId: lift, take: true }))).toMatchObject({
      code: 'locked',
    })
    await run('coordinator', 'decide-left-line', { lineId: lift, take: false })
  })

  it('is a line of somebody and of a machine that are here, and takes no words out; a learner hands over none', async () => {
    const tried = (as: Role, personId: string, sent: ReturnType<typeof line>) =>
      fault(handOver(as, personId, sent, uuid()))
    const { helper } = actors
    const cleaned = line('cleaned', { found: 'lint' })
    expect(await tried('helper', uuid(), cleaned)).toMatchObject({ code: 'not-found', path: 'personId' })
    expect(await tried('helper', helper.personId, { ...cleaned, machineId: uuid() })).toMatchObject({
      code: 'not-found',
    })
    expect(await tried('helper', helper.personId, line('cleaned', { found: 7 }))).toMatchObject({ path: 'body.found' })
    expect(await tried('instructor', helper.personId, line('redacted', { line: uuid() }))).toMatchObject({
      code: 'not-allowed',
    })
    const ahead = line('cleaned', { found: 'lint' }, new Date(Date.now() + 3_600_000))
    expect(await tried('helper', helper.personId, ahead)).toMatchObject({ path: 'happenedAt' })
    expect(await tried('learner', helper.personId, cleaned)).toMatchObject({ code: 'not-allowed' })
    expect(await open()).toEqual([])
  })
})
