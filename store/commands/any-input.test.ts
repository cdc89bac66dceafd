import { ofEveryVenue } from '@/store/site-wall'
import fc from 'fast-check'
import type { TSchema } from 'typebox'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { careOf } from '@/core/care/care'
import { seatCheck } from '@/core/check/seat-check'
import { MachinesFileSchema } from '@/core/exchange/machines-file'
import { kitRequestFor } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import { shownLines } from '@/core/machine/book-lines'
import { eventBody, EVENT_KINDS } from '@/core/machine/event'
import { kitMachine } from '@/core/kit/kit-machine'
import { needlesOf } from '@/core/machine/needle-history'
import { standingOf } from '@/core/machine/standing'
import { TRAIT_NAMES, TRAITS } from '@/core/knowledge/machine/trait'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { itemWords } from '@/core/stock/item'
import { fitting, ODD_TIMES, spoiled, type Plain } from '@/core/testing/fitting'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { sizeText } from '@/core/units/needle-size'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readNewest } from '../machine/book'
import { readMachines } from '../machine/machines'
import { readMachinesFile } from '../machine/machines-file'
import { readProjects } from '../project/projects'
import { Refused } from '../refused'
import { readKitRoom } from '../room/kit-room'
import { readNeeds, readPairs, readPlans, readSessions } from '../session/sessions'
import { readSite } from '../site/site'
import { readShelves } from '../stock/stock'
import { aProject, aVenue, freshStore } from '../testing/store'
import { COMMANDS, runCommand } from './run'

/**
 * Whatever is sent to whichever command: it lands, or it is refused with a status below 500 and the place of the fault.
 * The bodies are drawn from the commands' own schemas, so that a command that is added is tried too.
 */

let store: Store
let end: () => Promise<void>
let who: Actor
let theirs: Actor
const [machineId, theirMachine, courseId, theirCourse] = [uuid(), uuid(), uuid(), uuid()]
const project = aProject('Ida')
const { projectId, personId, enrolmentId } = project
const ids = [machineId, theirMachine, courseId, theirCourse, projectId, personId, enrolmentId, uuid(), uuid()]

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'here')
  theirs = await aVenue(store, 'there')
  const place = { x: 10, y: 10 }
  for (const [actor, machine, course] of [
    [who, machineId, courseId],
    [theirs, theirMachine, theirCourse],
  ] as const) {
    const run = (name: string, body: object) => runCommand(store, actor, name, { commandId: uuid(), body })
    const traits = ORDINARY_TRAITS
    await run('add-machine', { machineId: machine, name: 'Heron', number: 1, place, traits, source: 'manual' })
    await run('open-course', { courseId: course, name: 'Bags', classCode: 'bagsbags' })
  }
  await runCommand(store, who, 'add-project', { commandId: uuid(), body: { courseId, ...project } })
  ids.push(who.personId, theirs.personId)
})
afterAll(() => end())

/** Everything that a venue has, in an order of its own. */
async function allOf(siteId: string): Promise<string> {
  const tables = [
    'person',
    'course',
    'enrolment',
    'project',
    'machine',
    'trait',
    'machine_event',
    'machine_state',
  ] as const
  const rows = await Promise.all(
    tables.map((table) => ofEveryVenue(store).selectFrom(table).selectAll().where('site_id', '=', siteId).execute()),
  )
  return JSON.stringify(rows.map((each) => each.map((row) => JSON.stringify(row)).sort()))
}

async function sent(name: string, body: unknown): Promise<void> {
  const commandId = uuid()
  const wrong = await runCommand(store, who, name, { commandId, body }).then(
    () => undefined,
    (error: unknown) => error,
  )
  const landed = await ofEveryVenue(store)
    .selectFrom('command')
    .select('name')
    .where('command_id', '=', commandId)
    .execute()
  expect(landed.length).toBe(wrong === undefined ? 1 : 0)
  if (wrong === undefined) return
  // A fault of ours is no Invalid; over HTTP it would be a 500.
  if (!(wrong instanceof Invalid)) throw wrong as Error
  expect(wrong instanceof Refused ? wrong.status : 400).toBeLessThan(500)
  expect(wrong.message.length).toBeGreaterThan(8)
  expect(typeof wrong.fault.path).toBe('string')
}

