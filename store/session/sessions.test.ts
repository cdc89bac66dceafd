import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aProject, aVenue, freshStore } from '../testing/store'
import { readAttendance, readNeeds, readPairs, readPlans, readSessions } from './sessions'

let store: Store
let end: () => Promise<void>
let here: Actor
let there: Actor
const [bags, hats, theirs] = [uuid(), uuid(), uuid()]
const people = ['Ida', 'Jon', 'Kim'].map(aProject)
const ids: string[] = []
const on = (day: number) => ({
  startsAt: `2026-03-${String(day).padStart(2, '0')}T18:00:00.000Z`,
  endsAt: `2026-03-${String(day).padStart(2, '0')}T20:00:00.000Z`,
  blocks: 2,
})
const add = async (who: Actor, courseId: string, day: number) => {
  const sessionId = uuid()
  await run(who, 'add-sessions', { courseId, sessions: [{ sessionId, ...on(day) }] })
  return sessionId
}
const run = (who: Actor, name: string, body: object, commandId = uuid(), now = new Date()) =>
  runCommand(store, who, name, { commandId, body }, now)

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  here = await aVenue(store, 'here')
  there = await aVenue(store, 'there')
  await run(here, 'open-course', { courseId: bags, name: 'Bags', classCode: 'bagsbags' })
  await run(here, 'open-course', { courseId: hats, name: 'Hats', classCode: 'hatshats' })
  await run(there, 'open-course', { courseId: theirs, name: 'Bags', classCode: 'bagsbags' })
  await run(here, 'add-projects', { courseId: bags, projects: people })
  // Not in the order in which they take place.
  for (const day of [19, 5, 12]) ids.push(await add(here, bags, day))
  await add(here, hats, 6)
  await add(there, theirs, 5)
})
afterAll(() => end())

describe('sessions', () => {
  const days = async (only: Parameters<typeof readSessions>[2], who = here) =>
    (await readSessions(store, who.siteId, only)).map(({ course, startsAt }) => `${course} ${startsAt.getUTCDate()}`)

  it('are read in order of time, of the whole room, one class, or one stretch', async () => {
    expect(await days({})).toEqual(['Bags 5', 'Hats 6', 'Bags 12', 'Bags 19'])
    expect(await days({ courseIds: [bags] })).toEqual(['Bags 5', 'Bags 12', 'Bags 19'])
    expect(await days({ from: new Date('2026-03-06T00:00:00Z') })).toEqual(['Hats 6', 'Bags 12', 'Bags 19'])
    // One that is going on counts as to come; one that begins just then does not count as before.
    expect(await days({ from: new Date('2026-03-05T19:59:00Z') })).toContain('Bags 5')
    expect(await days({ to: new Date('2026-03-12T18:00:00Z') })).toEqual(['Bags 5', 'Hats 6'])
    expect(await days({ sessionId: ids[0]! })).toEqual(['Bags 19'])
    expect(await days({ sessionId: uuid() })).toEqual([])
  })

  it('of another venue are never among them', async () => {
    expect(await days({}, there)).toEqual(['Bags 5'])
    expect(await days({ sessionId: ids[0]! }, there)).toEqual([])
    await expect(add(there, bags, 20)).rejects.toMatchObject({ status: 404, path: 'courseId' })
    await expect(run(there, 'change-session', { sessionId: ids[0]!, ...on(21) })).rejects.toMatchObject({ status: 404 })
  })

  it('that are called off say why, and take place again when nobody says so any more', async () => {
    await run(here, 'change-session', { sessionId: ids[2]!, ...on(12), calledOff: 'snow' })
    expect((await readSessions(store, here.siteId, { sessionId: ids[2]! }))[0]!.calledOff).toBe('snow')
    await run(here, 'change-session', { sessionId: ids[2]!, ...on(12) })
    expect((await readSessions(store, here.siteId, { sessionId: ids[2]! }))[0]).not.toHaveProperty('calledOff')
  })

  it('are added all or none', async () => {
    const sessions = [
      { sessionId: uuid(), ...on(26) },
      { sessionId: uuid(), ...on(27), endsAt: '2026-03-27T17:00:00.000Z' },
    ]
    await expect(run(here, 'add-sessions', { courseId: hats, sessions })).rejects.toMatchObject({
      path: 'sessions.1.endsAt',
    })
    expect(await days({ courseIds: [hats] })).toEqual(['Hats 6'])
  })
})

