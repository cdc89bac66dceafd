import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { TABLE, tableInTheWay } from '@/core/room/table'
import { archetype } from '@/core/knowledge/machine/archetype'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { readMachine, readMachines } from '../machine/machines'
import { readSite } from '../site/site'
import { aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'kinds')
})
afterAll(() => end())

const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
let number = 0
const add = async (more: object) => {
  const machineId = uuid()
  number += 1
  await run('add-machine', {
    machineId,
    name: `Stint ${number}`,
    number,
    place: { x: 10, y: 10 },
    traits: {},
    source: 'plate',
    ...more,
  })
  return machineId
}
const proofs = async (machineId: string) => (await readMachine(store, who.siteId, machineId))!.proofs

describe('a machine from a template', () => {
  const { traits } = archetype('lettered-dial')

  it('has each answer that nobody checked marked as such, and the others as they were learnt', async () => {
    const unchecked = Object.keys(traits).filter((trait) => trait !== 'lengthDial')
    const machineId = await add({ traits, unchecked })
    const known = await proofs(machineId)
    expect(known.lengthDial!.source).toBe('plate')
    expect(known.shankFlat).toMatchObject({ source: 'template', learntBy: who.personId })
  })

  it('loses the mark of an answer that somebody checks, though it stays the same', async () => {
    const machineId = await add({ traits, unchecked: Object.keys(traits) })
    await run('set-trait', { machineId, trait: 'shankFlat', value: traits.shankFlat, source: 'tried' })
    const known = await proofs(machineId)
    expect([known.shankFlat!.source, known.bobbinRuns!.source]).toEqual(['tried', 'template'])
  })

  it('is said to be so in one go by whoever stands at it, and nobody’s better answer is touched', async () => {
    const machineId = await add({ traits, unchecked: Object.keys(traits) })
    await run('set-trait', { machineId, trait: 'shankFlat', value: 'back', source: 'manual' })
    const commandId = uuid()
    const confirm = { commandId, body: { machineId, traits: Object.keys(traits) } }
    for (let time = 0; time < 2; time += 1) await runCommand(store, who, 'confirm-traits', confirm)
    const known = await proofs(machineId)
    expect(known.shankFlat!.source).toBe('manual')
    expect(new Set(Object.values(known).map((proof) => proof.source))).toEqual(new Set(['manual', 'tried']))
    const lines = await readBook(store, who.siteId, machineId)
    expect(lines.filter(({ kind }) => kind === 'trait-learnt')).toHaveLength(Object.keys(traits).length)
    expect((await readMachine(store, who.siteId, machineId))!.traits).toEqual({ ...traits, shankFlat: 'back' })
  })

  it('has an answer taken back, which is asked again, and the book keeps what it was', async () => {
    const machineId = await add({ traits })
    await run('put-trait-away', { machineId, trait: 'shankFlat' })
    expect((await readMachine(store, who.siteId, machineId))!.traits).not.toHaveProperty('shankFlat')
    const [last] = (await readBook(store, who.siteId, machineId)).slice(-1)
    expect(last).toMatchObject({
      kind: 'trait-put-away',
      body: { trait: 'shankFlat', words: String(traits.shankFlat) },
    })
    await expect(run('put-trait-away', { machineId, trait: 'shankFlat' })).rejects.toMatchObject({ status: 404 })
  })

  it('is refused whole when it names a trait that is none, or a value that no trait has', async () => {
    await expect(add({ traits: { colour: 'red' } })).rejects.toMatchObject({ path: 'traits.colour' })
    await expect(add({ traits: { shankFlat: 'up' } })).rejects.toMatchObject({ path: 'traits.shankFlat' })
    await expect(add({ traits, unchecked: ['colour'] })).rejects.toMatchObject({ path: 'unchecked.0' })
  })
})

describe('a table', () => {
  it('is moved within the room, and stays where it is when it is moved out of it', async () => {
    const machineId = await add({})
    const place = async () => (await readMachine(store, who.siteId, machineId))!.place
    await run('place-machine', { machineId, place: { x: 61, y: 44 } })
    expect(await place()).toEqual({ x: 61, y: 44 })
    await expect(run('place-machine', { machineId, place: { x: -1, y: 4 } })).rejects.toMatchObject({ path: 'place.x' })
    await expect(run('place-machine', { machineId: uuid(), place: { x: 1, y: 4 } })).rejects.toMatchObject({
      status: 404,
    })
    expect(await place()).toEqual({ x: 61, y: 44 })
  })

  it('lies over no other: it is not put there, and a new one stands at the next free place', async () => {
    const [first, second] = [await add({ place: { x: 300, y: 300 } }), await add({ place: { x: 300, y: 305 } })]
    const place = async (id: string) => (await readMachine(store, who.siteId, id))!.place
    expect(tableInTheWay(await place(second), TABLE, [{ place: await place(first), size: TABLE }])).toBeUndefined()
    const before = await place(second)
    await expect(run('place-machine', { machineId: second, place: { x: 310, y: 295 } })).rejects.toMatchObject({
      status: 409,
      path: 'place',
    })
    await expect(run('place-instructor', { place: { x: 305, y: 300 } })).rejects.toMatchObject({ status: 409 })
    expect(await place(second)).toEqual(before)
    // Its own place is not in its way.
    await run('place-machine', { machineId: first, place: { x: 301, y: 300 } })
    expect(await place(first)).toEqual({ x: 301, y: 300 })
  })

  it('stands in a row with the others, by number, and never over the instructor’s', async () => {
    const here = await aVenue(store, 'rows')
    const act = (name: string, body: object) => runCommand(store, here, name, { commandId: uuid(), body })
    await act('place-instructor', { place: { x: 20, y: 8 } })
    for (const each of [3, 1, 2])
      await act('add-machine', {
        machineId: uuid(),
        name: `Knot ${each}`,
        number: each,
        place: { x: 90, y: 200 },
        traits: {},
        source: 'plate',
      })
    await act('place-in-rows', { perRow: 2 })
    const standing = (await readMachines(store, here.siteId)).sort((a, b) => a.number - b.number)
    expect(standing.map(({ place }) => `${place.x} ${place.y}`)).toEqual(['14 26', '38 26', '14 43'])
    await expect(act('place-in-rows', { perRow: 17 })).rejects.toMatchObject({ path: 'perRow' })
  })

  it('of the instructor stands nowhere until somebody says where, and within the room then', async () => {
    expect((await readSite(store, who.siteId)).instructorAt).toBeUndefined()
    await run('place-instructor', { place: { x: 50, y: 243 } })
    await expect(run('place-instructor', { place: { x: 50, y: 999 } })).rejects.toMatchObject({ path: 'place.y' })
    expect((await readSite(store, who.siteId)).instructorAt).toEqual({ x: 50, y: 243 })
  })
})
