import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { StaffRole } from '@/core/room/role'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aStaffedVenue, freshStore } from '../testing/store'
import { hasPin, holderOf, keepAwake, readHolders, readTablet, setPin } from './tablet'

let store: Store
let end: () => Promise<void>
let staff: Record<StaffRole, Actor>
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  staff = await aStaffedVenue(store, 'room')
})
afterAll(() => end())

const run = (name: string, body: object) => runCommand(store, staff.coordinator, name, { commandId: uuid(), body })
const now = new Date()
const userOf = async ({ siteId, personId }: Actor) =>
  (
    await ofEveryVenue(store)
      .selectFrom('membership')
      .select('user_id')
      .where('site_id', '=', siteId)
      .where('person_id', '=', personId)
      .executeTakeFirstOrThrow()
  ).user_id
const sessions = () => ofEveryVenue(store).selectFrom('sign_in_session').select(['id', 'expiresAt']).execute()
const signedIn = (userId: string, tabletId: string | null, expiresAt: Date) =>
  ofEveryVenue(store)
    .insertInto('sign_in_session')
    .values({ id: uuid(), token: uuid(), userId, updatedAt: now, expiresAt, tabletId } as never)
    .execute()

describe('a tablet of the room', () => {
  it('is held by staff who have a PIN, each with their own; it is kept as nothing that can be read', async () => {
    const { siteId, personId } = staff.helper
    expect(await readHolders(store, siteId)).toEqual([])
    expect(await holderOf(store, siteId, { personId, pin: '2580' })).toBeUndefined()
    await setPin(store, siteId, personId, '2580', now)
    expect(await hasPin(store, siteId, personId)).toBe(true)
    expect(await readHolders(store, siteId)).toEqual([{ personId, name: 'helper' }])
    expect(await holderOf(store, siteId, { personId, pin: '2580' })).toBe(await userOf(staff.helper))
    expect(await holderOf(store, siteId, { personId, pin: '2581' })).toBeUndefined()
    expect(await holderOf(store, uuid(), { personId, pin: '2580' })).toBeUndefined()
    const kept = JSON.stringify(await ofEveryVenue(store).selectFrom('pin').selectAll().execute())
    expect(kept).not.toContain('2580')
    await setPin(store, siteId, personId, '1357', now)
    expect(await holderOf(store, siteId, { personId, pin: '2580' })).toBeUndefined()
  })

  it('takes no PIN that everybody would try first', async () => {
    await expect(setPin(store, staff.helper.siteId, staff.helper.personId, '1234', now)).rejects.toMatchObject({
      path: 'pin',
    })
  })

  it('is a device by its key, until that is ended: then whoever holds it is signed out, and others are not', async () => {
    const [keyId, secret] = [uuid(), 'k'.repeat(43)]
    await run('make-key', { keyId, purpose: 'room-tablet', name: 'by the window', secret })
    expect(await readTablet(store, secret, now)).toEqual({
      siteId: staff.helper.siteId,
      tabletId: keyId,
      name: 'by the window',
    })
    const userId = await userOf(staff.helper)
    await signedIn(userId, keyId, new Date(Date.now() + 60_000))
    await signedIn(userId, null, new Date(Date.now() + 60_000))
    await run('end-key', { keyId })
    expect(await readTablet(store, secret, now)).toBeUndefined()
    expect(await sessions()).toHaveLength(1)
  })

  it('stays awake while it is touched, and cannot be woken once asleep; a sign-in elsewhere is not made shorter', async () => {
    await ofEveryVenue(store).deleteFrom('sign_in_session').execute()
    const userId = await userOf(staff.helper)
    await signedIn(userId, uuid(), new Date(now.getTime() + 1_000))
    await signedIn(userId, uuid(), new Date(now.getTime() - 1_000))
    await signedIn(userId, null, new Date(now.getTime() + 9e8))
    for (const { id } of await sessions()) await keepAwake(store, id, now)
    const minutes = (await sessions()).map(({ expiresAt }) =>
      Math.round((expiresAt.getTime() - now.getTime()) / 60_000),
    )
    expect(minutes.sort((a, b) => a - b)).toEqual([-0, 5, 15_000])
  })

  it('knows nobody who has left', async () => {
    const { siteId, personId } = staff.helper
    await run('end-person', { personId })
    expect(await readHolders(store, siteId)).toEqual([])
    expect(await holderOf(store, siteId, { personId, pin: '1357' })).toBeUndefined()
  })
})
