import { demoCopies, printQuantiles, signIn } from './demo-copies'

/**
 * Two hundred people signed in over two copies of the server, who open pages of staff at a steady rate, whether or not the last
 * has come: time to the end of each page. Beside it the smallest page there is, asked at the same rate in the same run.
 * The first seconds at that rate stand in a row of their own: the engine still compiles what it finds to be used much.
 * `npm run bench:pages -- [requests a second] [seconds]`
 */
const PEOPLE = 200
const FIRST_SECONDS = 20
const [rate = 30, seconds = 60] = process.argv.slice(2).map(Number)
const demo = await demoCopies('instructor', PEOPLE)
const { siteId, store } = demo
const first = async (table: 'machine' | 'project' | 'session', column: 'machine_id' | 'project_id' | 'session_id') =>
  (
    await store
      .selectFrom(table as 'machine')
      .select(column as 'machine_id')
      .where('site_id', '=', siteId)
      .orderBy(column as 'machine_id')
      .executeTakeFirstOrThrow()
  )[column as 'machine_id']
const [machineId, projectId, sessionId] = await Promise.all([
  first('machine', 'machine_id'),
  first('project', 'project_id'),
  first('session', 'session_id'),
])
const PAGES: Record<string, string> = {
  'nothing but an answer': '/livez',
  'the room': '/room',
  'the room now': '/room/now',
  'a machine': `/machines/${machineId}`,
  'the rack of bags': '/kits',
  'a bag': `/kits/${projectId}`,
  'a run sheet': `/sessions/${sessionId}`,
  'the stores': '/stores',
}
const copies = [await demo.copy(), await demo.copy()]
try {
  const people: { base: string; headers: Record<string, string> }[] = []
  for (let index = 0; index < PEOPLE; index += 1) {
    const base = copies[index % 2]!.url
    people.push({ base, headers: (await signIn(base, index)).headers })
  }
  const times: Record<string, number[]> = Object.fromEntries(Object.keys(PAGES).map((name) => [name, []]))
  let failed = 0
  const open = async (name: string, index: number, into?: number[]) => {
    const { base, headers } = people[index % PEOPLE]!
    const began = performance.now()
    const answer = await fetch(`${base}${PAGES[name]}`, { headers })
    await answer.arrayBuffer()
    if (!answer.ok) failed += 1
    else into?.push(performance.now() - began)
  }
  const names = Object.keys(PAGES)
  // A server that runs for years has compiled its paths long ago.
  for (let index = 0; index < names.length * 20; index += 1) await open(names[index % names.length]!, index)
  for (const name of names) {
    const alone: number[] = []
    for (let index = 0; index < 20; index += 1) {
      const began = performance.now()
      await open(name, index)
      alone.push(performance.now() - began)
    }
    printQuantiles(`alone: ${name}`, alone)
  }
  const firstTimes: number[] = []
  const asked: Promise<void>[] = []
  const start = performance.now()
  for (let index = 0; index < rate * (FIRST_SECONDS + seconds); index += 1) {
    const wait = start + (index * 1000) / rate - performance.now()
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait))
    const name = names[index % names.length]!
    // Seven is no divisor of the number of people: everybody comes to every page.
    const who = index * 7 + Math.floor(index / names.length)
    asked.push(open(name, who, index < rate * FIRST_SECONDS ? firstTimes : times[name]))
  }
  await Promise.all(asked)
  console.log(`${PEOPLE} people over two copies, ${rate} pages a second for ${seconds} s; ${failed} failed`)
  printQuantiles(`the first ${FIRST_SECONDS} s, every page`, firstTimes)
  for (const [name, all] of Object.entries(times)) printQuantiles(name, all)
  printQuantiles(
    'all pages',
    Object.entries(times).flatMap(([name, all]) => (name === names[0] ? [] : all)),
  )
} finally {
  for (const copy of copies) await copy.stop()
  await demo.stop()
}
