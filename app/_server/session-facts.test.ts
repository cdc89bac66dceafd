import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '@/store/actor'
import { runCommand } from '@/store/commands/run'
import type { Store } from '@/store/connect'
import { readMachine } from '@/store/machine/machines'
import { readProjects } from '@/store/project/projects'
import { readPlannedSeats } from '@/store/session/planned-seats'
import { readSessions } from '@/store/session/sessions'
import { readSite } from '@/store/site/site'
import { aProject, aVenue, freshStore } from '@/store/testing/store'
import { ofProcess } from './of-process'
import { askedNow, planRequest, readSessionFacts } from './session-facts'
import { finderProps } from './finder'
import { promisesOf } from './promises'
import { seatCheckProps, swatchProps } from './seat'

/** One room with two machines, a class of three, and two sessions of it. */
const held = ofProcess<{ store: Store }>()
const courseId = uuid()
const [heron, dunlin] = [uuid(), uuid()]
const [first, second] = [uuid(), uuid()]
const learners = ['Ida', 'Jon', 'Kim'].map(aProject)
const [ida, jon, kim] = learners as [(typeof learners)[number], (typeof learners)[number], (typeof learners)[number]]
const now = new Date('2030-01-01T12:00:00Z')

let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  const fresh = await freshStore()
  held.store = fresh.store
  end = fresh.end
  who = await aVenue(fresh.store, 'room')
  const placed = [
    [heron, 'Heron', { x: 10, y: 10 }],
    [dunlin, 'Dunlin', { x: 40, y: 10 }],
  ] as const
  for (const [index, [machineId, name, place]] of placed.entries())
    await run('add-machine', { machineId, name, number: index + 1, place, traits: ORDINARY_TRAITS, source: 'manual' })
  await run('open-course', { courseId, name: 'Bags', classCode: 'bagsbags' })
  await run('add-projects', { courseId, projects: learners })
  await run('add-sessions', {
    courseId,
    sessions: [
      { sessionId: first, startsAt: '2030-01-10T18:00:00.000Z', endsAt: '2030-01-10T20:00:00.000Z', blocks: 2 },
      { sessionId: second, startsAt: '2030-01-17T18:00:00.000Z', endsAt: '2030-01-17T20:00:00.000Z', blocks: 2 },
    ],
  })
})
afterAll(async () => {
  delete held.store
  await end()
})

const run = (name: string, body: object, commandId = uuid()) => runCommand(held.store!, who, name, { commandId, body })
const log = (machineId: string, kind: string, body: object, at = new Date()) =>
  run('log', { machineId, happenedAt: at.toISOString(), kind, body })
const whole = async (sessionId: string) => {
  const [session] = await readSessions(held.store!, who.siteId, { sessionId })
  return readSessionFacts(who.siteId, session!)
}
const seat = (projectId: string, machineId: string, block: number, pinned = false) => ({
  projectId,
  machineId,
  block,
  ...(pinned && { pinned }),
})
const plan = async (sessionId: string, seats: object[], basedOn: string | null = null) => {
  const planId = uuid()
  await run('set-plan', { sessionId, basedOn, plan: { seats, leftOut: [] } }, planId)
  return planId
}
const machineOf = async (machineId: string) => (await readMachine(held.store!, who.siteId, machineId))!

