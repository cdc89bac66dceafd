import { execFileSync, spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { Agent, request as httpRequest } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { request as playwrightRequest } from '@playwright/test'
import pg from 'pg'
import { fingerprint } from '@/bin/serve/build'
import { EMPTY_VENUE } from '@/bin/serve/empty-venue'
import { startServer } from '@/bin/serve/next-server'
import { freePort, startTestCluster } from '@/bin/serve/private-cluster'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { databaseAway, FOLDER, SECRET, serve } from './demo-copy'
import { expect, SIGN_INS, stateFile, test } from './people'

/** What the server does with what it should not be sent, and with a database that does not answer. */
test.describe('a body', () => {
  for (const [who, state] of [
    ['signed out', undefined],
    ['signed in', stateFile('coordinator')],
  ] as const)
    test(`that is too long is not read to its end, ${who}`, async ({ baseURL }) => {
      const request = await playwrightRequest.newContext({ baseURL: baseURL!, ...(state && { storageState: state }) })
      const long = { commandId: randomUUID(), body: { text: 'x'.repeat(80_000) } }
      const answer = await request.post('/api/commands/log', { data: long })
      expect(answer.status()).toBe(state ? 413 : 401)
      expect((await request.post('/api/sign-in/sign-in/email', { data: { email: 'x'.repeat(9_000) } })).status()).toBe(
        413,
      )
      await request.dispose()
    })
})

test('a build bears the name of its sources: two copies that were built apart are one to every page', () => {
  expect(readFileSync('.next/BUILD_ID', 'utf8')).toBe(fingerprint(process.cwd()))
})

test('answers that name people are kept by nobody', async ({ baseURL }) => {
  const request = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile('coordinator') })
  for (const path of ['/room', '/kits', '/people', '/api/kits/sheet', '/api/machines']) {
    const answer = await request.get(path)
    expect([path, answer.headers()['cache-control']]).toEqual([path, expect.stringContaining('no-store')])
  }
  await request.dispose()
})

test('the stand-ins of the table answer where a venue practises, and nowhere else', async ({ baseURL }) => {
  for (const [role, status] of [
    ['helper', 200],
    ['newcomer', 404],
  ] as const) {
    const request = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile(role) })
    const answer = await request.get('/api/devices/scale?name=denim&areaCm2=100&layers=2&chance=0.5')
    expect([role, answer.status()]).toEqual([role, status])
    await request.dispose()
  }
})

test('a plan to compute is for staff', async ({ baseURL }) => {
  const request = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile('learner') })
  expect((await request.post('/api/compute/plan', { data: {} })).status()).toBe(403)
  expect((await request.post('/api/compute/needle-size', { data: { text: '80' } })).status()).toBe(200)
  await request.dispose()
})

