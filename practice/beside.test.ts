import { afterAll, beforeAll, expect, it } from 'vitest'
import type { Store } from '@/store/connect'
import { readRoom } from '@/store/machine/machines'
import { readDeeds } from '@/store/people/deeds'
import { prunePractice } from '@/store/site/prune'
import { hasVenue } from '@/store/site/setup'
import { ofEveryVenue } from '@/store/site-wall'
import { aVenue, freshStore } from '@/store/testing/store'
import { openPractice } from './beside'

let store: Store
let end: () => Promise<void>
beforeAll(async () => {
  ;({ store, end } = await freshStore())
})
afterAll(() => end())

const DAY = 24 * 3_600_000
const codes = async () =>
  (await store.selectFrom('site').select('code').orderBy('code').execute()).map(({ code }) => code)

it('a practice room stands beside a venue, one at a time, and goes by itself after its days, and nothing else does', async () => {
  const now = new Date()
  const first = await openPractice(store, undefined, now)
  expect(await hasVenue(store, 'any')).toBe(true)
  expect(await hasVenue(store, 'own')).toBe(false)
  expect(await readRoom(store, first.siteId)).toHaveLength(9)

  const loft = await aVenue(store, 'loft')
  const beside = await openPractice(store, loft, now)
  expect(await codes()).toHaveLength(3)
  const again = await openPractice(store, loft, now)
  expect(again.siteId).not.toBe(beside.siteId)
  expect(await codes()).toHaveLength(3)
  expect(await readRoom(store, loft.siteId)).toEqual([])
  const deeds = await readDeeds(store, loft.siteId, { limit: 10 })
  expect(deeds.map(({ who, words }) => [who, words])).toEqual([
    ['Ada', 'Open practice room'],
    ['Ada', 'Open practice room'],
  ])

  expect(await prunePractice(store, new Date(now.getTime() + 29 * DAY))).toBe(0)
  expect(await prunePractice(store, new Date(now.getTime() + 31 * DAY))).toBe(2)
  expect(await codes()).toEqual(['loft'])
  const emails = await ofEveryVenue(store).selectFrom('sign_in_user').select('email').execute()
  expect(emails).toEqual([{ email: 'ada@loft.example' }])
}, 120_000)

it('two that are opened at one moment do not take each other away', async () => {
  const venues = [await aVenue(store, 'hall'), await aVenue(store, 'barn')]
  const opened = await Promise.allSettled(venues.map((each) => openPractice(store, each, new Date())))
  const made = opened.flatMap((each) => (each.status === 'fulfilled' ? [each.value] : []))
  expect(made.length).toBeGreaterThan(0)
  for (const { siteId } of made) expect(await readRoom(store, siteId)).toHaveLength(9)
  // Whoever came too late has nothing, and not half of it.
  expect((await codes()).filter((code) => code.startsWith('practice'))).toHaveLength(made.length)
}, 120_000)
