import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { MachinesFileSchema } from '@/core/exchange/machines-file'
import { archetype } from '@/core/knowledge/machine/archetype'
import { check } from '@/core/schema/validate'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aVenue, freshStore } from '../testing/store'
import { readMachine } from './machines'
import { readMachinesFile } from './machines-file'

let store: Store
let end: () => Promise<void>
let here: Actor
let there: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  const site = (code: string) => aVenue(store, code)
  here = await site('here')
  there = await site('there')
})
afterAll(() => end())

const run = (who: Actor, name: string, body: object, commandId = uuid()) =>
  runCommand(store, who, name, { commandId, body })

/** A machine with a book that was corrected. */
async function machineWithBook(name: string, number: number): Promise<string> {
  const machineId = uuid()
  const { traits } = archetype('vintage-straight')
  await run(here, 'add-machine', {
    machineId,
    name,
    number,
    place: { x: 3, y: 4 },
    notes: 'tin on the shelf',
    traits,
    source: 'plate',
  })
  const wrong = uuid()
  const log = (kind: string, body: object, id = uuid()) =>
    run(here, 'log', { machineId, happenedAt: new Date().toISOString(), kind, body }, id)
  await log('needle-changed', { in: { system: 'long shank', point: 'universal', sizeNm: 90, condition: 'new' } })
  await log('bobbin-wound', { count: 7 }, wrong)
  await log('correction', {
    corrects: wrong,
    because: 'two',
    replacement: { kind: 'bobbin-wound', body: { count: 2 } },
  })
  return machineId
}

describe('machines and their books', () => {
  it('come into another room as they were, and into their own without doubling anything', async () => {
    const machineId = await machineWithBook('Knot', 4)
    const file = await readMachinesFile(store, here.siteId)
    check(MachinesFileSchema, file)
    await run(there, 'import-machines', { file })
    expect(await readMachinesFile(store, there.siteId)).toEqual(file)
    expect(await readMachine(store, there.siteId, machineId)).toEqual(await readMachine(store, here.siteId, machineId))
    expect((await readMachine(store, there.siteId, machineId))!.state.care.bobbinsSinceClean).toBe(2)
    await run(here, 'import-machines', { file })
    await run(there, 'import-machines', { file })
    expect(await readMachinesFile(store, there.siteId)).toEqual(file)
  })

  it('that say something wrong are refused with the place, and nothing of them is kept', async () => {
    await machineWithBook('Dunlin', 5)
    const file = await readMachinesFile(store, here.siteId)
    const broken = structuredClone(file)
    const dunlin = broken.machines.findIndex(({ name }) => name === 'Dunlin')
    const book = broken.machines[dunlin]!.book as { body: unknown }[]
    book[1]!.body = { count: 'many' }
    const before = await readMachinesFile(store, there.siteId)
    await expect(run(there, 'import-machines', { file: broken })).rejects.toMatchObject({
      path: `file.machines.${dunlin}.book.1.body.count`,
    })
    expect(await readMachinesFile(store, there.siteId)).toEqual(before)
    const renamed = { ...file, machines: file.machines.map((each) => ({ ...each, machineId: uuid() })) }
    await expect(run(here, 'import-machines', { file: renamed })).rejects.toMatchObject({ status: 409, code: 'taken' })
  })
})
