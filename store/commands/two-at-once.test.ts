import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Invalid } from '@/core/schema/invalid'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readProject } from '../project/projects'
import { readAttendance, readNeeds } from '../session/sessions'
import { readSite } from '../site/site'
import { aProject, aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

let store: Store
let end: () => Promise<void>
let who: Actor
const [courseId, sessionId] = [uuid(), uuid()]
const ida = aProject('Ida')
const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
const code = (work: Promise<unknown>) =>
  work.then(
    () => 'landed',
    (error: unknown) => (error instanceof Invalid ? error.fault.code : String(error)),
  )

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  await run('open-course', { courseId, name: 'Bags' })
  await run('add-projects', { courseId, projects: [ida] })
  const facts = { startsAt: '2026-11-26T18:00:00.000Z', endsAt: '2026-11-26T20:00:00.000Z', blocks: 3 }
  await run('add-sessions', { courseId, sessions: [{ sessionId, ...facts }] })
})
afterAll(() => end())

describe('of two who change the same thing from the same page the second is told, and chooses', () => {
  it('of one bag', async () => {
    const { projectId } = ida
    const work = { layers: ida.layers, operation: ida.operation }
    const was = { fabric: ida.fabric, ...work }
    const theirs = { fabric: { ...ida.fabric, massGsm: 210 }, ...work }
    const mine = { fabric: { ...ida.fabric, massGsm: 90 }, ...work }
    expect(await code(run('change-project', { projectId, ...theirs, was }))).toBe('landed')
    expect(await code(run('change-project', { projectId, ...mine, was }))).toBe('changed')
    expect((await readProject(store, who.siteId, projectId))!.fabric.massGsm).toBe(210)
    expect(await code(run('change-project', { projectId, ...mine, was: theirs }))).toBe('landed')
    expect((await readProject(store, who.siteId, projectId))!.fabric.massGsm).toBe(90)
  })

  it('of the house rules', async () => {
    const { houseRules: was } = await readSite(store, who.siteId)
    expect(await code(run('change-house-rules', { rules: { ...was, duty: 0.3 }, was }))).toBe('landed')
    expect(await code(run('change-house-rules', { rules: { ...was, tension: 'hands-off' }, was }))).toBe('changed')
    expect((await readSite(store, who.siteId)).houseRules).toEqual({ ...was, duty: 0.3 })
    const both = { ...was, duty: 0.3, tension: 'hands-off' }
    expect(await code(run('change-house-rules', { rules: both, was: { ...was, duty: 0.3 } }))).toBe('landed')
  })

  it('of a roster: who comes, and what they need', async () => {
    const come = (body: object) => run('set-attendance', { sessionId, personId: ida.personId, ...body })
    const here = { comes: 'here' }
    expect(await code(come({ comes: 'late', fromBlock: 2, was: here }))).toBe('landed')
    expect(await code(come({ comes: 'absent', was: here }))).toBe('changed')
    expect((await readAttendance(store, who.siteId, sessionId)).get(ida.personId)).toEqual({
      comes: 'late',
      fromBlock: 2,
    })
    expect(await code(come({ comes: 'absent', was: { comes: 'late', fromBlock: 2 } }))).toBe('landed')

    const need = (body: object) => run('set-needs', { personId: ida.personId, ...body })
    expect(await code(need({ needs: ['spaceAtLeft'], was: [] }))).toBe('landed')
    expect(await code(need({ needs: ['tableHeightAdjusts'], was: [] }))).toBe('changed')
    expect((await readNeeds(store, who.siteId)).get(ida.personId)).toEqual(['spaceAtLeft'])
  })

  it('at the very same moment: one lands', async () => {
    const { houseRules: was } = await readSite(store, who.siteId)
    const codes = await Promise.all(
      [4, 5, 6, 7].map((n) =>
        code(run('change-house-rules', { rules: { ...was, needle: { ...was.needle, n } }, was })),
      ),
    )
    expect(codes.sort()).toEqual(['changed', 'changed', 'changed', 'landed'])
  })
})
