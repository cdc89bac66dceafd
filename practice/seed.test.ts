import { ofEveryVenue } from '@/store/site-wall'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { standingOf } from '@/core/machine/standing'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { reconcileNeedles } from '@/core/stock/reconcile'
import type { Store } from '@/store/connect'
import { rebuildStates } from '@/store/machine/book'
import { readMachines } from '@/store/machine/machines'
import { readProjects } from '@/store/project/projects'
import { readSessions } from '@/store/session/sessions'
import { readStaff } from '@/store/site/people'
import { readSite } from '@/store/site/site'
import { readMoves, readNeedleBooks } from '@/store/stock/stock'
import { freshStore } from '@/store/testing/store'
import { DEMO_MACHINES } from './machines'
import { DEMO_STAFF, seedDemo } from './seed'

/** A Wednesday, the day before class. */
const TODAY = new Date('2026-11-25T09:00:00.000Z')
let store: Store
let end: () => Promise<void>
let siteId: string
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  await seedDemo(store, TODAY)
  siteId = (await ofEveryVenue(store).selectFrom('site').select('site_id').executeTakeFirstOrThrow()).site_id
}, 60_000)
afterAll(() => end())

describe('the demo’s venue', () => {
  it('has its machines with every trait, and among them some that are ready, due and stopped', async () => {
    const machines = await readMachines(store, siteId)
    expect(machines.map(({ name }) => name)).toEqual(DEMO_MACHINES.map(({ name }) => name))
    for (const { name, traits } of machines)
      expect(traits).toEqual(DEMO_MACHINES.find((machine) => machine.name === name)!.traits)
    const { needle } = DEFAULT_HOUSE_RULES
    const standings = machines.map(({ state }) => standingOf(state, needle, TODAY.toISOString()).standing)
    expect(new Set(standings)).toEqual(new Set(['ready', 'due', 'stopped']))
  })

  it('has books that fold to what is kept of them, with nothing written for tomorrow', async () => {
    expect((await rebuildStates(store)).differed).toEqual([])
    const { newest } = await ofEveryVenue(store)
      .selectFrom('machine_event')
      .select(({ fn }) => fn.max('happened_at').as('newest'))
      .executeTakeFirstOrThrow()
    expect(newest.getTime()).toBeLessThanOrEqual(TODAY.getTime())
  })

  it('has a class of learners, each with a measured cloth, and sessions to come on its day of the week', async () => {
    const projects = await readProjects(store, siteId)
    expect(projects).toHaveLength(12)
    expect(new Set(projects.map(({ learner }) => learner)).size).toBe(12)
    for (const { fabric } of projects) expect(fabric.massGsm ?? fabric.thicknessMm).toBeGreaterThan(0)
    const { timeZone } = await readSite(store, siteId)
    const sessions = await readSessions(store, siteId, { from: TODAY })
    expect(sessions.length).toBeGreaterThan(3)
    for (const { startsAt } of sessions)
      expect(startsAt.toLocaleDateString('en-GB', { weekday: 'long', timeZone })).toBe('Thursday')
  })

  it('has somebody of each role, and one needle that nobody can account for', async () => {
    expect((await readStaff(store, siteId)).map(({ role }) => role).sort()).toEqual(
      DEMO_STAFF.map(({ role }) => role).sort(),
    )
    const balances = reconcileNeedles(await readMoves(store, siteId), await readNeedleBooks(store, siteId))
    const short = balances.filter((balance) => balance.short !== 0)
    expect(short.map((balance) => balance.short)).toEqual([1])
    expect(short[0]!.last.length).toBeGreaterThan(0)
  })
})
