import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { silentSince } from '@/core/wear/meter'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readRoom } from '../machine/machines'
import { aVenue, freshStore } from '../testing/store'
import { openWith, readKeys, readMeters } from './keys'

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
const now = new Date('2026-05-01T10:00:00Z')

describe('a key', () => {
  it('opens what it is for and nothing else, until it is ended; its secret is not kept', async () => {
    const keyId = uuid()
    await run('make-key', { keyId, purpose: 'care-feed', name: 'office', secret })
    expect(await openWith(store, 'care-feed', secret, now)).toMatchObject({
      keyId,
      siteId: who.siteId,
      madeBy: who.personId,
    })
    expect(await openWith(store, 'run-meter', secret, now)).toBeUndefined()
    expect(await openWith(store, 'care-feed', 'x'.repeat(43), now)).toBeUndefined()
    const kept = await ofEveryVenue(store).selectFrom('access_key').selectAll().execute()
    expect(JSON.stringify(kept)).not.toContain(secret)
    await run('end-key', { keyId })
    expect(await openWith(store, 'care-feed', secret, now)).toBeUndefined()
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

  it('says when it was last used, to a quarter of an hour; what does not open was not used', async () => {
    const own = { keyId: uuid(), secret: 'u'.repeat(43) }
    await run('make-key', { ...own, purpose: 'care-feed', name: 'workshop' })
    const usedAt = async () =>
      (await readKeys(store, who.siteId)).find(({ keyId }) => keyId === own.keyId)!.usedAt?.toISOString()
    const at = (time: string) => openWith(store, 'care-feed', own.secret, new Date(`2026-05-02T${time}Z`))
    await openWith(store, 'run-meter', own.secret, now)
    expect(await usedAt()).toBeUndefined()
    await at('10:00:00')
    expect(await usedAt()).toBe('2026-05-02T10:00:00.000Z')
    await at('10:14:59')
    expect(await usedAt()).toBe('2026-05-02T10:00:00.000Z')
    await at('10:15:00')
    expect(await usedAt()).toBe('2026-05-02T10:15:00.000Z')
    await run('end-key', { keyId: own.keyId })
    await at('11:00:00')
    expect(await usedAt()).toBe('2026-05-02T10:15:00.000Z')
  })
})

describe('a run meter that tells nothing while its machine is sewn on', () => {
  it('is told of, until it tells again, somebody writes the time, or its key is ended', async () => {
    const [machineId, other, keyId] = [uuid(), uuid(), uuid()]
    const place = { x: 1, y: 1 }
    for (const [number, id] of [machineId, other].entries())
      await run('add-machine', {
        ...{ machineId: id, name: `Heron ${number}`, number: number + 1, place, traits: ORDINARY_TRAITS },
        source: 'manual',
      })
    const now = Date.now()
    const ago = (minutes: number) => new Date(now - minutes * 60_000).toISOString()
    await run('make-key', { keyId, purpose: 'run-meter', machineId, name: 'meter', secret: 'r'.repeat(43) })
    await ofEveryVenue(store)
      .updateTable('access_key')
      .set({ made_at: new Date(ago(600)) } as never)
      .where('key_id', '=', keyId)
      .execute()
    const log = async (minutes: number, kind: string, body: object) => {
      const commandId = uuid()
      await runCommand(store, who, 'log', { commandId, body: { machineId, happenedAt: ago(minutes), kind, body } })
      return commandId
    }
    const swatch = { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] }
    const silent = async () => {
      const meters = await readMeters(store.ofVenue(who.siteId), who.siteId)
      const room = await readRoom(store.ofVenue(who.siteId), who.siteId)
      return room.flatMap(({ machineId: id, state }) => {
        const since = meters.has(id) && silentSince(meters.get(id)!, state.care)
        return since ? [{ machineId: id, since }] : []
      })
    }
    const use = { load: 'ordinary', motorMinutes: 1 }
    await log(500, 'used', { use, finishedProject: false, metered: { stitches: 400, starts: 3 } })
    await log(499, 'swatch-stitched', swatch)
    await log(400, 'swatch-stitched', swatch)
    expect(await silent()).toEqual([])
    const third = await log(300, 'turn-ended', { finished: false })
    expect(await silent()).toEqual([{ machineId, since: ago(500) }])

    // A line that was never so says nothing, and one whose correction was taken back does.
    const back = await log(299, 'correction', { corrects: third, because: 'not here' })
    expect(await silent()).toEqual([])
    await log(298, 'correction', { corrects: back, because: 'it was here' })
    expect(await silent()).toHaveLength(1)

    // Lines it had kept come late; then it is silent once more, and somebody writes the time.
    await log(350, 'used', { use, finishedProject: false, metered: { stitches: 900, starts: 9 } })
    expect(await silent()).toEqual([])
    for (const minutes of [200, 190, 180]) await log(minutes, 'swatch-stitched', swatch)
    expect(await silent()).toEqual([{ machineId, since: ago(350) }])
    await log(170, 'used', { use: { load: 'ordinary', chairMinutes: 40 }, finishedProject: false })
    expect(await silent()).toEqual([])
    for (const minutes of [160, 150, 140]) await log(minutes, 'swatch-stitched', swatch)
    expect(await silent()).toHaveLength(1)
    // Time that was never so is not what was told last; what stands before it is.
    const told = await log(130, 'used', { use: { load: 'ordinary', chairMinutes: 5 }, finishedProject: false })
    expect(await silent()).toEqual([])
    await log(129, 'correction', { corrects: told, because: 'another machine' })
    expect(await silent()).toEqual([{ machineId, since: ago(170) }])
    await run('end-key', { keyId })
    expect(await silent()).toEqual([])
  })
})
