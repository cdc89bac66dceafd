import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Invalid } from '@/core/schema/invalid'
import { kitRequestFor } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import { kitMachine } from '@/core/kit/kit-machine'
import { ProjectSchema } from '@/core/kit/project'
import { check } from '@/core/schema/validate'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readProjects } from '../project/projects'
import { readAttendance, readNeeds, readPairs, readPlans, readSessions } from '../session/sessions'
import { readKitRoom } from '../room/kit-room'
import { aProject, aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

let store: Store
let end: () => Promise<void>
let who: Actor
const courseId = uuid()
const machineId = uuid()
const learners = ['Ida', 'Jon'].map(aProject)
const [ida, jon] = learners as [(typeof learners)[number], (typeof learners)[number]]
const SESSION = { startsAt: '2026-11-26T18:00:00.000Z', endsAt: '2026-11-26T20:00:00.000Z', blocks: 2 }

const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
const fault = (work: Promise<unknown>) =>
  work.then(
    () => undefined,
    (error: unknown) => (error instanceof Invalid ? error.fault : error),
  )
const newSession = async (): Promise<string> => {
  const sessionId = uuid()
  await run('add-sessions', { courseId, sessions: [{ sessionId, ...SESSION }] })
  return sessionId
}

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  const place = { x: 10, y: 10 }
  await run('add-machine', { machineId, name: 'Heron', number: 1, place, traits: ORDINARY_TRAITS, source: 'manual' })
  await run('open-course', { courseId, name: 'Bags', classCode: 'bagsbags' })
  await run('add-projects', { courseId, projects: learners })
})
afterAll(() => end())

describe('a session', () => {
  it('comes into the calendar in order, is moved and called off, and never ends before it begins', async () => {
    const sessionId = await newSession()
    const earlier = uuid()
    await run('add-sessions', {
      courseId,
      sessions: [
        { sessionId: earlier, startsAt: '2026-11-19T18:00:00.000Z', endsAt: '2026-11-19T20:00:00.000Z', blocks: 1 },
      ],
    })
    const ids = (await readSessions(store, who.siteId, { courseIds: [courseId] })).map((session) => session.sessionId)
    expect(ids.indexOf(earlier)).toBeLessThan(ids.indexOf(sessionId))
    await run('change-session', { sessionId, ...SESSION, blocks: 3, calledOff: 'snow' })
    expect((await readSessions(store, who.siteId, { sessionId }))[0]).toMatchObject({ blocks: 3, calledOff: 'snow' })
    await run('change-session', { sessionId, ...SESSION })
    expect((await readSessions(store, who.siteId, { sessionId }))[0]).not.toHaveProperty('calledOff')
    expect(await fault(run('change-session', { sessionId, ...SESSION, endsAt: SESSION.startsAt }))).toMatchObject({
      path: 'endsAt',
    })
    expect(
      await fault(run('add-sessions', { courseId: uuid(), sessions: [{ sessionId: uuid(), ...SESSION }] })),
    ).toMatchObject({
      code: 'not-found',
      path: 'courseId',
    })
  })

  it('knows who comes late or not at all, what they need, and who sits with whom', async () => {
    const sessionId = await newSession()
    const come = (body: object) => run('set-attendance', { sessionId, personId: ida.personId, ...body })
    await come({ comes: 'late', fromBlock: 2 })
    expect(await readAttendance(store, who.siteId, sessionId)).toEqual(
      new Map([[ida.personId, { comes: 'late', fromBlock: 2 }]]),
    )
    await come({ comes: 'absent' })
    expect((await readAttendance(store, who.siteId, sessionId)).get(ida.personId)).toEqual({ comes: 'absent' })
    expect(await fault(come({ comes: 'late' }))).toMatchObject({ path: 'fromBlock' })
    await run('set-needs', { personId: ida.personId, needs: ['spaceAtLeft'] })
    expect((await readNeeds(store, who.siteId)).get(ida.personId)).toEqual(['spaceAtLeft'])

    const pairId = uuid()
    const people = [ida.personId, jon.personId]
    await run('pair-people', { pairId, kind: 'apart', people })
    expect(await readPairs(store, who.siteId)).toEqual([{ pairId, kind: 'apart', people }])
    expect(
      await fault(run('pair-people', { pairId: uuid(), kind: 'apart', people: [people[0], people[0]] })),
    ).toMatchObject({
      path: 'people.1',
    })
    await run('end-pair', { pairId })
    expect(await readPairs(store, who.siteId)).toEqual([])
  })

  it('keeps every plan, shows the newest, and refuses one that was made from an older one', async () => {
    const sessionId = await newSession()
    const seat = { projectId: ida.projectId, machineId, block: 1 }
    const [first, second] = [uuid(), uuid()]
    await run('set-plan', { sessionId, basedOn: null, plan: { seats: [seat], leftOut: [] } }, first)
    await run(
      'set-plan',
      { sessionId, basedOn: first, plan: { seats: [{ ...seat, block: 2, pinned: true }], leftOut: [] } },
      second,
    )
    const kept = (await readPlans(store, who.siteId)).get(sessionId)!
    expect([kept.planId, kept.basedOn, kept.madeBy]).toEqual([second, first, who.personId])
    expect(kept.plan.seats).toEqual([{ ...seat, block: 2, pinned: true }])
    const late = run('set-plan', { sessionId, basedOn: first, plan: { seats: [], leftOut: [] } })
    expect(await fault(late)).toMatchObject({ code: 'changed', path: 'basedOn' })

    // Two at once: one lands, the other is told.
    const at = () => run('set-plan', { sessionId, basedOn: second, plan: { seats: [], leftOut: [machineId] } })
    const both = await Promise.allSettled([at(), at()])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    const rows = await ofEveryVenue(store)
      .selectFrom('session_plan')
      .select('plan_id')
      .where('session_id', '=', sessionId)
      .execute()
    expect(rows).toHaveLength(3)
  })

  it('begins a block by giving all its kits in one write, or none of them', async () => {
    const known = kitMachine(ORDINARY_TRAITS)
    if ('missing' in known) throw new Error('An ordinary machine is known')
    const work = ProjectSchema.properties
    const asked = {
      fabric: check(work.fabric, ida.fabric),
      layers: ida.layers,
      operation: check(work.operation, ida.operation),
    }
    const room = await readKitRoom(store, who.siteId)
    const { point, sizeNm } = computeKit(kitRequestFor(asked, known.machine, room)).kits[0]!.needle
    const needle = { point, sizeNm }
    const give = (needles: readonly object[]) =>
      run('give-kits', {
        kits: learners.map(({ projectId }, index) => ({
          kitGivenId: uuid(),
          projectId,
          machineId,
          needle: needles[index],
        })),
      })
    const given = async () =>
      (await readProjects(store, who.siteId, { courseId })).map((project) => project.given?.machineId)
    expect(await fault(give([needle, { point: 'leather', sizeNm: 110 }]))).toMatchObject({ code: 'no-such-kit' })
    expect(await given()).toEqual([undefined, undefined])
    await give([needle, needle])
    expect(await given()).toEqual([machineId, machineId])
  })
})
