import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { startCluster } from '@/bin/serve/private-cluster'
import { seedDemo } from '@/practice/seed'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { addSignIn } from '@/store/site/people'
import { buildWhenChanged } from '../bin/serve/build'
import { startServer } from '../bin/serve/next-server'

/**
 * A class that is on: fifty screens follow the room over two copies of the server while lines are written, one after another,
 * now through one copy and now through the other. Told: from the moment a line is sent until each screen has been told; beside
 * it a bare notification that goes to the database and back. `npm run bench:class [minutes]`
 */
const SCREENS = 50
const LINE_EVERY_MS = 1_000
const PASSWORD = 'a-password-for-the-bench'
const minutes = Number(process.argv[2] ?? 2)
const project = process.cwd()
buildWhenChanged(project)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-class-'))
chmodSync(folder, 0o755)
const cluster = await startCluster(join(folder, 'postgres'))
const databaseUrl = await cluster.database('class')
const store = connect(databaseUrl)
await migrate(store)
const siteId = await seedDemo(store, new Date())
const machineIds = (await store.selectFrom('machine').select('machine_id').where('site_id', '=', siteId).execute()).map(
  ({ machine_id }) => machine_id,
)
const email = 'screen@class.example'
await store.transaction().execute(async (tx) => {
  const personId = uuid()
  await tx.insertInto('person').values({ site_id: siteId, person_id: personId, name: 'A screen' }).execute()
  await addSignIn(tx, { siteId, personId, role: 'instructor', name: 'A screen', email, password: PASSWORD })
})

function quantiles(name: string, times: readonly number[]): void {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]?.toFixed(0) ?? '–'
  console.log(`${name.padEnd(46)} p50 ${at(0.5).padStart(5)} ms   p95 ${at(0.95).padStart(5)} ms   (${times.length})`)
}

const environment = {
  DATABASE_URL: databaseUrl,
  ORTHODEX_LISTEN_URL: databaseUrl,
  ORTHODEX_SECRET: 'a-secret-of-the-bench-0123456789abcdef',
  ORTHODEX_PROXIES: '1',
}
const start = () => startServer(project, environment, { port: 0, journal: join(folder, 'journal.log') })
const copies = [await start(), await start()]
const stopped = new AbortController()
/** When each screen was last told, and how often. */
const told: { at: number; times: number }[] = Array.from({ length: SCREENS }, () => ({ at: 0, times: 0 }))

async function signIn(base: string): Promise<Record<string, string>> {
  const headers = { 'content-type': 'application/json', origin: base, 'x-forwarded-for': '10.0.0.1' }
  const body = JSON.stringify({ email, password: PASSWORD })
  const answer = await fetch(`${base}/api/sign-in/sign-in/email`, { method: 'POST', headers, body })
  const cookie = answer.headers.getSetCookie().map((each) => each.split(';')[0])
  return { ...headers, cookie: cookie.join('; ') }
}

/** Follows the room as a page does: told again whenever something on it has changed. */
async function follow(base: string, headers: Record<string, string>, screen: { at: number; times: number }) {
  const response = await fetch(`${base}/api/live`, { headers, signal: stopped.signal })
  const reader = response.body!.getReader()
  const decoder = new TextDecoder()
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return
    if (!decoder.decode(value, { stream: true }).includes('data: ')) continue
    screen.at = performance.now()
    screen.times += 1
  }
}

const echo = new pg.Client({ connectionString: databaseUrl })
await echo.connect()
await echo.query('listen class_echo')
const bare = (): Promise<number> =>
  new Promise((resolve) => {
    const began = performance.now()
    echo.once('notification', () => resolve(performance.now() - began))
    void echo.query(`notify class_echo`)
  })

try {
  const signedIn = await Promise.all(copies.map(({ url }) => signIn(url)))
  for (const [index, screen] of told.entries())
    void follow(copies[index % 2]!.url, signedIn[index % 2]!, screen).catch(() => undefined)
  while (told.some(({ times }) => times === 0)) await new Promise((resolve) => setTimeout(resolve, 50))

  const toScreen: number[] = []
  const echoes: number[] = []
  const answered: number[] = []
  let [lines, missed] = [0, 0]
  const until = performance.now() + minutes * 60_000
  while (performance.now() < until) {
    const next = performance.now() + LINE_EVERY_MS
    const before = told.map(({ times }) => times)
    const copy = lines % 2
    const finished = lines % 2 === 0
    const body = {
      machineId: machineIds[0],
      kind: 'turn-ended',
      happenedAt: new Date().toISOString(),
      body: { finished },
    }
    const began = performance.now()
    const answer = await fetch(`${copies[copy]!.url}/api/commands/log`, {
      method: 'POST',
      headers: signedIn[copy]!,
      body: JSON.stringify({ commandId: uuid(), body }),
    })
    answered.push(performance.now() - began)
    if (!answer.ok) throw new Error(await answer.text())
    lines += 1
    echoes.push(await bare())
    await new Promise((resolve) => setTimeout(resolve, Math.max(0, next - performance.now())))
    for (const [index, { at, times }] of told.entries()) {
      if (times === before[index]) missed += 1
      else toScreen.push(at - began)
    }
  }
  console.log(`${SCREENS} screens over two copies, a line a second, ${lines} lines`)
  quantiles('a bare notification and back', echoes)
  quantiles('a line is answered', answered)
  quantiles('a line is on every screen', toScreen)
  console.log(`not told within a second: ${missed} of ${lines * SCREENS}`)
} finally {
  stopped.abort()
  await echo.end()
  for (const copy of copies) await copy.stop()
  await store.destroy()
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}
