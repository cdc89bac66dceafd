import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { startCluster } from '@/bin/serve/private-cluster'
import { DEMO_CLASS_CODE, seedDemo } from '@/practice/seed'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { addSignIn } from '@/store/site/people'
import type { StaffRole } from '@/core/room/role'
import { buildWhenChanged } from '../bin/serve/build'
import { startServer } from '../bin/serve/next-server'

const PASSWORD = 'a-password-for-the-bench'
const project = process.cwd()

/** The demo venue in a database of its own, with `people` more who may sign in, and copies of the server over it. */
export async function demoCopies(role: StaffRole, people: number) {
  buildWhenChanged(project)
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-bench-'))
  chmodSync(folder, 0o755)
  const cluster = await startCluster(join(folder, 'postgres'))
  const databaseUrl = await cluster.database('bench')
  const store = connect(databaseUrl)
  await migrate(store)
  const siteId = await seedDemo(store, new Date())
  for (let index = 0; index < people; index += 1)
    await store.transaction().execute(async (tx) => {
      const [personId, name] = [uuid(), `Person ${index}`]
      await tx.insertInto('person').values({ site_id: siteId, person_id: personId, name }).execute()
      await addSignIn(tx, { siteId, personId, role, name, email: emailOf(index), password: PASSWORD })
    })
  return {
    cluster,
    databaseUrl,
    store,
    siteId,
    /** One more copy of the server, that reaches the database by `url`. */
    copy: (url = databaseUrl) =>
      startServer(
        project,
        {
          DATABASE_URL: url,
          ORTHODEX_LISTEN_URL: databaseUrl,
          ORTHODEX_SECRET: 'a-secret-of-the-bench-0123456789abcdef',
          ORTHODEX_PROXIES: '1',
        },
        { port: 0, journal: join(folder, 'journal.log') },
      ),
    async stop() {
      await store.destroy()
      await cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

const emailOf = (index: number): string => `person${index}@bench.example`

/** Signs one of them in from an address of their own: the answer, and the headers of what they ask from then on. */
export async function signIn(base: string, index: number) {
  const headers = {
    'content-type': 'application/json',
    origin: base,
    'x-forwarded-for': `10.0.${index % 250}.${Math.floor(index / 250) + 1}`,
  }
  const body = JSON.stringify({ email: emailOf(index), password: PASSWORD })
  const answer = await fetch(`${base}/api/sign-in/sign-in/email`, { method: 'POST', headers, body })
  const cookie = answer.headers.getSetCookie().map((each) => each.split(';')[0])
  return { answer, headers: { ...headers, cookie: cookie.join('; ') } }
}

/** Signs a learner of the demo in at their seat. */
export async function takeSeat(base: string) {
  const headers = { 'content-type': 'application/json', origin: base }
  const body = JSON.stringify({ classCode: DEMO_CLASS_CODE, firstName: 'Chidi' })
  const answer = await fetch(`${base}/api/sign-in/station`, { method: 'POST', headers, body })
  const cookie = answer.headers.getSetCookie().map((each) => each.split(';')[0])
  return { answer, headers: { ...headers, cookie: cookie.join('; ') } }
}

/** Prints the middle and the 95th of a hundred, in milliseconds. */
export function printQuantiles(name: string, times: readonly number[]): void {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number) =>
    (sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]?.toFixed(0) ?? '–').padStart(6)
  console.log(`${name.padEnd(46)} p50 ${at(0.5)} ms   p95 ${at(0.95)} ms   (${times.length})`)
}