test.describe('the door', () => {
  const wrong = { email: EMPTY_VENUE.email, password: 'not-the-right-one' }

  test('slows a stranger down, whatever network they say they come from, and leaves known devices in', async ({
    baseURL,
  }) => {
    // A device on which this address has been signed in with before.
    const own = await playwrightRequest.newContext({ baseURL: baseURL!, extraHTTPHeaders: { origin: baseURL! } })
    expect((await own.post('/api/sign-in/sign-in/email', { data: EMPTY_VENUE })).status()).toBe(200)
    const stranger = await playwrightRequest.newContext({ baseURL: baseURL! })
    const tries: number[] = []
    for (let index = 0; index < 14; index += 1) {
      const headers = { 'x-forwarded-for': `203.0.113.${index}` }
      tries.push((await stranger.post('/api/sign-in/sign-in/email', { data: wrong, headers })).status())
    }
    expect(tries[0]).toBe(401)
    expect(tries.at(-1)).toBe(429)
    // Also the right password waits now on an unknown device; the known one passes.
    expect((await stranger.post('/api/sign-in/sign-in/email', { data: EMPTY_VENUE })).status()).toBe(429)
    await own.post('/api/sign-in/sign-out', { data: {} })
    expect((await own.post('/api/sign-in/sign-in/email', { data: EMPTY_VENUE })).status()).toBe(200)
    await own.dispose()
    await stranger.dispose()
  })

  test('is shut within a second to a sign-in that was ended elsewhere', async ({ baseURL, demo }) => {
    const request = await playwrightRequest.newContext({ baseURL: baseURL! })
    await request.post('/api/sign-in/station', { data: { classCode: 'salt-boathouse', firstName: 'Juna' } })
    const ask = async () => (await request.post('/api/compute/needle-size', { data: { text: '80' } })).status()
    expect(await ask()).toBe(200)
    const cookie = (await request.storageState()).cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
    const watching = await fetch(`${baseURL}/api/told?of=own-seat`, { headers: { cookie } })
    const client = new pg.Client({ connectionString: demo.databaseUrl })
    await client.connect()
    await client.query(
      `delete from sign_in_session where "userId" in (select id from sign_in_user where name = 'Juna')`,
    )
    await client.end()
    await expect.poll(ask, { timeout: 2_000 }).toBe(401)
    // What they had open says no more either: it comes to its end.
    expect(await watching.text()).toContain('event: own-seat')
    expect((await fetch(`${baseURL}/api/told?of=own-seat`, { headers: { cookie } })).status).toBe(401)
    await request.dispose()
  })

  test('shows whoever was made more or less what they are now, at once, on pages and at doors', async ({
    baseURL,
    demo,
  }) => {
    const [coordinator, helper] = await Promise.all(
      (['coordinator', 'helper'] as const).map((who) =>
        playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile(who) }),
      ),
    )
    const client = new pg.Client({ connectionString: demo.databaseUrl })
    await client.connect()
    const { rows } = await client.query<{ person_id: string }>(
      `select person_id from membership join sign_in_user u on u.id = user_id where u.email = $1`,
      [SIGN_INS.helper.email],
    )
    await client.end()
    const seen: (readonly [string, boolean, number])[] = []
    for (const role of ['coordinator', 'helper', 'coordinator', 'helper'] as const) {
      const data = { commandId: randomUUID(), body: { personId: rows[0]!.person_id, role } }
      expect((await coordinator!.post('/api/commands/change-role', { data })).status()).toBe(200)
      const room = await (await helper!.get('/room')).text()
      seen.push([
        role,
        room.includes('href="/people"'),
        (await helper!.get(`/api/people/${rows[0]!.person_id}`)).status(),
      ])
    }
    expect(seen).toEqual([
      ['coordinator', true, 200],
      ['helper', false, 403],
      ['coordinator', true, 200],
      ['helper', false, 403],
    ])
    await Promise.all([coordinator!.dispose(), helper!.dispose()])
  })

  test('lets a learner in for hours and not for weeks', async ({ baseURL, demo }) => {
    const request = await playwrightRequest.newContext({ baseURL: baseURL! })
    await request.post('/api/sign-in/station', { data: { classCode: 'salt-boathouse', firstName: 'Juna' } })
    const client = new pg.Client({ connectionString: demo.databaseUrl })
    await client.connect()
    const { rows } = await client.query<{ hours: number }>(
      `select extract(epoch from s."expiresAt" - now()) / 3600 as hours from sign_in_session s
         join sign_in_user u on u.id = s."userId" where u.name = 'Juna' order by s."createdAt" desc limit 1`,
    )
    await client.end()
    expect(Number(rows[0]!.hours)).toBeLessThan(8)
    await request.dispose()
  })
})

test('one locked row never takes the room down', async ({ baseURL, demo }) => {
  const request = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile('helper') })
  const client = new pg.Client({ connectionString: demo.databaseUrl })
  await client.connect()
  try {
    await client.query('begin')
    const { rows } = await client.query<{ machine_id: string }>(
      `select machine_id from machine_state join machine using (site_id, machine_id) where name = 'Snipe' for update of machine_state`,
    )
    const note = () =>
      request.post('/api/commands/log', {
        data: {
          commandId: randomUUID(),
          body: {
            machineId: rows[0]!.machine_id,
            happenedAt: new Date().toISOString(),
            kind: 'noted',
            body: { text: 'while it is locked' },
          },
        },
      })
    const writes = Array.from({ length: 30 }, note)
    // Read while they wait: the first answer of all is that of the page.
    const first = await Promise.race([request.get('/room'), ...writes])
    expect([new URL(first.url()).pathname, first.status()]).toEqual(['/room', 200])
    const statuses = (await Promise.all(writes)).map((answer) => answer.status())
    expect(new Set(statuses)).toEqual(new Set([503]))
  } finally {
    await client.query('rollback')
    await client.end()
    await request.dispose()
  }
})

