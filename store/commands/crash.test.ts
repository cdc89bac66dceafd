import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'kysely'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { foldMachine } from '@/core/machine/fold'
import type { Actor } from '../actor'
import { startCluster } from '@/bin/serve/private-cluster'
import { connect } from '../connect'
import { readBook } from '../machine/book'
import { readMachine } from '../machine/machines'
import { migrate } from '../migrate'
import { aVenue, freshStore } from '../testing/store'
import { Store } from '../venue-store'
import { runCommand } from './run'

/** what the server knows the connections as that are cut */
const CUT = 'cut'

/** A connection that was cut while its last statement was on its way is still at work on the server for a moment. */
async function serverIsDone(store: Store): Promise<void> {
  await vi.waitFor(
    async () => {
      const left = await sql`select from pg_stat_activity where application_name = ${CUT}`.execute(store)
      expect(left.rows).toHaveLength(0)
    },
    { timeout: 30_000, interval: 5 },
  )
}

/**
 * A store whose connection is cut at one statement of a write: just before it is sent, or just after, when nobody can know
 * whether it was done.
 */
function failingStore(url: string): { store: Store; cutAt: (statement: number, sent: boolean) => void } {
  let left = Infinity
  let sentFirst = false
  const pool = new pg.Pool({ connectionString: url, max: 1, application_name: CUT })
  pool.on('error', () => {})
  pool.on('connect', (client) => {
    client.on('error', () => {})
    const query = client.query.bind(client) as (...args: unknown[]) => unknown
    const socket = (client as unknown as { connection: { stream: { destroy: () => void } } }).connection.stream
    client.query = ((...args: unknown[]) => {
      left -= 1
      if (left >= 0) return query(...args)
      left = Infinity
      if (sentFirst) void Promise.resolve(query(...args)).catch(() => {})
      setImmediate(() => socket.destroy())
      return sentFirst
        ? new Promise((_, fail) => setTimeout(() => fail(new Error('cut')), 5))
        : Promise.reject(new Error('cut'))
    }) as typeof client.query
  })
  return {
    store: new Store(pool),
    cutAt: (statement, sent) => {
      left = statement
      sentFirst = sent
    },
  }
}

const place = { x: 10, y: 10 }
const newSite = (store: Store) => aVenue(store, 'crash')
const addMachine = async (store: Store, who: Actor, number: number) => {
  const machineId = uuid()
  const body = { machineId, name: `M${number}`, number, place, traits: {}, source: 'manual' }
  await runCommand(store, who, 'add-machine', { commandId: uuid(), body })
  return machineId
}
const used = (minutes: number) => ({ use: { load: 'ordinary', motorMinutes: minutes }, finishedProject: false })
const lineFor = (machineId: string, minutes: number) => ({
  machineId,
  happenedAt: new Date().toISOString(),
  kind: 'used',
  body: used(minutes),
})
/** What was kept is what the book says: a write is there whole, or not at all. */
async function wholeBook(store: Store, who: Actor, machineId: string) {
  const lines = await readBook(store, who.siteId, machineId)
  const machine = await readMachine(store, who.siteId, machineId)
  expect(machine!.state).toEqual(JSON.parse(JSON.stringify(foldMachine(lines))))
  return lines
}

describe('a write whose connection is cut at any statement', () => {
  let store: Store
  let url: string
  let end: () => Promise<void>
  beforeAll(async () => void ({ store, url, end } = await freshStore()))
  afterAll(() => end())

  it('is there whole or not at all, is never lost once acknowledged, and lands once when sent again', async () => {
    const who = await newSite(store)
    // Short books of many machines: each is read and folded whole after every write.
    const machines: string[] = []
    for (let number = 1; number <= 8; number += 1) machines.push(await addMachine(store, who, number))
    const failing = failingStore(url)
    const figures = { rounds: 0, acknowledged: 0, landedUnseen: 0, undone: 0 }
    const expected = new Set<string>()
    for (let round = 0; round < 240; round += 1) {
      const commandId = uuid()
      const machineId = machines[round % machines.length]!
      const envelope = { commandId, body: lineFor(machineId, round) }
      failing.cutAt(round % 10, Math.floor(round / 10) % 2 === 1)
      const acknowledged = await runCommand(failing.store, who, 'log', envelope).then(
        () => true,
        () => false,
      )
      failing.cutAt(Infinity, false)
      if (!acknowledged) await serverIsDone(store)
      const before = (await wholeBook(store, who, machineId)).some(({ eventId }) => eventId === commandId)
      if (acknowledged) expect(before).toBe(true)
      const again = await runCommand(store, who, 'log', envelope)
      expect(again.landed).toBe(before ? 'before' : 'now')
      expected.add(commandId)
      figures.rounds += 1
      figures[acknowledged ? 'acknowledged' : before ? 'landedUnseen' : 'undone'] += 1
    }
    const lines = (await Promise.all(machines.map((machineId) => wholeBook(store, who, machineId)))).flat()
    expect(lines.map(({ eventId }) => eventId).sort()).toEqual([...expected].sort())
    expect(figures.undone).toBeGreaterThan(50)
    expect(figures.acknowledged).toBeGreaterThan(20)
    console.log(
      `connection cut in ${figures.rounds} writes: ${figures.acknowledged} acknowledged, ${figures.landedUnseen} landed unseen, ${figures.undone} undone; none lost, none half, none twice`,
    )
    await failing.store.destroy()
  })
})

describe('a database killed in the middle of writes', () => {
  it('keeps every write that was acknowledged, and no half of any other', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'orthodex-crash-'))
    chmodSync(folder, 0o755)
    let cluster = await startCluster(folder)
    let store = connect(await cluster.database('crash'))
    await migrate(store)
    const who = await newSite(store)
    const machines = [await addMachine(store, who, 1), await addMachine(store, who, 2)]
    const acknowledged = new Map<string, string>()
    let sent = 0
    const KILLS = 12
    for (let kill = 0; kill < KILLS; kill += 1) {
      const pid = Number(readFileSync(join(folder, 'cluster/postmaster.pid'), 'utf8').split('\n')[0])
      const writing = Array.from({ length: 30 }, async (_, index) => {
        const [commandId, machineId] = [uuid(), machines[index % 2]!]
        sent += 1
        await runCommand(store, who, 'log', { commandId, body: lineFor(machineId, index) }).then(
          () => acknowledged.set(commandId, machineId),
          () => {},
        )
      })
      // The kill is waited for too: on a quick machine all writes may be done before it comes.
      const killed = new Promise<void>((resolve) =>
        setTimeout(
          () => {
            process.kill(pid, 'SIGKILL')
            resolve()
          },
          20 + kill * 12,
        ),
      )
      await Promise.all([...writing, killed])
      await store.destroy()
      cluster = await startCluster(folder)
      store = connect(await cluster.database('crash'))
      const books = await Promise.all(machines.map((machineId) => wholeBook(store, who, machineId)))
      const kept = new Set(books.flat().map(({ eventId }) => eventId))
      for (const commandId of acknowledged.keys()) expect(kept.has(commandId)).toBe(true)
    }
    console.log(
      `database killed ${KILLS} times under ${sent} writes: ${acknowledged.size} acknowledged, every one kept, none half`,
    )
    expect(acknowledged.size).toBeGreaterThan(0)
    await store.destroy()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  })
})
