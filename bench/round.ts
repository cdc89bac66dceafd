import { Agent, request } from 'node:http'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { sql } from 'kysely'
import { v7 as uuid } from 'uuid'
import { freePort } from '@/bin/serve/private-cluster'
import { connect } from '@/store/connect'
import { DEMO_PASSWORD, DEMO_STAFF } from '@/practice/seed'
import { buildWhenChanged } from '../bin/serve/build'
import { startDemo } from '../bin/serve/demo'

/**
 * The round's budgets, measured on the demo data beside a baseline in the same run: the same server answering a page
 * that asks the database one trivial question, and the same rows read by bare SQL.
 */
const RUNS = 200
/** A server that runs for years has compiled its paths long ago; these go before the first that counts. */
const WARMING = 150
const project = process.cwd()
buildWhenChanged(project)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-bench-'))
chmodSync(folder, 0o755)
const demo = await startDemo(project, folder, { port: await freePort() })
const store = connect(demo.databaseUrl)

const quantile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))]!

async function measure(name: string, budget: string, work: () => Promise<unknown>): Promise<void> {
  for (let i = 0; i < WARMING; i += 1) await work()
  const times: number[] = []
  for (let i = 0; i < RUNS; i += 1) {
    const start = performance.now()
    await work()
    times.push(performance.now() - start)
  }
  const [p50, p95] = [quantile(times, 0.5), quantile(times, 0.95)].map((time) => time.toFixed(1).padStart(7))
  console.log(`${name.padEnd(46)} p50 ${p50} ms   p95 ${p95} ms   ${budget}`)
}

try {
  const signedIn = await fetch(`${demo.url}/api/sign-in/sign-in/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: demo.url },
    body: JSON.stringify({ email: DEMO_STAFF[0].email, password: DEMO_PASSWORD }),
  })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')
  const get = async (path: string) => (await fetch(`${demo.url}${path}`, { headers: { cookie } })).text()
  const agent = new Agent({ keepAlive: true })
  /** Until the last byte, over one kept connection and without unpacking: the server's time, and as little else as can be. */
  const ask = (path: string) =>
    new Promise<void>((resolve, fail) => {
      const headers = { cookie, 'accept-encoding': 'gzip' }
      request(`${demo.url}${path}`, { agent, headers }, (answer) => {
        answer.on('data', () => {})
        answer.on('end', resolve)
      })
        .on('error', fail)
        .end()
    })
  const room = await get('/room')
  const machineId = /\/machines\/([0-9a-f-]{36})/.exec(room)![1]!

  await measure('baseline: one trivial question (health)', '', () => ask('/api/health'))
  await measure('baseline: bare SQL, machines with state', '', () =>
    sql`select * from machine join machine_state using (site_id, machine_id)`.execute(store),
  )
  await measure('baseline: bare SQL, one book', '', () =>
    sql`select * from machine_event where machine_id = ${machineId} order by happened_at, event_id`.execute(store),
  )
  await measure('Room', 'budget p95 50 ms', () => ask('/room'))
  await measure('Book', 'budget p95 50 ms', () => ask(`/machines/${machineId}`))
  const machine = (await store.selectFrom('machine').selectAll().where('name', '=', 'Snipe').executeTakeFirstOrThrow())
    .machine_id
  await measure('a needle change, acknowledged', 'budget 100 ms', async () => {
    const answer = await fetch(`${demo.url}/api/commands/log`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({
        commandId: uuid(),
        body: {
          machineId: machine,
          happenedAt: new Date().toISOString(),
          kind: 'needle-changed',
          body: {
            out: { reason: 'due', state: 'blunt', wentTo: 'sharps' },
            in: { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' },
          },
        },
      }),
    })
    if (!answer.ok) throw new Error(await answer.text())
  })

  for (const path of ['/sign-in', '/room']) {
    const page = await get(path)
    const scripts = [...new Set([...page.matchAll(/<script[^>]+src="([^"]+\.js[^"]*)"/g)].map(([, src]) => src!))]
    const sizes = await Promise.all(scripts.map(async (src) => gzipSync(await get(src)).length))
    const kilobytes = sizes.reduce((sum, size) => sum + size, 0) / 1000
    console.log(
      `${`JavaScript of ${path}, gzipped`.padEnd(46)} ${kilobytes.toFixed(0)} kB in ${scripts.length} files   budget 200 kB`,
    )
  }
} finally {
  await store.destroy()
  await demo.stop()
  rmSync(folder, { recursive: true, force: true })
}
