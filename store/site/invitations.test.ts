import { ofEveryVenue } from '@/store/site-wall'
import { verifyPassword } from 'better-auth/crypto'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { codeFrom } from '@/core/people/invitation'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readPerson } from '../people/person-file'
import { freshStore } from '../testing/store'
import { codeForForgotten } from './forgotten'
import { joinBy, readInvitation, readInvitations } from './invitations'
import { readMembership, readStaff } from './people'
import { claimServer, hasVenue, setupWord, siteCodeFor } from './setup'

const SECRET = 'a-secret-for-this-test-only-0123456789'
const FIRST = {
  word: setupWord(SECRET),
  venue: 'The Salt Loft',
  timeZone: 'Europe/London',
  name: 'Noor',
  email: 'Noor@loft.example',
  password: 'a-long-password',
}
let store: Store
let end: () => Promise<void>
let noor: Actor
beforeAll(async () => ({ store, end } = await freshStore()))
afterAll(() => end())
beforeEach(async () => {
  await ofEveryVenue(store).deleteFrom('site').execute()
  await ofEveryVenue(store).deleteFrom('sign_in_user').execute()
  noor = await claimServer(store, SECRET, FIRST)
})

const run = (name: string, body: object, who = noor, now?: Date) =>
  runCommand(store, who, name, { commandId: uuid(), body }, now)
const code = () => codeFrom(crypto.getRandomValues(new Uint8Array(12)))
const invited = async (role = 'helper', name = 'Bo') => {
  const body = { personId: uuid(), invitationId: uuid(), name, role, code: code() }
  await run('invite-person', body)
  return body
}
const joined = async (role = 'helper', email = `${uuid()}@loft.example`) => {
  const { personId, code: own } = await invited(role)
  await joinBy(store, { code: own, email, password: 'their-password' }, new Date())
  return { siteId: noor.siteId, personId, role: role as Actor['role'], email }
}
const userOf = async (personId: string) =>
  (
    await ofEveryVenue(store)
      .selectFrom('membership')
      .select('user_id')
      .where('person_id', '=', personId)
      .executeTakeFirstOrThrow()
  ).user_id
/** Signed in on a device, which also keeps a passkey. */
const signedIn = async (userId: string) => {
  const [now, later] = [new Date(), new Date(Date.now() + 1e6)]
  const session = { id: uuid(), userId, token: uuid(), createdAt: now, updatedAt: now, expiresAt: later }
  const key = { id: uuid(), userId, publicKey: 'key', credentialID: uuid(), counter: 0, deviceType: 'multiDevice' }
  await ofEveryVenue(store).insertInto('sign_in_session').values(session).execute()
  await ofEveryVenue(store)
    .insertInto('sign_in_passkey')
    .values({ ...key, backedUp: true } as never)
    .execute()
}
/** Sign-ins that hold and passkeys that open. */
const signIns = async (userId: string) =>
  (
    await Promise.all(
      (['sign_in_session', 'sign_in_passkey'] as const).map((table) =>
        ofEveryVenue(store).selectFrom(table).select('id').where('userId', '=', userId).execute(),
      ),
    )
  ).flat().length

describe('an empty server', () => {
  it('is claimed once, by whoever has the word that was printed, however it is typed', async () => {
    await ofEveryVenue(store).deleteFrom('site').execute()
    await ofEveryVenue(store).deleteFrom('sign_in_user').execute()
    expect(await hasVenue(store, 'own')).toBe(false)
    await expect(claimServer(store, SECRET, { ...FIRST, word: 'aaaa-bbbb-cccc' })).rejects.toMatchObject({
      status: 401,
      path: 'word',
    })
    await expect(claimServer(store, SECRET, { ...FIRST, timeZone: 'Europe/Nowhere' })).rejects.toMatchObject({
      status: 400,
      path: 'timeZone',
    })
    expect(await hasVenue(store, 'own')).toBe(false)
    const both = await Promise.allSettled([
      claimServer(store, SECRET, { ...FIRST, word: setupWord(SECRET).toUpperCase().replaceAll('-', ' ') }),
      claimServer(store, SECRET, { ...FIRST, email: 'other@loft.example' }),
    ])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    await expect(claimServer(store, SECRET, FIRST)).rejects.toMatchObject({ status: 409, code: 'claimed' })
    expect(await ofEveryVenue(store).selectFrom('site').select('name').execute()).toHaveLength(1)
  })

  it('has another word with another secret, and takes its class codes from the venue’s name', () => {
    expect(setupWord(`${SECRET}x`)).not.toBe(setupWord(SECRET))
    expect(['The Salt Loft', 'Ébène & Co', '42', 'An extraordinarily long name'].map(siteCodeFor)).toEqual([
      'salt',
      'ebene',
      'room',
      'extraordinar',
    ])
  })
})