describe('who comes', () => {
  it('is what was said last, of that session alone', async () => {
    const [ida] = people
    const say = (sessionId: string, more: object) =>
      run(here, 'set-attendance', { sessionId, personId: ida!.personId, ...more })
    await say(ids[0]!, { comes: 'absent' })
    await say(ids[0]!, { comes: 'late', fromBlock: 2 })
    expect([...(await readAttendance(store, here.siteId, ids[0]!))]).toEqual([
      [ida!.personId, { comes: 'late', fromBlock: 2 }],
    ])
    expect((await readAttendance(store, here.siteId, ids[1]!)).size).toBe(0)
    await say(ids[0]!, { comes: 'here' })
    expect((await readAttendance(store, here.siteId, ids[0]!)).get(ida!.personId)).toEqual({ comes: 'here' })
    await expect(say(ids[0]!, { comes: 'here', fromBlock: 2 })).rejects.toMatchObject({ path: 'fromBlock' })
    await expect(say(ids[0]!, { comes: 'late' })).rejects.toMatchObject({ path: 'fromBlock' })
  })

  it('with whom holds until it is ended, and a pair is two people of the room', async () => {
    const [ida, jon] = people
    const pairId = uuid()
    await run(here, 'pair-people', { pairId, kind: 'apart', people: [ida!.personId, jon!.personId] })
    expect(await readPairs(store, here.siteId)).toEqual([
      { pairId, kind: 'apart', people: [ida!.personId, jon!.personId] },
    ])
    const twice = { pairId: uuid(), kind: 'apart', people: [ida!.personId, ida!.personId] }
    await expect(run(here, 'pair-people', twice)).rejects.toMatchObject({ path: 'people.1' })
    const strange = { pairId: uuid(), kind: 'apart', people: [ida!.personId, there.personId] }
    await expect(run(here, 'pair-people', strange)).rejects.toMatchObject({ status: 404 })
    await run(here, 'end-pair', { pairId })
    expect(await readPairs(store, here.siteId)).toEqual([])
  })

  it('and what they need of a place is theirs in every session', async () => {
    const [, , kim] = people
    await run(here, 'set-needs', { personId: kim!.personId, needs: [] })
    expect((await readNeeds(store, here.siteId)).get(kim!.personId)).toEqual([])
    await expect(run(there, 'set-needs', { personId: kim!.personId, needs: [] })).rejects.toMatchObject({ status: 404 })
  })
})

describe('a plan', () => {
  it('of two people who plan at once from the same one lands once, and the other is told', async () => {
    const attempt = () => run(here, 'set-plan', { sessionId: ids[1]!, basedOn: null, plan: { seats: [], leftOut: [] } })
    const outcomes = await Promise.allSettled([attempt(), attempt(), attempt()])
    expect(outcomes.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    const plans = await readPlans(store, here.siteId, { sessionIds: [ids[1]!] })
    expect(plans.size).toBe(1)
    expect(plans.get(ids[1]!)).toMatchObject({ basedOn: null, madeBy: here.personId })
    expect(await readPlans(store, there.siteId)).toEqual(new Map())
  })

  it('is read for the sessions or the classes that are asked for, and for none where none are', async () => {
    const of = async (only: Parameters<typeof readPlans>[2]) => [...(await readPlans(store, here.siteId, only)).keys()]
    expect(await of({})).toEqual([ids[1]])
    expect(await of({ courseIds: [bags] })).toEqual([ids[1]])
    expect(await of({ courseIds: [hats] })).toEqual([])
    expect(await of({ sessionIds: [ids[0]!] })).toEqual([])
    expect(await of({ sessionIds: [] })).toEqual([])
  })
})
