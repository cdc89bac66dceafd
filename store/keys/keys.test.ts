import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aVenue, freshStore } from '../testing/store'
import { openWith, readKeys } from './keys'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'keys')
})
afterAll(() => end())

const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
const secret = 's'.repeat(43)

describe('a key', () => {
  it('opens what it is for and nothing else, until it is ended; its secret is not kept', async () => {
    const keyId = uuid()
    await run('make-key', { keyId, purpose: 'care-feed', name: 'office', secret })
    expect(await openWith(store, 'care-feed', secret)).toMatchObject({
      keyId,
      siteId: who.siteId,
      madeBy: who.personId,
    })
    expect(await openWith(store, 'run-meter', secret)).toBeUndefined()
    expect(await openWith(store, 'care-feed', 'x'.repeat(43))).toBeUndefined()
    const kept = await ofEveryVenue(store).selectFrom('access_key').selectAll().execute()
    expect(JSON.stringify(kept)).not.toContain(secret)
    await run('end-key', { keyId })
    expect(await openWith(store, 'care-feed', secret)).toBeUndefined()
    expect((await readKeys(store, who.siteId))[0]!.endedAt).toBeInstanceOf(Date)
    await expect(run('end-key', { keyId })).rejects.toMatchObject({ status: 404 })
  })

  it('of a meter belongs to one machine of the room, and of a calendar to none', async () => {
    const key = { keyId: uuid(), name: 'x', secret: 'm'.repeat(43) }
    await expect(run('make-key', { ...key, purpose: 'run-meter' })).rejects.toMatchObject({ path: 'machineId' })
    await expect(run('make-key', { ...key, purpose: 'care-feed', machineId: uuid() })).rejects.toMatchObject({
      path: 'machineId',
    })
    await expect(run('make-key', { ...key, purpose: 'run-meter', machineId: uuid() })).rejects.toMatchObject({
      status: 404,
    })
    await expect(run('make-key', { ...key, purpose: 'care-feed', secret: 'short' })).rejects.toMatchObject({
      path: 'secret',
    })
  })
})