describe('whatever is sent to', () => {
  it.each(Object.entries(COMMANDS))('%s lands whole or is refused with its place', async (name, { schema }) => {
    const bodies = spoiled(fitting(schema as unknown as Plain, ids))
    await fc.assert(
      fc.asyncProperty(bodies, (body) => sent(name, body)),
      { numRuns: 40 },
    )
  })

  it.each(EVENT_KINDS)('the book as a line of the kind %s lands whole or is refused with its place', async (kind) => {
    const bodies = spoiled(fitting(eventBody(kind) as TSchema as unknown as Plain, ids))
    const times = fc.constantFrom(...ODD_TIMES, '2026-03-05T18:00:00.000Z')
    await fc.assert(
      fc.asyncProperty(bodies, times, (body, happenedAt) => sent('log', { machineId, happenedAt, kind, body })),
      { numRuns: 25 },
    )
  })

  it.each(TRAIT_NAMES)('the card as the trait %s lands whole or is refused with its place', async (trait) => {
    const values = spoiled(fitting(TRAITS[trait] as TSchema as unknown as Plain, ids))
    await fc.assert(
      fc.asyncProperty(values, (value) => sent('set-trait', { machineId, trait, value, source: 'tried' })),
      { numRuns: 15 },
    )
  })

  it('what landed is read back by everything that reads it', async () => {
    const { houseRules } = await readSite(store, who.siteId)
    const now = new Date().toISOString()
    for (const { state, traits } of await readMachines(store, who.siteId)) {
      expect(['ready', 'due', 'stopped']).toContain(standingOf(state, houseRules.needle, now).standing)
      for (const { because } of careOf(state, traits, houseRules.numbers, now))
        expect(because).not.toMatch(/NaN|undefined/)
      for (const { needle } of needlesOf(state)) expect(sizeText(needle.sizeNm)).toMatch(/^\d+\/\d+$/)
      expect(seatCheck(traits).length).toBeGreaterThan(0)
      expect(kitMachine(traits)).toBeTypeOf('object')
    }
    const book = await readNewest(store, who.siteId, machineId, { limit: 1000 })
    expect(book.lines.length).toBeGreaterThan(20)
    for (const { title, detail, event } of shownLines(book.lines, book.around)) {
      expect(`${title} ${detail}`).not.toMatch(/NaN|undefined|\[object/)
      expect(new Date(event.happenedAt).toISOString()).toBe(event.happenedAt)
    }
    for (const { item } of await readShelves(store, who.siteId)) expect(itemWords(item).length).toBeGreaterThan(3)
    check(MachinesFileSchema, JSON.parse(JSON.stringify(await readMachinesFile(store, who.siteId))))
    const room = await readKitRoom(store, who.siteId)
    const ordinary = kitMachine(ORDINARY_TRAITS)
    if (!('machine' in ordinary)) throw new Error('the ordinary machine is known well enough for a kit')
    for (const project of await readProjects(store, who.siteId)) {
      const { kits, refusals } = computeKit(kitRequestFor(project, ordinary.machine, room))
      expect(kits.length > 0).toBe(refusals.length === 0)
      for (const { because } of kits.flatMap(({ reasons }) => reasons)) expect(because).not.toMatch(/NaN|undefined/)
    }
    for (const read of [readSessions, readPairs, readNeeds, readPlans]) await read(store, who.siteId)
  })

  it('one venue changes nothing of another', async () => {
    const before = await allOf(theirs.siteId)
    const stranger = [theirMachine, theirCourse, theirs.personId]
    for (const [name, { schema }] of Object.entries(COMMANDS))
      await fc.assert(
        fc.asyncProperty(fitting(schema as unknown as Plain, stranger), (body) => sent(name, body)),
        { numRuns: 5 },
      )
    expect(await allOf(theirs.siteId)).toBe(before)
  })
})