describe('a session as it is asked about', () => {
  it('has everybody of its class, the machines in walking order, and time in equal blocks', async () => {
    const { facts, roster, places } = await whole(first)
    expect(facts.learners.map(({ learner }) => learner).sort()).toEqual(['Ida', 'Jon', 'Kim'])
    expect(roster.every(({ comes }) => comes === 'here')).toBe(true)
    expect(facts.blockMinutes).toBe(60)
    expect(places.map(({ number }) => number)).toEqual([1, 2])
    expect(facts.machines.every(({ instructorMetres }) => instructorMetres === undefined)).toBe(true)
  })

  it('knows how far each machine is from the instructor once somebody said where they stand', async () => {
    await run('place-instructor', { place: { x: 40, y: 50 } })
    const metres = (await whole(first)).facts.machines.map(({ instructorMetres }) => instructorMetres!)
    expect(metres[1]).toBeCloseTo(4, 6)
    expect(metres[0]).toBeCloseTo(5, 6)
  })

  it('leaves out who does not come, and lets the late come when they do', async () => {
    await run('set-attendance', { sessionId: first, personId: kim.personId, comes: 'absent' })
    await run('set-attendance', { sessionId: first, personId: jon.personId, comes: 'late', fromBlock: 2 })
    const { facts, roster } = await whole(first)
    expect(facts.learners.map(({ projectId }) => projectId).sort()).toEqual([ida.projectId, jon.projectId].sort())
    expect(facts.learners.find(({ projectId }) => projectId === jon.projectId)?.fromBlock).toBe(2)
    expect(roster.find(({ name }) => name === 'Kim')).toMatchObject({ comes: 'absent' })
    expect((await whole(second)).facts.learners).toHaveLength(3)
    for (const { personId } of [jon, kim]) await run('set-attendance', { sessionId: first, personId, comes: 'here' })
  })

  it('asks the same question while nothing changes, and another one as soon as something does', async () => {
    const digest = async () => askedNow(await whole(second), now).digest
    const before = await digest()
    expect(await digest()).toBe(before)
    expect(askedNow(await whole(second), new Date(now.getTime() + 60_000)).digest).toBe(before)
    await run('set-attendance', { sessionId: second, personId: kim.personId, comes: 'absent' })
    const without = await digest()
    expect(without).not.toBe(before)
    await run('set-attendance', { sessionId: second, personId: kim.personId, comes: 'here' })
    const rules = { ...DEFAULT_HOUSE_RULES, numbers: { ...DEFAULT_HOUSE_RULES.numbers, minutesNeedle: 9 } }
    await run('change-house-rules', { rules })
    expect(await digest()).not.toBe(before)
    await run('change-house-rules', { rules: DEFAULT_HOUSE_RULES })
  })

  it('brings its pins and what its room thinks things are worth to the planner, and who sat where last time', async () => {
    const planId = await plan(first, [seat(ida.projectId, heron, 1, true), seat(jon.projectId, dunlin, 1)])
    const request = planRequest(await whole(first), now)
    expect(request.pins).toEqual([{ student: ida.projectId, machine: heron, block: 1 }])
    expect(request.underWay).toBeUndefined()
    expect(request.weights.otherMachine).toBeGreaterThanOrEqual(0)
    const later = planRequest(await whole(first), now, { block: 2 })
    expect(later.underWay).toMatchObject({ block: 2 })
    expect(later.underWay!.seats).toHaveLength(2)
    const last = new Map((await whole(second)).facts.learners.map((each) => [each.projectId, each.lastMachineId]))
    expect(last.get(ida.projectId)).toBe(heron)
    expect(last.get(jon.projectId)).toBe(dunlin)
    expect(last.get(kim.projectId)).toBeUndefined()
    await expect(plan(first, [], uuid())).rejects.toMatchObject({ status: 409, code: 'changed' })
    await plan(first, [], planId)
  })
})

describe('what planned sessions promise', () => {
  it('is told of those that are planned, take place and are still to come', async () => {
    expect(await promisesOf(who.siteId, now)).toMatchObject({ planned: 0, coming: 2, sessions: [] })
    await plan(second, [seat(ida.projectId, heron, 1), seat(jon.projectId, dunlin, 1)])
    const { sessions, planned } = await promisesOf(who.siteId, now)
    expect(planned).toBe(1)
    expect(sessions.map(({ sessionId }) => sessionId)).toEqual([second])
    expect(sessions[0]!.needs.some(({ item }) => item.kind === 'needle')).toBe(true)
    expect(await promisesOf(who.siteId, new Date('2030-02-01T00:00:00Z'))).toMatchObject({ planned: 0, coming: 0 })
    const facts = { startsAt: '2030-01-17T18:00:00.000Z', endsAt: '2030-01-17T20:00:00.000Z', blocks: 2 }
    await run('change-session', { sessionId: second, ...facts, calledOff: 'snow' })
    expect(await promisesOf(who.siteId, now)).toMatchObject({ planned: 0, coming: 1 })
  })
})

