import { createServer, type Server, type Socket } from 'node:net'
import type { AddressInfo } from 'node:net'
import { once } from 'node:events'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { connect, type Store } from '@/store/connect'
import { ofProcess } from '../../_server/of-process'
import { GET } from './route'

/** A database that takes every connection and says nothing, as one does whose machine is frozen. */
let silent: Server
const taken: Socket[] = []
const held = ofProcess<{ store: Store }>()
const before = held.store

beforeEach(async () => {
  silent = createServer((socket) => void taken.push(socket)).listen(0, '127.0.0.1')
  await once(silent, 'listening')
  held.store = connect(`postgres://nobody@127.0.0.1:${(silent.address() as AddressInfo).port}/room`)
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
})
afterEach(async () => {
  vi.useRealTimers()
  for (const socket of taken.splice(0)) socket.destroy()
  silent.close()
  await held.store?.destroy()
  if (before) held.store = before
  else delete held.store
})

const ask = () => GET(new Request('https://room.example/api/health'))

it('says within two seconds that the database does not answer, before any connection gives up', async () => {
  const answer = ask()
  await vi.advanceTimersByTimeAsync(2_000)
  expect((await answer).status).toBe(503)
})

it('asks a database that does not answer once, however many watch', async () => {
  const answers = [ask(), ask(), ask()]
  while (taken.length === 0) await new Promise((resolve) => setImmediate(resolve))
  await vi.advanceTimersByTimeAsync(2_000)
  expect((await Promise.all(answers)).map(({ status }) => status)).toEqual([503, 503, 503])
  expect(taken).toHaveLength(1)
})
