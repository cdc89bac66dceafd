import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { freePort, startTestCluster, type PrivateCluster } from '@/bin/serve/private-cluster'
import type { RunningServer } from '@/bin/serve/next-server'
import { foldMachine } from '@/core/machine/fold'
import { Chance } from '@/practice/random'
import { DEMO_PASSWORD, DEMO_STAFF, seedDemo } from '@/practice/seed'
import { connect } from '@/store/connect'
import { readBook } from '@/store/machine/book'
import { readMachines } from '@/store/machine/machines'
import { migrate } from '@/store/migrate'
import { serve } from './demo-copy'
import { stretchWire } from './wire'

/** Enough for each kill to have some before and after it; `ORTHODEX_CUTS=500` for an hour in which nobody waits. */
const CUTS = Number(process.env['ORTHODEX_CUTS'] ?? 24)
const WRITERS = 10
const SCREENS = 6
/** After which of the cuts something is killed. */
const KILLED: Readonly<Record<number, 'first copy' | 'database' | 'second copy'>> = {
  [Math.round(CUTS / 4)]: 'first copy',
  [Math.round(CUTS / 2)]: 'database',
  [Math.round((CUTS * 3) / 4)]: 'second copy',
}
const after = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

test('a storm: the network cut again and again, both copies and the database killed while ten write and six watch; nothing is lost, nothing is there twice, screens agree', async () => {
  test.setTimeout(600_000)
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-storm-'))
  chmodSync(folder, 0o755)
  let cluster: PrivateCluster = await startTestCluster(folder)
  let databasePort = Number(new URL(await cluster.database('storm')).port)
  const toDatabase = await stretchWire(() => databasePort)
  const databaseUrl = Object.assign(new URL(await cluster.database('storm')), { port: String(toDatabase.port) }).href
  const store = connect(databaseUrl)
  await migrate(store)
  const siteId = await seedDemo(store, new Date())
  const machines = await readMachines(store, siteId)

  const ports = [await freePort(), await freePort()]
  const wires = await Promise.all(ports.map((port) => stretchWire(() => port)))
  const at = (which: number, path = '') => `http://127.0.0.1:${wires[which]!.port}${path}`
  const start = (which: number) => serve(databaseUrl, ports[which], at(which))
  const copies: RunningServer[] = [await start(0), await start(1)]
  const headersOf = async (which: number): Promise<Record<string, string>> => {
    const headers = { 'content-type': 'application/json', origin: at(which) }
    const body = JSON.stringify({ email: DEMO_STAFF[1].email, password: DEMO_PASSWORD })
    const answer = await fetch(at(which, '/api/sign-in/sign-in/email'), { method: 'POST', headers, body })
    expect(answer.status).toBe(200)
    return {
      ...headers,
      cookie: answer.headers
        .getSetCookie()
        .map((each) => each.split(';')[0])
        .join('; '),
    }
  }
  const headers = [await headersOf(0), await headersOf(1)]
  const chance = new Chance(50)
  const over = new AbortController()
  let storming = true

  /** Written and told that it is; whatever was not told is sent again under the same name, through the other copy. */
  const acknowledged = new Map<string, string>()
  const sent = { once: 0, again: 0 }
  const refused: string[] = []
  const write = async (writer: number) => {
    for (let line = 0; storming; line += 1) {
      const commandId = randomUUID()
      const { machineId } = machines[(writer + line) % machines.length]!
      const body = {
        machineId,
        kind: 'noted',
        happenedAt: new Date().toISOString(),
        body: { text: `${writer}/${line}` },
      }
      for (let tries = 0; ; tries += 1) {
        const which = (writer + tries) % 2
        sent[tries === 0 ? 'once' : 'again'] += 1
        const answer = await fetch(at(which, '/api/commands/log'), {
          method: 'POST',
          headers: headers[which]!,
          body: JSON.stringify({ commandId, body }),
          signal: AbortSignal.timeout(30_000),
        })
          .then(async (it) => ({ status: it.status, text: await it.text() }))
          .catch(() => undefined)
        if (answer?.status === 200) {
          acknowledged.set(commandId, machineId)
          break
        }
        if (answer && answer.status < 500 && answer.status !== 429) {
          refused.push(`${answer.status} ${answer.text}`)
          break
        }
        await after(100 + 50 * tries)
      }
      await after(40)
    }
  }

  /** What each screen was told last; a line that is lost is taken up again. */
  const told = Array.from({ length: SCREENS + 1 }, () => '')
  const watch = async (screen: number) => {
    const which = screen % 2
    while (!over.signal.aborted) {
      try {
        const stream = await fetch(at(which, '/api/told?of=live-room'), {
          headers: headers[which]!,
          signal: over.signal,
        })
        const decoder = new TextDecoder()
        let text = ''
        for await (const chunk of stream.body!) {
          text += decoder.decode(chunk, { stream: true })
          const parts = text.split('\n\n')
          text = parts.pop()!
          for (const part of parts)
            if (part.startsWith('event: live-room')) {
              const { room } = JSON.parse(part.slice(part.indexOf('data: ') + 6)) as { room: unknown }
              told[screen] = JSON.stringify(room)
            }
        }
      } catch {
        // The network is away; a screen tries again.
      }
      await after(200)
    }
  }

  const kill = async (what: 'first copy' | 'database' | 'second copy') => {
    if (what === 'database') {
      const postmaster = Number(execFileSync('pgrep', ['-o', '-f', `postgres -D ${folder}`], { encoding: 'utf8' }))
      process.kill(postmaster, 'SIGKILL')
      await after(1_000)
      cluster = await startTestCluster(folder)
      databasePort = Number(new URL(await cluster.database('storm')).port)
      return
    }
    const which = what === 'first copy' ? 0 : 1
    copies[which]!.process.kill('SIGKILL')
    await after(500)
    copies[which] = await start(which)
  }

  try {
    const writers = Array.from({ length: WRITERS }, (_, writer) => write(writer))
    const screens = Array.from({ length: SCREENS }, (_, screen) => watch(screen))
    for (let cut = 1; cut <= CUTS; cut += 1) {
      const wire = chance.pick([...wires, ...wires, toDatabase])
      wire.cut()
      await after(chance.between(30, 400))
      wire.mend()
      const what = KILLED[cut]
      if (what) await kill(what)
      await after(chance.between(100, 600))
    }
    storming = false
    await Promise.all(writers)

    // All screens say the same, and so does one that is opened only now.
    screens.push(watch(SCREENS))
    await expect
      .poll(() => new Set(told).size === 1 && told[0] !== '', { timeout: 60_000, message: 'screens agree' })
      .toBe(true)
    over.abort()
    await Promise.all(screens)

    expect(refused).toEqual([])
    // What was acknowledged is there, once; and nothing else is, since everybody went on until they were told.
    let found = 0
    for (const { machineId, name, state } of await readMachines(store, siteId)) {
      const book = await readBook(store, siteId, machineId)
      const noted = book.filter(({ kind, body }) => kind === 'noted' && /^\d+\/\d+$/.test(body.text))
      const mine = [...acknowledged].filter(([, of]) => of === machineId).map(([commandId]) => commandId)
      expect(noted.map(({ eventId }) => eventId).sort(), name).toEqual(mine.sort())
      expect(state, name).toEqual(JSON.parse(JSON.stringify(foldMachine(book))))
      found += noted.length
    }
    expect(found).toBe(acknowledged.size)
    expect(sent.again).toBeGreaterThan(CUTS / 2)
    console.log(`${CUTS} cuts, 3 killed: ${found} lines acknowledged, ${sent.again} sent again, none lost, none twice`)
  } finally {
    storming = false
    over.abort()
    for (const copy of copies) await copy.stop()
    for (const wire of [...wires, toDatabase]) await wire.end()
    await store.destroy()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
})