describe('a seat', () => {
  it('is checked whole the first time, and by what a change made stale from then on', async () => {
    const whole = seatCheckProps(await machineOf(heron), undefined)
    expect(whole.shortened).toBe(false)
    const steps = whole.check.steps.map(({ step, group }) => ({ step, group, result: 'pass' }))
    await log(heron, 'check-run', { list: 'seat', steps })
    await log(heron, 'swatch-stitched', { dial: 4, target: 'straight', top: 'own', under: 'own', done: ['rethreaded'] })
    expect(seatCheckProps(await machineOf(heron), undefined).check.steps).toEqual([])
    const needle = { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' }
    await log(heron, 'needle-changed', { in: needle })
    const short = seatCheckProps(await machineOf(heron), undefined)
    expect(short.shortened).toBe(true)
    expect(short.swatchIsStale).toBe(true)
    expect(short.check.steps.length).toBeGreaterThan(0)
    expect(short.check.steps.length).toBeLessThan(whole.check.steps.length)
    expect(seatCheckProps(await machineOf(heron), undefined, { whole: true }).check.steps).toEqual(whole.check.steps)
  })

  it('shows a swatch what is wanted of the kit that was given, and goes on from the dial as it stands', async () => {
    const give = { projectId: ida.projectId, machineId: heron, needle: { point: 'universal', sizeNm: 70 } }
    await run('give-kit', give)
    const [project] = await readProjects(held.store!, who.siteId, { projectId: ida.projectId })
    const props = (await swatchProps(who.siteId, await machineOf(heron), project))!
    expect(props).toMatchObject({ target: 'straight', projectId: ida.projectId, stackMm: 0.6 })
    expect(props.start).toBe(project!.given!.kit.dial.setting)
    await log(heron, 'set-up', { dial: 5 })
    expect((await swatchProps(who.siteId, await machineOf(heron), project))!.at).toBe(5)
    const sheer = { ...project!, fabric: { ...project!.fabric, traits: ['sheer' as const] } }
    expect((await swatchProps(who.siteId, await machineOf(heron), sheer))!.target).toBe('straight-on-sheer')
    const buttonhole = { ...project!, operation: 'buttonhole' as const }
    expect((await swatchProps(who.siteId, await machineOf(heron), buttonhole))!.target).toBe('buttonhole')
    const { tensionDial: _, ...traits } = (await machineOf(heron)).traits
    expect(await swatchProps(who.siteId, { ...(await machineOf(heron)), traits }, project)).toBeUndefined()
  })
})

describe('the finder', () => {
  it('is told what the machine’s book knows, and remembers a strike for a week', async () => {
    const site = await readSite(held.store!, who.siteId)
    const known = async () => (await finderProps(site, await machineOf(heron), undefined, {})).known
    expect(await known()).toMatchObject({ needlePoint: 'universal', needleHours: 0 })
    expect((await known()).recentStrike).toBeUndefined()
    const out = { reason: 'struck', state: 'bent', wentTo: 'sharps' }
    const needle = { system: '130/705 H', point: 'jeans', sizeNm: 90, condition: 'unverified' }
    await log(heron, 'needle-changed', { out, in: needle })
    expect(await known()).toMatchObject({ needlePoint: 'jeans', recentStrike: true })
    // Of a needle of unknown age nobody knows the hours.
    expect((await known()).needleHours).toBeUndefined()
  })

  it('begins with the symptom that somebody came with, and with none that is none', async () => {
    const site = await readSite(held.store!, who.siteId)
    const asked = async (symptom?: string) =>
      (await finderProps(site, await machineOf(dunlin), undefined, symptom ? { symptom } : {})).symptom
    expect(await asked('skipped')).toBe('skipped')
    expect(await asked('gremlins')).toBeUndefined()
    expect(await asked()).toBeUndefined()
  })
})

it('somebody of block 2 is told before the session where and when they sit, and until it is over', async () => {
  const sessionId = uuid()
  const facts = { startsAt: '2030-02-07T18:00:00.000Z', endsAt: '2030-02-07T20:00:00.000Z', blocks: 2 }
  await run('add-sessions', { courseId, sessions: [{ sessionId, ...facts }] })
  await plan(sessionId, [seat(ida.projectId, heron, 1), seat(jon.projectId, heron, 2)])
  const told = (at: string, person = jon.personId) => readPlannedSeats(held.store!, who.siteId, person, new Date(at))
  expect(await told('2030-02-07T17:30:00Z')).toMatchObject([
    { machine: 'Heron', block: 2, from: new Date('2030-02-07T19:00:00Z'), to: new Date('2030-02-07T20:00:00Z') },
  ])
  // Ida's block is over; Jon's has begun.
  expect(await told('2030-02-07T19:10:00Z', ida.personId)).toEqual([])
  expect(await told('2030-02-07T19:10:00Z')).toHaveLength(1)
  expect(await told('2030-02-06T17:30:00Z')).toEqual([])
})
