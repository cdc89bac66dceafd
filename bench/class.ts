import { readFileSync } from 'node:fs'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { demoCopies, printQuantiles, signIn, takeSeat } from './demo-copies'

/**
 * A class that is on, planned, some minutes before it changes places: ten screens follow the room and forty phones their seat, over
 * two copies of the server, while lines are written, one after another, now through one copy and now through the other. Told: from
 * the moment a line is sent until each of them has been told; beside it a bare notification that goes to the database and back.
 * `npm run bench:class -- [minutes] [minutes to the seam]`
 */
const SCREENS = 10
const SEATS = 40
const LINE_EVERY_MS = 1_000
/** What is not told by then is lost. */
const LONGEST_MS = 30_000
const BLOCK_MINUTES = 60
const [minutes = 2, seamInMinutes = 8] = process.argv.slice(2).map(Number)
const demo = await demoCopies('instructor', 2)
const { databaseUrl, siteId, store } = demo
/** Where the learner sits whose phones follow it. */
const { machine_id: machineId } = await store
  .selectFrom('machine')
  .select('machine_id')
  .where('site_id', '=', siteId)
  .where('name', '=', 'Curlew')
  .executeTakeFirstOrThrow()
const copies = [await demo.copy(), await demo.copy()]
/** What both copies hold of the machine's memory, megabytes. */
const memory = () =>
  copies.map(({ process }) => {
    const kilobytes = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${process.pid}/status`, 'utf8'))
    return Math.round(Number(kilobytes?.[1]) / 1024)
  })
const stopped = new AbortController()
/** When each screen, and then each phone, was last told, and how often. */
const told: { at: number; times: number }[] = Array.from({ length: SCREENS + SEATS }, () => ({ at: 0, times: 0 }))

/** Follows the room or a seat as a page does: told again whenever something on it has changed. */
async function follow(path: string, headers: Record<string, string>, screen: { at: number; times: number }) {
  const response = await fetch(path, { headers, signal: stopped.signal })
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

/** A session of two blocks that began a while ago, planned as an instructor has it planned. */
async function aClassThatIsOn(base: string, headers: Record<string, string>): Promise<void> {
  const sent = async (path: string, body: object): Promise<string> => {
    const answer = await fetch(`${base}${path}`, { method: 'POST', headers, body: JSON.stringify(body) })
    const said = await answer.text()
    if (!answer.ok) throw new Error(said)
    return said
  }
  const { course_id: courseId } = await store
    .selectFrom('course')
    .select('course_id')
    .where('site_id', '=', siteId)
    .orderBy('course_id')
    .executeTakeFirstOrThrow()
  const began = Date.now() - (BLOCK_MINUTES - seamInMinutes) * 60_000
  const at = (minute: number) => new Date(began + minute * 60_000).toISOString()
  const sessionId = uuid()
  const session = { sessionId, startsAt: at(0), endsAt: at(2 * BLOCK_MINUTES), blocks: 2 }
  await sent('/api/commands/add-sessions', { commandId: uuid(), body: { courseId, sessions: [session] } })
  const planned = await sent(`/api/sessions/${sessionId}/plan`, { commandId: uuid(), basedOn: null })
  if (!planned.includes('"kept"')) throw new Error(planned)
}

try {
  const signedIn = await Promise.all(copies.map(({ url }, index) => signIn(url, index)))
  await aClassThatIsOn(copies[0]!.url, signedIn[0]!.headers)
  const seated = await Promise.all(copies.map(({ url }) => takeSeat(url)))
  for (const [index, screen] of told.entries()) {
    const who =
      index < SCREENS ? { path: '/api/told?of=live-room', of: signedIn } : { path: '/api/told?of=own-seat', of: seated }
    void follow(`${copies[index % 2]!.url}${who.path}`, who.of[index % 2]!.headers, screen).catch(() => undefined)
  }
  while (told.some(({ times }) => times === 0)) await new Promise((resolve) => setTimeout(resolve, 50))

  const toScreen: number[] = []
  const toPhone: number[] = []
  const echoes: number[] = []
  const answered: number[] = []
  const written: string[] = []
  let [lines, missed] = [0, 0]
  const until = performance.now() + minutes * 60_000
  while (performance.now() < until) {
    const next = performance.now() + LINE_EVERY_MS
    const before = told.map(({ times }) => times)
    const copy = lines % 2
    const finished = lines % 2 === 0
    const body = {
      machineId,
      kind: 'turn-ended',
      happenedAt: new Date().toISOString(),
      body: { finished },
    }
    const commandId = uuid()
    const began = performance.now()
    const answer = await fetch(`${copies[copy]!.url}/api/commands/log`, {
      method: 'POST',
      headers: signedIn[copy]!.headers,
      body: JSON.stringify({ commandId, body }),
    })
    answered.push(performance.now() - began)
    if (!answer.ok) throw new Error(await answer.text())
    lines += 1
    written.push(commandId)
    if (lines % 60 === 0) console.log(`after ${lines / 60} min the copies hold ${memory().join(' and ')} MB`)
    echoes.push(await bare())
    await new Promise((resolve) => setTimeout(resolve, Math.max(0, next - performance.now())))
    const late = told.filter(({ times }, index) => times === before[index]).length
    missed += late
    const isTold = () => told.every(({ times }, index) => times !== before[index])
    while (late > 0 && !isTold() && performance.now() < began + LONGEST_MS)
      await new Promise((resolve) => setTimeout(resolve, 10))
    if (late > 0)
      console.log(
        `line ${lines} was answered after ${answered.at(-1)!.toFixed(0)} ms and told to ${late} later than a second: ` +
          (isTold()
            ? `to the last after ${(Math.max(...told.map(({ at }) => at)) - began).toFixed(0)} ms`
            : 'to some not at all'),
      )
    for (const [index, { at, times }] of told.entries())
      if (times !== before[index]) (index < SCREENS ? toScreen : toPhone).push(at - began)
  }
  console.log(`${SCREENS} screens and ${SEATS} phones over two copies, a line a second, ${lines} lines`)
  printQuantiles('a bare notification and back', echoes)
  printQuantiles('a line is answered', answered)
  printQuantiles('a line is on every screen', toScreen)
  printQuantiles('a line is told to every phone', toPhone)
  const kept = await store
    .selectFrom('machine_event')
    .select('event_id')
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .where('event_id', 'in', written)
    .execute()
  console.log(`lines in the book: ${kept.length} of ${written.length}`)
  console.log(`not told within a second: ${missed} of ${lines * told.length}`)
} finally {
  stopped.abort()
  await echo.end()
  for (const copy of copies) await copy.stop()
  await demo.stop()
}