test('a copy that is told to end lets what is being written land, and keeps its journal', async ({ demo }) => {
  const journal = join(FOLDER, 'second.log')
  const second = await startServer(
    process.cwd(),
    { DATABASE_URL: demo.databaseUrl, ORTHODEX_SECRET: SECRET },
    { port: await freePort(), journal },
  )
  const request = await playwrightRequest.newContext({ baseURL: second.url, storageState: stateFile('helper') })
  const client = new pg.Client({ connectionString: demo.databaseUrl })
  await client.connect()
  // Inside a transaction PostgreSQL shows who waits as it first looked: whoever watches stands outside it.
  const watcher = new pg.Client({ connectionString: demo.databaseUrl })
  await watcher.connect()
  try {
    // A stream stays open on every page: it must not keep the copy from ending.
    const stream = fetch(`${second.url}/api/told?of=calls`, {
      headers: {
        cookie: (await request.storageState()).cookies.map(({ name, value }) => `${name}=${value}`).join('; '),
      },
    })
    expect((await stream).status).toBe(200)
    await client.query('begin')
    const { rows } = await client.query<{ machine_id: string }>(
      `select machine_id from machine_state join machine using (site_id, machine_id) where name = 'Snipe' for update of machine_state`,
    )
    const commandId = randomUUID()
    const machineId = rows[0]!.machine_id
    const body = { machineId, happenedAt: new Date().toISOString(), kind: 'noted', body: { text: 'as it ended' } }
    const written = request.post('/api/commands/log', { data: { commandId, body } })
    await expect
      .poll(async () => {
        const waiting = await watcher.query(
          `select 1 from pg_stat_activity where wait_event_type = 'Lock' and datname = current_database()`,
        )
        return waiting.rowCount
      })
      .toBeGreaterThan(0)
    const ended = second.stop()
    await client.query('rollback')
    expect((await written).status()).toBe(200)
    await ended
    const { rowCount } = await client.query('select 1 from machine_event where event_id = $1', [commandId])
    expect(rowCount).toBe(1)
    expect(readFileSync(journal, 'utf8')).toContain('Ready')
  } finally {
    await client.query('rollback')
    await client.end()
    await watcher.end()
    await request.dispose()
    await second.stop()
  }
})

test('a server that is killed ends what started it, which whatever keeps it running then starts again', async ({
  demo,
}) => {
  const starter = spawn('bin/start', [], {
    env: {
      ...process.env,
      DATABASE_URL: demo.databaseUrl,
      ORTHODEX_SECRET: SECRET,
      ORTHODEX_ORIGIN: 'https://room.example',
      PORT: String(await freePort()),
    },
  })
  let said = ''
  for (const stream of [starter.stdout, starter.stderr]) stream.on('data', (words) => (said += String(words)))
  const ended = new Promise((resolve) => starter.once('exit', (code) => resolve(code)))
  try {
    await expect.poll(() => said).toContain('Orthodex answers at')
    const [server] = execFileSync('pgrep', ['-P', String(starter.pid), '-f', 'next'], { encoding: 'utf8' })
      .trim()
      .split('\n')
    process.kill(Number(server), 'SIGKILL')
    expect(await ended).toBe(1)
    expect(said).toContain('the server ended by itself, killed by SIGKILL')
  } finally {
    starter.kill('SIGTERM')
  }
})

