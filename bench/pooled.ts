import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { startCluster } from '@/bin/serve/private-cluster'
import { startPooler } from '@/bin/serve/pooler'
import { seedDemo } from '@/practice/seed'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { addSignIn } from '@/store/site/people'
import { buildWhenChanged } from '../bin/serve/build'
import { startServer } from '../bin/serve/next-server'

/**
 * Two copies behind a pooler in transaction mode, and two hundred people who sign in, look at the room and write a line, forty
 * at once; beside it the same by two copies that reach the database themselves, in the same run.
 */
const PEOPLE = 200
const AT_ONCE = 40
const PASSWORD = 'a-password-for-the-bench'
const project = process.cwd()
buildWhenChanged(project)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-pooled-'))
chmodSync(folder, 0o755)
const cluster = await startCluster(join(folder, 'postgres'))
const databaseUrl = await cluster.database('pooled')
const store = connect(databaseUrl)
await migrate(store)
const siteId = await seedDemo(store, new Date())
const machineIds = (await store.selectFrom('machine').select('machine_id').where('site_id', '=', siteId).execute()).map(
  ({ machine_id }) => machine_id,
)
for (let each = 0; each < PEOPLE; each += 1)
  await store.transaction().execute(async (tx) => {
    const personId = uuid()
    await tx
      .insertInto('person')
      .values({ site_id: siteId, person_id: personId, name: `Person ${each}` })
      .execute()
    const email = `person${each}@pooled.example`
    await addSignIn(tx, { siteId, personId, role: 'helper', name: `Person ${each}`, email, password: PASSWORD })
  })

function quantile(times: readonly number[], share: number): string {
  const sorted = [...times].sort((a, b) => a - b)
  return sorted[Math.min(times.length - 1, Math.floor(times.length * share))]!.toFixed(0).padStart(6)
}

async function round(name: string, url: string): Promise<void> {
  const environment = {
    DATABASE_URL: url,
    ORTHODEX_LISTEN_URL: databaseUrl,
    ORTHODEX_SECRET: 'a-secret-of-the-bench-0123456789abcdef',
    ORTHODEX_PROXIES: '1',
  }
  const copies = [
    await startServer(project, environment, { port: 0, journal: join(folder, 'journal.log') }),
    await startServer(project, environment, { port: 0, journal: join(folder, 'journal.log') }),
  ]
  const times = { 'signs in': [] as number[], 'sees the room': [] as number[], 'writes a line': [] as number[] }
  let errors = 0
  const timed = async (what: keyof typeof times, asked: () => Promise<Response>): Promise<Response> => {
    const start = performance.now()
    const answer = await asked()
    await answer.clone().arrayBuffer()
    times[what].push(performance.now() - start)
    if (!answer.ok) errors += 1
    return answer
  }
  const person = async (index: number) => {
    const base = copies[index % 2]!.url
    const headers = {
      'content-type': 'application/json',
      origin: base,
      'x-forwarded-for': `10.0.${index % 250}.${Math.floor(index / 250) + 1}`,
    }
    const body = JSON.stringify({ email: `person${index}@pooled.example`, password: PASSWORD })
    const signedIn = await timed('signs in', () =>
      fetch(`${base}/api/sign-in/sign-in/email`, { method: 'POST', headers, body }),
    )
    const cookie = signedIn.headers
      .getSetCookie()
      .map((each) => each.split(';')[0])
      .join('; ')
    await timed('sees the room', () => fetch(`${base}/room`, { headers: { cookie } }))
    const machineId = machineIds[index % machineIds.length]
    const line = { machineId, kind: 'noted', happenedAt: new Date().toISOString(), body: { text: `person ${index}` } }
    await timed('writes a line', () =>
      fetch(`${base}/api/commands/log`, {
        method: 'POST',
        headers: { ...headers, cookie },
        body: JSON.stringify({ commandId: uuid(), body: line }),
      }),
    )
  }
  let next = 0
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (next < PEOPLE) await person(next++)
    }),
  )
  for (const [what, all] of Object.entries(times))
    console.log(`${name.padEnd(28)} ${what.padEnd(14)} p50 ${quantile(all, 0.5)} ms   p95 ${quantile(all, 0.95)} ms`)
  console.log(`${name.padEnd(28)} errors ${errors} of ${PEOPLE * 3}`)
  for (const copy of copies) await copy.stop()
}

const pooler = await startPooler(databaseUrl, 8)
try {
  await round('two copies, warming', databaseUrl)
  await round('through pgbouncer, 8 held', pooler.through(databaseUrl))
  await round('straight to the database', databaseUrl)
} finally {
  await pooler.stop()
  await store.destroy()
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}
