import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import pg from 'pg'
import { from as copyFrom } from 'pg-copy-streams'
import { v7 as uuid } from 'uuid'
import type { Happening, MachineEvent } from '@/core/machine/event'
import { FOLD_VERSION, foldNext, UNSEEN } from '@/core/machine/fold'
import { freePort, startCluster } from '@/bin/serve/private-cluster'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { createSite } from '@/store/site/create-site'
import { Chance } from '@/practice/random'
import { runCommand } from '@/store/commands/run'
import { DEMO_MACHINES } from '@/practice/machines'
import { DEMO_PROJECTS } from '@/practice/projects'
import { buildWhenChanged } from '../bin/serve/build'
import { startServer } from '../bin/serve/next-server'

/**
 * A district's room after many years: 500 machines, 5 million lines. Each figure stands beside the same work in bare SQL,
 * measured in turn in the same run. ORTHODEX_BENCH_LINES loads fewer for a quick look.
 */
const MACHINES = 500
const LINES = Number(process.env['ORTHODEX_BENCH_LINES'] ?? 5_000_000)
const LEARNERS = 100
const RUNS = 100
/** A server that runs for years has compiled its paths long ago; these go before the first that counts. */
const WARMING = 400
const project = process.cwd()
buildWhenChanged(project)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-load-'))
chmodSync(folder, 0o755)
const cluster = await startCluster(join(folder, 'postgres'), ['max_wal_size=4GB', 'shared_buffers=512MB'])
const databaseUrl = await cluster.database('load')
const store = connect(databaseUrl)
await migrate(store)
const PERSON = { name: 'Ada', email: 'ada@load.example', password: 'a-heavy-load-1' }
const who = await store
  .transaction()
  .execute((tx) => createSite(tx, { code: 'load', name: 'The Long Hall', timeZone: 'UTC' }, PERSON))

const chance = new Chance(7)
const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
const START = Date.UTC(2016, 0, 4, 9)
const day = new Map<number, string>()
/** The same line again and again would pack too well: what happens is drawn as a room's week goes. */
function happening(index: number): Happening {
  const turn = index % 40
  if (turn === 0) {
    const sizeNm = chance.pick([70, 80, 90, 100])
    return {
      kind: 'needle-changed',
      body: {
        out: { reason: 'due', state: 'blunt', wentTo: 'sharps' },
        in: { system: '130/705 H', point: chance.pick(['universal', 'jeans', 'microtex']), sizeNm, condition: 'new' },
      },
    }
  }
  if (turn === 1) return { kind: 'cleaned', body: { found: 'lint' } }
  if (turn % 8 === 2) return { kind: 'bobbin-wound', body: { count: 1 } }
  if (turn % 8 === 3)
    return {
      kind: 'check-run',
      body: {
        list: 'seat',
        steps: ['threading', 'bobbin', 'needle'].map((step) => ({ step, group: 'threading', result: 'pass' })),
      },
    }
  if (turn % 8 === 4)
    return {
      kind: 'swatch-stitched',
      body: { dial: 4 + chance.between(-2, 2) / 2, target: 'straight', top: 'own', under: 'own', done: ['rethreaded'] },
    }
  return {
    kind: 'used',
    body: { use: { load: 'ordinary', motorMinutes: chance.between(1, 12) }, finishedProject: chance.next() < 0.05 },
  }
}

const machines = Array.from({ length: MACHINES }, (_, index) => ({
  machineId: uuid(),
  name: `Wader ${String(index + 1).padStart(3, '0')}`,
  number: index + 1,
}))
const perMachine = Math.ceil(LINES / MACHINES)
const started = performance.now()
await store
  .insertInto('machine')
  .values(
    machines.map(({ machineId, name, number }, index) => ({
      site_id: who.siteId,
      machine_id: machineId,
      name,
      number,
      notes: '',
      place_x: 14 + (index % 16) * 24,
      place_y: 9 + Math.floor(index / 16) * 17,
    })),
  )
  .execute()
for (const [index, { machineId }] of machines.entries()) {
  const { traits } = DEMO_MACHINES[index % DEMO_MACHINES.length]!
  await store
    .insertInto('trait')
    .values(
      Object.entries(traits).map(([trait, value]) => ({
        site_id: who.siteId,
        machine_id: machineId,
        trait,
        value: JSON.stringify(value),
        source: 'manual',
        learnt_by: who.personId,
        learnt_at: new Date(START),
      })),
    )
    .execute()
}

