import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { expect, it } from 'vitest'
import { aVenue, freshStore } from '../testing/store'
import { pruneSignIns } from './prune'

it('sign-ins that have ended and marks of old tries are taken away, and no others', async () => {
  const { store, end } = await freshStore()
  await aVenue(store, 'room')
  const now = new Date('2026-03-05T03:00:00Z')
  const { id: userId } = await ofEveryVenue(store).selectFrom('sign_in_user').select('id').executeTakeFirstOrThrow()
  for (const [id, hours] of [
    ['over', -1],
    ['running', 1],
  ] as const)
    await ofEveryVenue(store)
      .insertInto('sign_in_session')
      .values({
        id,
        token: id,
        userId,
        createdAt: now,
        updatedAt: now,
        expiresAt: new Date(now.getTime() + hours * 3_600_000),
        userAgent: null,
        ipAddress: '192.0.2.7',
      } as never)
      .execute()
  for (const [key, hours] of [
    ['old', 25],
    ['new', 1],
  ] as const)
    await ofEveryVenue(store)
      .insertInto('sign_in_rate_limit')
      .values({ id: uuid(), key, count: 3, lastRequest: now.getTime() - hours * 3_600_000 })
      .execute()
  expect(await pruneSignIns(store, now)).toEqual({ signIns: 1, tries: 1 })
  expect((await ofEveryVenue(store).selectFrom('sign_in_session').select('id').execute()).map(({ id }) => id)).toEqual([
    'running',
  ])
  expect(
    (await ofEveryVenue(store).selectFrom('sign_in_rate_limit').select('key').execute()).map(({ key }) => key),
  ).toEqual(['new'])
  await end()
})
