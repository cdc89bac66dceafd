import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { standingOf } from '@/core/machine/standing'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readSite } from '../site/site'
import { aVenue, freshStore } from '../testing/store'
import { readMachines } from './machines'
import { readStopped } from './stopped'

let store: Store
let end: () => Promise<void>
let who: Actor
const [tagged, overdue, fine] = [uuid(), uuid(), uuid()]
const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
const log = (machineId: string, kind: string, body: object) =>
  run('log', { machineId, happenedAt: new Date().toISOString(), kind, body })

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
  for (const [index, machineId] of [tagged, overdue, fine].entries())
    await run('add-machine', {
      machineId,
      name: `M${index}`,
      number: index + 1,
      place: { x: 10 * (index + 1), y: 10 },
      traits: ORDINARY_TRAITS,
      source: 'manual',
    })
})
afterAll(() => end())

it('stopped is what its standing calls stopped: a lock, or a test that is overdue', async () => {
  await log(tagged, 'red-tagged', { because: 'cord' })
  await log(overdue, 'electrical-test', {
    passed: true,
    by: 'Ada',
    nextDue: new Date(Date.now() + 86_400_000).toISOString(),
  })
  const at = async (now: Date) => {
    const [stopped, machines, site] = await Promise.all([
      readStopped(store, who.siteId, now),
      readMachines(store, who.siteId),
      readSite(store, who.siteId),
    ])
    const rules = site.houseRules.needle
    const standing = machines.filter(({ state }) => standingOf(state, rules, now.toISOString()).standing === 'stopped')
    expect(new Map(standing.map(({ machineId, name }) => [machineId, name]))).toEqual(stopped)
    return [...stopped.keys()].sort()
  }
  expect(await at(new Date())).toEqual([tagged])
  expect(await at(new Date(Date.now() + 3 * 86_400_000))).toEqual([tagged, overdue].sort())
  await log(tagged, 'red-tag-lifted', { because: 'new cord' })
  expect(await at(new Date())).toEqual([])
})