describe('a code', () => {
  it('lets somebody in once, with an address and a password of their own', async () => {
    const { code: own, personId } = await invited('instructor')
    expect(await readInvitation(store, own.toUpperCase(), new Date())).toEqual({
      siteId: noor.siteId,
      name: 'Bo',
      venue: 'The Salt Loft',
      kind: 'join',
    })
    await expect(joinBy(store, { code: own, password: 'x'.repeat(12) }, new Date())).rejects.toMatchObject({
      status: 400,
      path: 'email',
    })
    await expect(
      joinBy(store, { code: own, email: 'noor@loft.example', password: 'x'.repeat(12) }, new Date()),
    ).rejects.toMatchObject({ status: 409, path: 'email' })
    expect(await joinBy(store, { code: own, email: 'Bo@loft.example', password: 'their-password' }, new Date())).toBe(
      'bo@loft.example',
    )
    expect(await readMembership(store, await userOf(personId))).toMatchObject({ role: 'instructor', name: 'Bo' })
    await expect(
      joinBy(store, { code: own, email: 'again@loft.example', password: 'x'.repeat(12) }, new Date()),
    ).rejects.toMatchObject({ status: 401, path: 'code' })
  })

  it('lets nobody in after its time, after it was ended, or when a later one was made', async () => {
    const late = await invited()
    const inTwoWeeks = new Date(Date.now() + 15 * 24 * 3_600_000)
    expect(await readInvitation(store, late.code, inTwoWeeks)).toBeUndefined()
    await run('end-invitation', { invitationId: late.invitationId })
    expect(await readInvitation(store, late.code, new Date())).toBeUndefined()
    await expect(run('end-invitation', { invitationId: late.invitationId })).rejects.toMatchObject({ status: 404 })
    const { personId } = await joined()
    const [one, other] = [code(), code()]
    await run('let-in-again', { personId, invitationId: uuid(), code: one })
    await run('let-in-again', { personId, invitationId: uuid(), code: other })
    expect(await readInvitation(store, one, new Date())).toBeUndefined()
    expect((await readInvitations(store, noor.siteId, new Date())).map(({ kind }) => kind)).toEqual(['password'])
  })

  it('is kept nowhere: only its digest is', async () => {
    const { code: own } = await invited()
    const rows = await ofEveryVenue(store).selectFrom('invitation').selectAll().execute()
    expect(JSON.stringify(rows)).not.toContain(own)
    const landed = await ofEveryVenue(store).selectFrom('command').selectAll().execute()
    expect(JSON.stringify(landed)).not.toContain(own)
  })

  it('for a forgotten password changes it, and signs them out everywhere', async () => {
    const { personId, email } = await joined()
    const userId = await userOf(personId)
    await signedIn(userId)
    const own = code()
    await run('let-in-again', { personId, invitationId: uuid(), code: own })
    expect(await signIns(userId)).toBe(2)
    expect(await joinBy(store, { code: own, password: 'another-password' }, new Date())).toBe(email)
    expect(await signIns(userId)).toBe(0)
    const { password } = await ofEveryVenue(store)
      .selectFrom('sign_in_account')
      .select('password')
      .where('userId', '=', userId)
      .executeTakeFirstOrThrow()
    expect(await verifyPassword({ hash: password, password: 'another-password' })).toBe(true)
    expect(await verifyPassword({ hash: password, password: 'their-password' })).toBe(false)
  })
})