const copy = new pg.Client({ connectionString: databaseUrl })
await copy.connect()
const columns = 'site_id, machine_id, event_id, happened_at, kind, body, person_id'
const states: string[] = []
function* rows(): Generator<string> {
  let chunk: string[] = []
  for (const { machineId } of machines) {
    let state = UNSEEN
    for (let index = 0; index < perMachine; index += 1) {
      const at = START + index * 7 * MINUTE
      if (!day.has(at)) day.set(at, new Date(at).toISOString())
      const happened = happening(index)
      const eventId = chance.id(new Date(at))
      const line = { ...happened, eventId, happenedAt: day.get(at)!, personId: who.personId } as MachineEvent
      state = foldNext(state, line)!
      chunk.push(
        `${who.siteId}\t${machineId}\t${eventId}\t${line.happenedAt}\t${line.kind}\t${JSON.stringify(line.body)}\t${who.personId}\n`,
      )
      if (chunk.length >= 2000) {
        yield chunk.join('')
        chunk = []
      }
    }
    const { needlesBefore = [], ...kept } = state
    states.push([who.siteId, machineId, JSON.stringify(kept), JSON.stringify(needlesBefore), FOLD_VERSION].join('\t'))
  }
  yield chunk.join('')
}
await pipeline(Readable.from(rows()), copy.query(copyFrom(`copy machine_event (${columns}) from stdin`)))
await pipeline(
  Readable.from(states.map((row) => `${row}\n`)),
  copy.query(copyFrom('copy machine_state (site_id, machine_id, state, needles_before, fold_version) from stdin')),
)

// A class of a hundred, a session to come, and shelves: what kits, stores and run sheet read.
const courseId = uuid()
const sessionId = uuid()
const projectIds = Array.from({ length: LEARNERS }, () => uuid())
const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
await run('open-course', { courseId, name: 'The Long Class' })
for (const [index, projectId] of projectIds.entries()) {
  const { learner: _, machine: _machine, ...facts } = DEMO_PROJECTS[index % DEMO_PROJECTS.length]!
  const learner = `Learner ${index + 1}`
  await run('add-project', { projectId, courseId, personId: uuid(), enrolmentId: uuid(), ...facts, learner })
}
const startsAt = new Date(Math.ceil(Date.now() / DAY) * DAY + DAY + 18 * 60 * MINUTE)
const endsAt = new Date(startsAt.getTime() + 120 * MINUTE)
const session = { sessionId, startsAt: startsAt.toISOString(), endsAt: endsAt.toISOString(), blocks: 2 }
await run('add-sessions', { courseId, sessions: [session] })
for (const point of ['universal', 'jeans', 'microtex'] as const)
  for (const sizeNm of [70, 80, 90, 100])
    await run('receive-stock', { item: { kind: 'needle', system: '130/705 H', point, sizeNm }, count: 100_000 })

// What the database still owes for the load it does now, not beside what is measured: years would have done it long ago.
await copy.query('vacuum analyze')
await copy.query('checkpoint')
const loaded = (performance.now() - started) / 1000
console.log(`${MACHINES} machines, ${perMachine * MACHINES} lines by COPY: ${loaded.toFixed(0)} s   budget 300 s`)

const server = await startServer(
  project,
  { DATABASE_URL: databaseUrl, ORTHODEX_SECRET: 'x'.repeat(64) },
  { port: await freePort() },
)
const quantile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))]!

/** Runs both in turn, so that a slow minute of this machine falls on both. */
async function beside(
  name: string,
  budget: string,
  work: () => Promise<unknown>,
  bare: () => Promise<unknown>,
  runs = RUNS,
  warming = WARMING,
) {
  const times: [number[], number[]] = [[], []]
  const each = [work, bare] as const
  for (let run = -warming; run < runs; run += 1) {
    for (const which of [0, 1] as const) {
      const start = performance.now()
      await each[which]()
      if (run >= 0) times[which].push(performance.now() - start)
    }
  }
  const figures = times.map((all) => `p50 ${quantile(all, 0.5).toFixed(1)} p95 ${quantile(all, 0.95).toFixed(1)} ms`)
  console.log(`${name.padEnd(34)} ${figures[0]!.padEnd(28)} bare SQL ${figures[1]!.padEnd(28)} ${budget}`)
}