test('health says that the database is frozen, and that it is back', async () => {
  // A database server of its own: no other journey freezes with it.
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-frozen-'))
  chmodSync(folder, 0o755)
  const cluster = await startTestCluster(folder)
  const url = await cluster.database('frozen')
  const store = connect(url)
  await migrate(store)
  await store.destroy()
  const server = await serve(url)
  const request = await playwrightRequest.newContext({ baseURL: server.url })
  try {
    const postmaster = execFileSync('pgrep', ['-f', `postgres -D ${folder}`], { encoding: 'utf8' }).trim()
    const children = execFileSync('pgrep', ['-P', postmaster], { encoding: 'utf8' }).trim().split('\n')
    const all = [postmaster, ...children].map(Number)
    expect(all.length).toBeGreaterThan(1)
    for (const pid of all) process.kill(pid, 'SIGSTOP')
    try {
      expect((await request.get('/api/health')).status()).toBe(503)
    } finally {
      for (const pid of all) process.kill(pid, 'SIGCONT')
    }
    await expect.poll(async () => (await request.get('/api/health')).status()).toBe(200)
  } finally {
    await request.dispose()
    await server.stop()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
})

test('a page that could not be drawn while the database was away comes at a tap, and by itself for whoever does not tap', async ({
  browser,
  demo,
}) => {
  // A page of its own: that it fails is said in its console.
  const context = await browser.newContext({ storageState: stateFile('coordinator') })
  const page = await context.newPage()
  const failed = page.getByRole('heading', { name: 'This page could not be drawn' })
  await page.clock.install()
  for (const how of ['opened', 'gone to']) {
    await page.goto('/kits/classes')
    await page.locator('html[data-listening]').waitFor({ state: 'attached' })
    const { isBack } = await databaseAway(demo)
    try {
      if (how === 'opened') await page.goto('/stores')
      else await page.getByRole('link', { name: 'Stores', exact: true }).click()
      await expect(failed).toBeVisible()
      // It is looked for, and is not there.
      const looked = page.waitForResponse('**/api/health')
      await page.clock.runFor(5_000)
      expect((await looked).status()).toBe(503)
    } finally {
      await isBack()
    }
    await expect.poll(async () => (await page.request.get('/api/health')).status()).toBe(200)
    if (how === 'opened') await page.getByRole('button', { name: 'Try again' }).click()
    else await page.clock.runFor(5_000)
    await expect(page.getByRole('heading', { level: 1, name: 'Stores' })).toBeVisible()
  }
  await context.close()
})

/** Enough for each way of being wrong at each door; `ORTHODEX_MALFORMED=20000` for an hour in which nobody waits. */
const MALFORMED = Number(process.env['ORTHODEX_MALFORMED'] ?? 2_000)

test('thousands of malformed requests are each told what is wrong, and none is a fault of ours', async ({
  baseURL,
}) => {
  // As many as they are, on a machine that is busy with other things.
  test.setTimeout(900_000)
  // In the venue of its own in which nothing stands: whatever may still be valid harms nobody.
  const signedIn = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile('newcomer') })
  const cookie = (await signedIn.storageState()).cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
  await signedIn.dispose()
  let state = 20_261_128
  const chance = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 4_294_967_296
  const pick = <Value>(list: readonly Value[]): Value => list[Math.floor(chance() * list.length)]!
  const id = () => pick([randomUUID(), 'heron', '', 7, null, '00000000-0000-0000-0000-000000000000'])
  const junk = (depth = 0): unknown =>
    pick<() => unknown>([
      () => null,
      () => pick([0, -1, 1e308, 2 ** 53, -0.5, 1e-300]),
      () => pick(['', 'x', '=1+1', 'ü'.repeat(300), '\u202Eabc', "'; drop table site; --", '2026-02-30T25:61:00Z']),
      () => chance() < 0.5,
      () => (depth > 3 ? [] : Array.from({ length: Math.floor(chance() * 4) }, () => junk(depth + 1))),
      () =>
        depth > 3
          ? {}
          : Object.fromEntries(
              Array.from({ length: Math.floor(chance() * 4) }, () => [
                pick(['machineId', 'kind', 'body', 'seats', 'plan', 'item', 'count', '__proto__', 'constructor', 'x']),
                junk(depth + 1),
              ]),
            ),
    ])()
  const { COMMANDS } = await import('@/store/commands/run')
  const routes = [
    ...Object.keys(COMMANDS).map((name) => `/api/commands/${name}`),
    '/api/commands/dance',
    ...['thread', 'needle-size', 'needle-fit', 'fabric', 'kit', 'thread-use', 'tension', 'wear', 'fault', 'wool'].map(
      (name) => `/api/compute/${name}`,
    ),
    '/api/machines/sheet',
    '/api/stores/sheet',
    '/api/kits/sheet',
    '/api/line',
    '/api/meter',
    `/api/sessions/${randomUUID()}/plan`,
    '/api/sessions/x/plan',
  ]
  const body = (): string =>
    pick<() => string>([
      () => JSON.stringify({ commandId: randomUUID(), body: junk() }),
      () =>
        JSON.stringify({ commandId: id(), body: { machineId: id(), happenedAt: junk(), kind: junk(), body: junk() } }),
      () => JSON.stringify(junk()),
      () => JSON.stringify({ commandId: randomUUID(), body: { text: 'a\u0000b' } }),
      () => '['.repeat(5_000),
      () => '{"commandId":',
      () => `{"commandId":"${randomUUID()}","body":${'{"body":'.repeat(70)}1${'}'.repeat(70)}}`,
      () => '',
    ])()
  const statuses = new Map<number, number>()
  const faults: string[] = []
  const agent = new Agent({ keepAlive: true, maxSockets: 24 })
  const post = (route: string, headers: Record<string, string>, text: string) =>
    new Promise<number>((resolve, reject) => {
      const sent = httpRequest(baseURL! + route, { method: 'POST', agent, headers }, (answer) =>
        answer.resume().on('end', () => resolve(answer.statusCode!)),
      )
      sent.on('error', reject).end(text)
    })
  const one = async () => {
    const route = pick(routes)
    const text = body()
    const headers = {
      'content-type': chance() < 0.97 ? 'application/json' : pick(['text/plain', 'text/csv', 'x', '']),
      ...(chance() < 0.95 && { cookie }),
    }
    const status = await post(route, headers, text)
    statuses.set(status, (statuses.get(status) ?? 0) + 1)
    if (status >= 500) faults.push(`${status} ${route} ${text.slice(0, 200)}`)
  }
  let sent = 0
  await Promise.all(
    Array.from({ length: 24 }, async () => {
      while (sent < MALFORMED) {
        sent += 1
        await one()
      }
    }),
  )
  agent.destroy()
  expect(faults.slice(0, 5)).toEqual([])
  expect([...statuses.values()].reduce((sum, count) => sum + count, 0)).toBeGreaterThanOrEqual(MALFORMED)
})