describe('staff', () => {
  it('who leave come in no more, stay in the books, and can be let in again', async () => {
    const bo = await joined('instructor')
    const userId = await userOf(bo.personId)
    await signedIn(userId)
    await run('end-person', { personId: bo.personId })
    expect(await readMembership(store, userId)).toBeUndefined()
    expect(await signIns(userId)).toBe(0)
    const listed = await readStaff(store, noor.siteId)
    expect(listed.find(({ person_id }) => person_id === bo.personId)).toMatchObject({
      name: 'Bo',
      ended_at: expect.any(Date) as Date,
    })
    const own = code()
    await run('let-in-again', { personId: bo.personId, invitationId: uuid(), code: own })
    expect(await readMembership(store, userId)).toBeUndefined()
    await joinBy(store, { code: own, password: 'back-again-1' }, new Date())
    expect(await readMembership(store, userId)).toMatchObject({ role: 'instructor' })
  })

  it('change their role at once; the last coordinator neither leaves nor becomes less', async () => {
    const bo = await joined()
    await expect(run('end-person', { personId: noor.personId })).rejects.toMatchObject({ code: 'last-coordinator' })
    await expect(run('change-role', { personId: noor.personId, role: 'helper' })).rejects.toMatchObject({
      code: 'last-coordinator',
    })
    await run('change-role', { personId: bo.personId, role: 'coordinator' })
    expect(await readMembership(store, await userOf(bo.personId))).toMatchObject({ role: 'coordinator' })
    // Each ends the other at the same moment: one of them stays.
    const both = await Promise.allSettled([
      run('end-person', { personId: bo.personId }),
      run('end-person', { personId: noor.personId }, { ...bo, role: 'coordinator' }),
    ])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
  })

  it('measure as they like, whatever their venue does, and as it does again', async () => {
    const bo = await joined()
    const units = { length: 'inch', mass: 'ounces' }
    const ofBo = async () => (await readMembership(store, await userOf(bo.personId)))!.units
    await run('set-own-units', { units }, bo)
    expect(await ofBo()).toEqual(units)
    expect(await readPerson(store, noor.siteId, bo.personId)).toMatchObject({ units })
    expect((await readPerson(store, noor.siteId, noor.personId)).units).toBeNull()
    await expect(run('set-own-units', { units: { ...units, length: 'cubits' } }, bo)).rejects.toMatchObject({
      path: 'units.length',
    })
    await run('set-own-units', { units: null }, bo)
    expect(await ofBo()).toBeNull()
  })

  it('are named as they like', async () => {
    const bo = await joined()
    await run('rename-person', { personId: bo.personId, name: 'Bodil' })
    expect((await readStaff(store, noor.siteId)).map(({ name }) => name)).toContain('Bodil')
    await expect(run('rename-person', { personId: uuid(), name: 'x' })).rejects.toMatchObject({ status: 404 })
  })
})

describe('a password that is forgotten', () => {
  it('has a code of its own, beside those that were read out, until one of them is used', async () => {
    const who = await joined('helper', 'bo@loft.example')
    const readOut = code()
    await run('let-in-again', { personId: who.personId, invitationId: uuid(), code: readOut })
    const mailed = (await codeForForgotten(store, ' BO@Loft.example', new Date()))!
    expect(mailed).toMatchObject({ name: 'Bo', venue: 'The Salt Loft' })
    for (const each of [readOut, mailed.code])
      expect(await readInvitation(store, each, new Date())).toMatchObject({ kind: 'password', siteId: noor.siteId })
    expect(await joinBy(store, { code: mailed.code, password: 'another-password' }, new Date())).toBe('bo@loft.example')
    expect(await readInvitation(store, readOut, new Date())).toBeUndefined()
  })

  it('is nobody’s who has left, and nobody’s who never was', async () => {
    const who = await joined('helper', 'bo@loft.example')
    await run('end-person', { personId: who.personId })
    expect(await codeForForgotten(store, 'bo@loft.example', new Date())).toBeUndefined()
    expect(await codeForForgotten(store, 'nobody@loft.example', new Date())).toBeUndefined()
  })
})