try {
  const signedIn = await fetch(`${server.url}/api/sign-in/sign-in/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: server.url },
    body: JSON.stringify({ email: PERSON.email, password: PERSON.password }),
  })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')
  const agent = new Agent({ keepAlive: true })
  /** Asks on a connection that stays open, as a browser does; a body makes it a write. */
  const ask = (path: string, body?: object) =>
    new Promise<void>((resolve, fail) => {
      const sent = body && { method: 'POST', type: { 'content-type': 'application/json' } }
      const headers = { cookie, 'accept-encoding': 'gzip', ...sent?.type }
      request(`${server.url}${path}`, { agent, method: sent?.method ?? 'GET', headers }, (answer) => {
        if (answer.statusCode !== 200) fail(new Error(`${path}: ${answer.statusCode}`))
        answer.on('data', () => {})
        answer.on('end', resolve)
      })
        .on('error', fail)
        .end(body && JSON.stringify(body))
    })
  const bare = (text: string, values: unknown[] = []) => copy.query(text, values)
  const some = () => chance.pick(machines).machineId

  await beside(
    'Room of 500',
    'budget p95 100 ms',
    () => ask('/room'),
    () =>
      bare(
        'select machine.*, state from machine join machine_state using (site_id, machine_id) where site_id = $1 order by number',
        [who.siteId],
      ),
  )
  await beside(
    'a page of a book',
    'budget p95 50 ms',
    () => ask(`/machines/${some()}`),
    () =>
      bare(
        `select * from machine_event where site_id = $1 and machine_id = $2
         order by happened_at desc, event_id desc limit 16`,
        [who.siteId, some()],
      ),
  )
  const write = (machineId: string, kind: string, body: object) => ({
    commandId: uuid(),
    body: { machineId, happenedAt: new Date().toISOString(), kind, body },
  })
  const post = (body: object) => ask('/api/commands/log', body)
  await beside(
    'a line written',
    'budget p95 20 ms',
    () => post(write(some(), 'cleaned', {})),
    async () => {
      await bare('begin')
      await bare(`insert into machine_event (${columns}) values ($1, $2, $3, now(), 'cleaned', '{}', $4)`, [
        who.siteId,
        some(),
        uuid(),
        who.personId,
      ])
      await bare('commit')
    },
  )
  await beside(
    'one machine folded from its book',
    'budget 1000 ms',
    async () => {
      const machineId = some()
      // A late line makes the whole book be folded again, in the same transaction.
      await post({
        commandId: uuid(),
        body: { machineId, happenedAt: '2015-12-31T00:00:00.000Z', kind: 'cleaned', body: {} },
      })
    },
    () =>
      bare('select * from machine_event where site_id = $1 and machine_id = $2 order by happened_at, event_id', [
        who.siteId,
        some(),
      ]),
    20,
    2,
  )
  await beside(
    'the rack of 100 bags',
    'no budget yet',
    () => ask('/kits'),
    async () => {
      await bare('select * from project where site_id = $1', [who.siteId])
      await bare('select machine_id, state from machine_state where site_id = $1', [who.siteId])
      await bare('select * from trait where site_id = $1', [who.siteId])
    },
    20,
    5,
  )
  await beside(
    'one bag',
    'no budget yet',
    () => ask(`/kits/${chance.pick(projectIds)}`),
    async () => {
      await bare('select * from project where site_id = $1 and project_id = $2', [who.siteId, chance.pick(projectIds)])
      await bare('select machine_id, state from machine_state where site_id = $1', [who.siteId])
      await bare('select * from trait where site_id = $1', [who.siteId])
    },
    20,
    5,
  )
  await beside(
    'the stores',
    'no budget yet',
    () => ask('/stores'),
    async () => {
      await bare('select * from stock_move where site_id = $1', [who.siteId])
      await bare(
        `select machine_id, body from machine_event where site_id = $1 and kind in ('needle-changed', 'needle-broke')
           and happened_at > now() - interval '8 weeks'`,
        [who.siteId],
      )
    },
    20,
    5,
  )
  await beside(
    'a run sheet of 500 machines',
    'no budget yet',
    () => ask(`/sessions/${sessionId}`),
    async () => {
      await bare('select * from session where site_id = $1', [who.siteId])
      await bare('select * from project where site_id = $1', [who.siteId])
      await bare('select machine_id, state from machine_state where site_id = $1', [who.siteId])
      await bare('select * from trait where site_id = $1', [who.siteId])
    },
    10,
    2,
  )
} finally {
  await copy.end()
  await store.destroy()
  await server.stop()
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}
