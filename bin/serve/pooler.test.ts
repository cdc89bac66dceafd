import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { runCommand } from '@/store/commands/run'
import { connect, type Store } from '@/store/connect'
import { listenForNews } from '@/store/live/news'
import { readBook } from '@/store/machine/book'
import { readMachine } from '@/store/machine/machines'
import { pendingMigrations } from '@/store/migrate'
import type { Actor } from '@/store/actor'
import { aVenue, freshStore } from '@/store/testing/store'
import { startPooler, type Pooler } from './pooler'

let pooler: Pooler
let url: string
let endStore: () => Promise<void>
/** two copies of the program, each with its pool, over fewer connections than they have together */
let copies: readonly [Store, Store]
let who: Actor

beforeAll(async () => {
  const fresh = await freshStore()
  ;({ url, end: endStore } = fresh)
  who = await aVenue(fresh.store, 'pooled')
  pooler = await startPooler(url, 2)
  copies = [connect(pooler.through(url), undefined, true), connect(pooler.through(url), undefined, true)]
})
afterAll(async () => {
  for (const copy of copies) await copy.destroy()
  await pooler.stop()
  await endStore()
})

const run = (copy: Store, name: string, body: object, commandId = uuid()) =>
  runCommand(copy, who, name, { commandId, body })

it('lets two copies write one book at once through a pooler in transaction mode, each line once and in order', async () => {
  const machineId = uuid()
  const place = { x: 1, y: 1 }
  await run(copies[0], 'add-machine', { machineId, name: 'Heron', number: 1, place, traits: {}, source: 'plate' })
  const lines = Array.from({ length: 40 }, (_, index) => ({
    commandId: uuid(),
    body: {
      machineId,
      kind: 'noted',
      happenedAt: new Date(Date.now() - 60_000 + index).toISOString(),
      body: { text: `line ${index}` },
    },
  }))
  // Each is sent twice, to either copy.
  await Promise.all(lines.flatMap(({ commandId, body }) => copies.map((copy) => run(copy, 'log', body, commandId))))
  const book = await readBook(copies[1], who.siteId, machineId)
  expect(book).toHaveLength(lines.length)
  expect(new Set(book.map(({ eventId }) => eventId)).size).toBe(lines.length)
  expect((await readMachine(copies[0], who.siteId, machineId))!.name).toBe('Heron')
  expect(await pendingMigrations(copies[0])).toEqual([])
})

it('tells news by a line of its own to the database, past the pooler', async () => {
  const news = listenForNews(url)
  try {
    const machineId = uuid()
    const place = { x: 100, y: 1 }
    await run(copies[0], 'add-machine', { machineId, name: 'Knot', number: 2, place, traits: {}, source: 'plate' })
    let told = 0
    news.onNews(who.siteId, 'calls', () => (told += 1))
    expect(news.watching()).toBe(1)
    await expect
      .poll(async () => {
        if (told === 0) await run(copies[1], 'call-staff', { machineId, found: {} })
        return told
      })
      .toBeGreaterThan(0)
  } finally {
    await news.close()
  }
})
