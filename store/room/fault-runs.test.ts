import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readMachine } from '../machine/machines'
import { aVenue, freshStore } from '../testing/store'
import { readFaultRuns } from './fault-runs'

let store: Store
let end: () => Promise<void>
let who: Actor
const machineId = uuid()
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'runs')
  await run('add-machine', { machineId, name: 'Ruff', number: 1, place: { x: 1, y: 1 }, traits: {}, source: 'manual' })
})
afterAll(() => end())

const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
const log = (kind: string, body: object, commandId = uuid(), daysAgo = 0) =>
  run(
    'log',
    { machineId, happenedAt: new Date(Date.now() - daysAgo * 24 * 3_600_000).toISOString(), kind, body },
    commandId,
  )
const fault = { symptom: 'loops-under', answers: [{ check: 'lint', found: true }], outcome: 'cured', cured: 'lint' }
const since = (days: number) => readFaultRuns(store, who.siteId, new Date(Date.now() - days * 24 * 3_600_000))

describe('runs of the finder', () => {
  it('are read back newest first, as far back as asked, but for those taken back', async () => {
    const wrong = uuid()
    await log('fault-run', { ...fault, symptom: 'jam' }, uuid(), 40)
    await log('fault-run', fault, uuid(), 2)
    await log('fault-run', { ...fault, symptom: 'skipped' }, wrong, 1)
    expect((await since(10)).map(({ symptom }) => symptom)).toEqual(['skipped', 'loops-under'])
    const mistaken = uuid()
    await log('correction', { corrects: wrong, because: 'the wrong machine' }, mistaken)
    expect(await since(60)).toMatchObject([
      { machineId, symptom: 'loops-under', outcome: 'cured', cured: 'lint' },
      { symptom: 'jam' },
    ])
    await log('correction', { corrects: mistaken, because: 'it was this one' })
    expect((await since(10)).map(({ symptom }) => symptom)).toEqual(['skipped', 'loops-under'])
    const replacement = { kind: 'fault-run', body: { ...fault, symptom: 'bobbin-on-top' } }
    await log('correction', { corrects: wrong, because: 'looked again', replacement })
    expect((await since(10)).map(({ symptom }) => symptom)).toEqual(['bobbin-on-top', 'loops-under'])
    const note = uuid()
    await log('noted', { text: 'It skipped, and lint it was' }, note, 3)
    await log('correction', { corrects: note, because: 'in its place', replacement: { ...replacement, body: fault } })
    expect((await since(10)).map(({ symptom }) => symptom)).toEqual(['bobbin-on-top', 'loops-under', 'loops-under'])
  })

  it('that cured it clear what failed, and leave the step to be checked again', async () => {
    const steps = [{ step: 'tug', group: 'threading', result: 'fail' }]
    await log('check-run', { list: 'seat', steps })
    expect((await readMachine(store, who.siteId, machineId))!.state.failed).toEqual(['threading'])
    await log('fault-run', { ...fault, outcome: 'handed-on', cured: undefined })
    expect((await readMachine(store, who.siteId, machineId))!.state.failed).toEqual(['threading'])
    await log('fault-run', fault)
    const { state } = (await readMachine(store, who.siteId, machineId))!
    expect(state.failed).toEqual([])
    expect(state.stale).toContain('threading')
  })

  it('that name no check or symptom of ours are refused with their place', async () => {
    await expect(log('fault-run', { ...fault, symptom: 'sad' })).rejects.toMatchObject({ path: 'body.symptom' })
    await expect(log('fault-run', { ...fault, cured: 'luck' })).rejects.toMatchObject({ path: 'body.cured' })
  })

  it('stand beside a bobbin screw that only the coordinator turns, in counted eighths', async () => {
    await log('bobbin-screw-turned', { eighths: -2, because: 'dial at its end' })
    expect((await readMachine(store, who.siteId, machineId))!.state.stale).toContain('swatch')
    await expect(log('bobbin-screw-turned', { eighths: 0.5 })).rejects.toMatchObject({ path: 'body.eighths' })
    const instructor: Actor = { ...who, role: 'instructor' }
    const body = { machineId, happenedAt: new Date().toISOString(), kind: 'bobbin-screw-turned', body: { eighths: 1 } }
    await expect(runCommand(store, instructor, 'log', { commandId: uuid(), body })).rejects.toMatchObject({
      status: 403,
    })
  })
})
