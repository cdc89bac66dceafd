import { v7 as uuid } from 'uuid'
import { startPooler } from '@/bin/serve/pooler'
import { demoCopies, printQuantiles, signIn } from './demo-copies'

/**
 * Two copies behind a pooler in transaction mode, and two hundred people who sign in, look at the room and write a line, forty
 * at once; beside it the same by two copies that reach the database themselves, in the same run.
 */
const PEOPLE = 200
const AT_ONCE = 40
const demo = await demoCopies('helper', PEOPLE)
const { databaseUrl } = demo
const machineIds = (
  await demo.store.selectFrom('machine').select('machine_id').where('site_id', '=', demo.siteId).execute()
).map(({ machine_id }) => machine_id)

async function round(name: string, url: string): Promise<void> {
  const copies = [await demo.copy(url), await demo.copy(url)]
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
    let headers: Record<string, string> = {}
    await timed('signs in', async () => {
      const signedIn = await signIn(base, index)
      headers = signedIn.headers
      return signedIn.answer
    })
    await timed('sees the room', () => fetch(`${base}/room`, { headers }))
    const machineId = machineIds[index % machineIds.length]
    const line = { machineId, kind: 'noted', happenedAt: new Date().toISOString(), body: { text: `person ${index}` } }
    await timed('writes a line', () =>
      fetch(`${base}/api/commands/log`, {
        method: 'POST',
        headers,
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
  for (const [what, all] of Object.entries(times)) printQuantiles(`${name.padEnd(28)} ${what}`, all)
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
  await demo.stop()
}
