import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readClasses } from '../project/classes'
import { readCourses, readProjects } from '../project/projects'
import { readSessions } from '../session/sessions'
import { readMembership, learnerSignIn } from '../site/people'
import { aProject, aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
})
afterAll(() => end())

const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
const openClass = async (name: string, ...learners: string[]) => {
  const courseId = uuid()
  await run('open-course', { courseId, name })
  for (const learner of learners) await run('add-project', { courseId, ...aProject(learner) })
  return courseId
}
const shown = async (courseId: string) =>
  (await readClasses(store, who.siteId, new Date())).find((each) => each.courseId === courseId)!

describe('classes', () => {
  it('run as many at once as are wanted, each with a code of its own that changes at will', async () => {
    const [one, other] = [await openClass('One', 'Ida'), await openClass('Other', 'Ida')]
    const before = (await shown(one)).code
    expect(before).not.toBe((await shown(other)).code)
    expect(await learnerSignIn(store, before, 'Ida')).toBeDefined()
    await run('change-class-code', { courseId: one })
    expect(await learnerSignIn(store, before, 'Ida')).toBeUndefined()
    expect(await learnerSignIn(store, (await shown(one)).code, 'Ida')).toBeDefined()
    await run('change-class-code', { courseId: one, classCode: 'boathouse' })
    expect((await shown(one)).code).toBe('room-boathouse')
    await expect(run('change-class-code', { courseId: other, classCode: 'boathouse' })).rejects.toMatchObject({
      status: 409,
      path: 'classCode',
    })
  })

  it('that are closed take nobody in and hang no bag on the rack, and come back whole', async () => {
    const courseId = await openClass('Spring', 'Jon', 'Kim')
    const { code } = await shown(courseId)
    const userId = (await learnerSignIn(store, code, 'Jon'))!
    await ofEveryVenue(store)
      .insertInto('sign_in_session')
      .values({ id: 's', token: 's', userId, updatedAt: new Date(), expiresAt: new Date(Date.now() + 1e6) } as never)
      .execute()
    await run('close-course', { courseId })
    expect(await ofEveryVenue(store).selectFrom('sign_in_session').select('id').execute()).toEqual([])
    expect((await readCourses(store, who.siteId)).map(({ course_id }) => course_id)).not.toContain(courseId)
    expect(await learnerSignIn(store, code, 'Jon')).toBeUndefined()
    const hanging = await readProjects(store, who.siteId, { hanging: true })
    expect(hanging.map(({ learner }) => learner)).not.toContain('Jon')
    expect(await readProjects(store, who.siteId, { courseId })).toHaveLength(2)
    expect(await shown(courseId)).toMatchObject({ learners: 2, bags: 2, closedAt: expect.any(Date) as Date })
    // By hand, by a stale page or by the calendar: nothing gets into it.
    const sessions = [
      { sessionId: uuid(), startsAt: '2030-01-10T18:00:00Z', endsAt: '2030-01-10T20:00:00Z', blocks: 1 },
    ]
    const added = { ...aProject('Late') }
    for (const [name, body] of [
      ['add-project', { courseId, ...added }],
      ['add-projects', { courseId, projects: [added] }],
      ['add-sessions', { courseId, sessions }],
    ] as const)
      await expect(run(name, body)).rejects.toMatchObject({ status: 409, code: 'closed', path: 'courseId' })
    await run('reopen-course', { courseId })
    expect(await learnerSignIn(store, code, 'Jon')).toBeDefined()
    expect((await readProjects(store, who.siteId, { hanging: true })).map(({ learner }) => learner)).toContain('Jon')
  })

  it('are copied empty, or with their learners, who stay the same people', async () => {
    const courseId = await openClass('Autumn', 'Lea', 'Max')
    const [empty, whole] = [uuid(), uuid()]
    await run('copy-course', { courseId: empty, copyOf: courseId, name: 'Empty', learners: false })
    await run('copy-course', { courseId: whole, copyOf: courseId, name: 'Again', learners: true })
    expect(await shown(empty)).toMatchObject({ learners: 0, bags: 0 })
    expect(await shown(whole)).toMatchObject({ learners: 2, bags: 0 })
    const personOf = async (code: string) =>
      (await readMembership(store, (await learnerSignIn(store, code, 'Lea'))!))!.person_id
    expect(await personOf((await shown(whole)).code)).toBe(await personOf((await shown(courseId)).code))
    await expect(
      run('copy-course', { courseId: uuid(), copyOf: uuid(), name: 'x', learners: true }),
    ).rejects.toMatchObject({ status: 404, path: 'copyOf' })
  })

  it('do what they like in their own way, which a copy takes along and two people do not overwrite', async () => {
    const courseId = await openClass('Saturdays', 'Uma')
    expect((await shown(courseId)).settings).toEqual({})
    const own = {
      usual: { from: '10:00', minutes: 90, blocks: 1 },
      tension: 'hands-off' as const,
      supervised: { under: 12, toOne: 4 },
    }
    await run('set-class', { courseId, settings: own, was: {} })
    expect((await shown(courseId)).settings).toEqual(own)
    expect((await readProjects(store, who.siteId, { courseId }))[0]!.ofClass).toEqual(own)
    await expect(run('set-class', { courseId, settings: {}, was: {} })).rejects.toMatchObject({ code: 'changed' })
    await expect(
      run('set-class', { courseId, settings: { usual: { ...own.usual, from: '25:00' } } }),
    ).rejects.toMatchObject({
      code: 'invalid',
      path: 'settings.usual.from',
    })
    await expect(run('set-class', { courseId: uuid(), settings: {} })).rejects.toMatchObject({ status: 404 })
    const copy = uuid()
    await run('copy-course', { courseId: copy, copyOf: courseId, name: 'Sundays', learners: false })
    expect((await shown(copy)).settings).toEqual(own)
    await run('add-sessions', {
      courseId,
      sessions: [{ sessionId: uuid(), startsAt: '2031-01-10T18:00:00Z', endsAt: '2031-01-10T20:00:00Z', blocks: 1 }],
    })
    expect((await readSessions(store, who.siteId, { courseIds: [courseId] }))[0]!.ofClass).toEqual(own)
  })

  it('are renamed, and one that is not there is said so', async () => {
    const courseId = await openClass('Wynter')
    await run('rename-course', { courseId, name: 'Winter' })
    expect((await shown(courseId)).name).toBe('Winter')
    for (const name of ['close-course', 'reopen-course', 'change-class-code'])
      await expect(run(name, { courseId: uuid() })).rejects.toMatchObject({ status: 404, path: 'courseId' })
  })

  it('that somebody joins by hand have the same person who was chosen in another, and nobody of another name', async () => {
    const one = await openClass('Mornings', 'Ottilie')
    const other = await openClass('Evenings')
    const ottilie = (await readProjects(store, who.siteId, { courseId: one }))[0]!
    const chosen = { ...aProject('Ottilie'), personId: ottilie.personId }
    await run('add-project', { courseId: other, ...chosen })
    expect((await readProjects(store, who.siteId, { courseId: other }))[0]!.personId).toBe(ottilie.personId)
    const wrong = { ...aProject('Oskar'), personId: ottilie.personId }
    await expect(run('add-project', { courseId: other, ...wrong })).rejects.toMatchObject({
      status: 409,
      path: 'learner',
    })
    // Put away here and chosen again, they are at work again.
    await run('put-away', { what: 'learner', id: chosen.enrolmentId })
    await run('add-project', { courseId: other, ...aProject('Ottilie'), personId: ottilie.personId })
    expect((await readProjects(store, who.siteId, { courseId: other })).map(({ enrolmentId }) => enrolmentId)).toEqual([
      chosen.enrolmentId,
      chosen.enrolmentId,
    ])
  })
})