// The sign-in files of the other journeys stay good: nothing here signs them out.
test('whoever was signed in still is', async ({ baseURL }) => {
  expect(Object.keys(SIGN_INS)).toContain('coordinator')
  const request = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: stateFile('coordinator') })
  expect((await request.get('/room')).status()).toBe(200)
  await request.dispose()
})

test('a page that is opened asks for no other page before that is wanted', async ({ browser, baseURL }) => {
  const context = await browser.newContext({ baseURL: baseURL!, storageState: stateFile('coordinator') })
  const page = await context.newPage()
  const asked: string[] = []
  page.on('request', (request) => {
    const { pathname, searchParams } = new URL(request.url())
    if (searchParams.has('_rsc')) asked.push(pathname)
  })
  await page.goto('/room')
  await page.getByRole('link', { name: 'Kits', exact: true }).first().click()
  await expect(page).toHaveURL(/\/kits$/)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  expect(asked).toEqual(['/kits'])
  await context.close()
})

test('a copy that is told to end does so by itself, though a page is open on it and asks again', async ({
  browser,
  demo,
}) => {
  const second = await serve(demo.databaseUrl)
  const context = await browser.newContext({ baseURL: second.url, storageState: stateFile('helper') })
  const page = await context.newPage()
  const streams: string[] = []
  page.on('response', (response) => {
    if (response.headers()['content-type']?.startsWith('text/event-stream')) streams.push(response.url())
  })
  await page.goto('/room')
  await expect.poll(() => streams.length).toBe(1)
  await second.stop()
  // Not killed for having waited too long.
  expect(second.process.signalCode).toBeNull()
  await context.close()
})
