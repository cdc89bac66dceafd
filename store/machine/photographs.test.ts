import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { DEFAULT_VENUE_SETTINGS } from '@/core/room/venue-settings'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { machineWith } from '../testing/books'
import { aVenue, freshStore } from '../testing/store'
import { isSomebodyWaiting } from '../testing/waiting'
import { photographedAt, readPhotographOf } from './photographs'

let store: Store
let end: () => Promise<void>
let who: Actor
let other: Actor
let machineId: string
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'here')
  other = await aVenue(store, 'there')
  machineId = await machineWith(store, who, [])
})
afterAll(() => end())

const run = (name: string, body: object, by = who) => runCommand(store, by, name, { commandId: uuid(), body })
const keeps = (photographs: boolean) =>
  run('change-venue', { name: 'Here', timeZone: 'UTC', settings: { ...DEFAULT_VENUE_SETTINGS, photographs } })
const jpeg = (...said: number[]) =>
  `data:image/jpeg;base64,${Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 4, 1, 1, ...said, 0xff, 0xda, 0, 3, 1, 9, 0xff, 0xd9]).toString('base64')}`
const take = (picture: string | null, by = who) => run('set-machine-photograph', { machineId, picture }, by)

describe('photographs of machines', () => {
  it('are kept nowhere unless the venue says so', async () => {
    await expect(take(jpeg())).rejects.toMatchObject({ status: 409, code: 'photographs-off' })
    expect(await photographedAt(store, who.siteId, machineId)).toBeUndefined()
  })

  it('are kept one for a machine, the last one, until it is taken away', async () => {
    await keeps(true)
    await take(jpeg())
    const again = jpeg(0xff, 0xdb, 0, 3, 7)
    await take(again)
    expect(await readPhotographOf(store, who.siteId, machineId)).toBe(again)
    expect(await photographedAt(store, who.siteId, machineId)).toBeInstanceOf(Date)
    await take(null)
    expect(await readPhotographOf(store, who.siteId, machineId)).toBeUndefined()
  })

  it('say nothing but how it looks, and are small', async () => {
    await keeps(true)
    await expect(take(jpeg(0xff, 0xe1, 0, 4, 69, 120))).rejects.toMatchObject({ status: 400, path: 'picture' })
    await expect(take(`${jpeg()}${'A'.repeat(200_000)}`)).rejects.toMatchObject({ path: 'picture' })
    expect(await readPhotographOf(store, who.siteId, machineId)).toBeUndefined()
  })

  it('are of this venue’s machines alone, and no helper takes one', async () => {
    await keeps(true)
    await take(jpeg())
    await expect(take(null, other)).rejects.toMatchObject({ status: 404 })
    await expect(take(null, { ...who, role: 'helper' })).rejects.toMatchObject({ status: 403 })
    expect(await readPhotographOf(store, other.siteId, machineId)).toBeUndefined()
    expect(await readPhotographOf(store, who.siteId, machineId)).toBe(jpeg())
  })

  it('are not kept where one comes in while the venue stops to keep them', async () => {
    await keeps(true)
    let taken: Promise<unknown> = Promise.resolve()
    let settled = false
    await store.transaction().execute(async (tx) => {
      const settings = JSON.stringify({ ...DEFAULT_VENUE_SETTINGS, photographs: false })
      await tx.updateTable('site').set({ settings }).where('site_id', '=', who.siteId).execute()
      await tx.deleteFrom('machine_photograph').where('site_id', '=', who.siteId).execute()
      taken = take(jpeg()).then(
        () => 'kept',
        (error: unknown) => error,
      )
      void taken.then(() => (settled = true))
      await vi.waitUntil(async () => settled || (await isSomebodyWaiting(store)), { timeout: 10_000 })
    })
    expect(await taken).toMatchObject({ code: 'photographs-off' })
    expect(await readPhotographOf(store, who.siteId, machineId)).toBeUndefined()
  })

  it('are gone for good once the venue keeps none', async () => {
    await keeps(true)
    await take(jpeg())
    await keeps(false)
    expect(await readPhotographOf(store, who.siteId, machineId)).toBeUndefined()
  })
})
