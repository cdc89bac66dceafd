import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, request as playwrightRequest, type Browser } from '@playwright/test'
import { startServer, type RunningServer } from '@/bin/serve/next-server'
import { freePort } from '@/bin/serve/private-cluster'
import { listens as takesCalls } from '@/bin/serve/pooler'
import { EMPTY_VENUE } from '@/bin/serve/empty-venue'
import { FOLDER, SECRET } from './demo-copy'
import { expect, LEARNER, listens, SIGN_INS, test } from './people'
import { CHROMIUM } from '@/bin/serve/chromium'

/** The proxy that ships, as it stands but for its ports and its certificate, in front of two copies. */
const HOST = 'room.example'
let folder: string
let port: number
let copies: RunningServer[] = []
/** Starts a copy where one stood, or a new one. */
let copy: (port?: number) => Promise<RunningServer>
let browser: Browser
let nginx: ChildProcess
let origin: string

test.beforeAll(async ({ demos }, { file }) => {
  const { databaseUrl } = await demos.of(file)
  folder = mkdtempSync(join(tmpdir(), 'orthodex-proxy-'))
  const [key, certificate] = [join(folder, 'key.pem'), join(folder, 'certificate.pem')]
  const self = ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '1', '-subj', `/CN=${HOST}`]
  execFileSync('openssl', [...self, '-keyout', key, '-out', certificate], { stdio: 'ignore' })
  const [plain, secure] = [await freePort(), await freePort()]
  port = secure
  origin = `https://${HOST}:${secure}`
  copy = async (at) =>
    startServer(
      process.cwd(),
      { DATABASE_URL: databaseUrl, ORTHODEX_SECRET: SECRET, ORTHODEX_ORIGIN: origin, ORTHODEX_PROXIES: '1' },
      { port: at ?? (await freePort()), journal: join(FOLDER, 'proxied.log') },
    )
  copies = [await copy(), await copy()]
  const servers = copies.map(({ url }) => `server ${new URL(url).host} max_fails=0;`).join(' ')
  const changed: readonly (readonly [string, string])[] = [
    ['server 127.0.0.1:3600 max_fails=0;', servers],
    ['listen 80;', `listen 127.0.0.1:${plain};`],
    ['listen 443 ', `listen 127.0.0.1:${secure} `],
    [`/etc/ssl/${HOST}.pem`, certificate],
    [`/etc/ssl/${HOST}.key`, key],
  ]
  const site = changed.reduce(
    (text, [from, to]) => {
      if (!text.includes(from)) throw new Error(`proxy.conf has no "${from}"`)
      return text.replace(from, to)
    },
    readFileSync('deploy/proxy.conf', 'utf8'),
  )
  writeFileSync(join(folder, 'site.conf'), site)
  const own = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((each) => `${each}_temp_path ${folder}/${each};`)
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; worker_processes 1; pid ${folder}/pid; error_log ${folder}/error.log;
events {} http { access_log off; ${own.join(' ')} include ${folder}/site.conf; }`,
  )
  nginx = spawn('/usr/sbin/nginx', ['-c', join(folder, 'nginx.conf')], { stdio: 'inherit' })
  await expect.poll(() => takesCalls(secure), { timeout: 20_000 }).toBe(true)
  browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [`--host-resolver-rules=MAP ${HOST} 127.0.0.1`, '--ignore-certificate-errors'],
  })
})
test.afterAll(async () => {
  await browser?.close()
  nginx?.kill('SIGTERM')
  for (const copy of copies) await copy.stop()
  rmSync(folder, { recursive: true, force: true })
})

/** Somebody who reaches the proxy at this machine and believes that it is the venue's. */
const caller = (headers: Record<string, string> = {}) =>
  playwrightRequest.newContext({
    baseURL: `https://127.0.0.1:${port}`,
    ignoreHTTPSErrors: true,
    extraHTTPHeaders: { host: `${HOST}:${port}`, origin, ...headers },
  })

/** Somebody at a device of their own, in a browser that knows where the venue's name leads. */
async function signedIn(path: string, data: object, serviceWorkers: 'allow' | 'block' = 'block') {
  const context = await browser.newContext({ baseURL: origin, ignoreHTTPSErrors: true, serviceWorkers })
  // In a browser of one's own nothing says where a journey stands that waits for ever.
  context.setDefaultTimeout(60_000)
  const page = await context.newPage()
  await page.goto('/sign-in')
  const status = await page.evaluate(
    async ([door, body]) =>
      (await fetch(door!, { method: 'POST', headers: { 'content-type': 'application/json' }, body: body! })).status,
    [path, JSON.stringify(data)],
  )
  expect(status).toBe(200)
  return page
}
const staffSignedIn = (serviceWorkers?: 'allow') =>
  signedIn('/api/sign-in/sign-in/email', SIGN_INS.instructor, serviceWorkers)

test('behind the proxy that ships, a call reaches staff by an open stream, and a copy that ends takes nobody’s page with it', async () => {
  const staff = await staffSignedIn()
  const cookies = await staff.context().cookies()
  expect(cookies.length).toBeGreaterThan(0)
  expect(cookies.every(({ secure, httpOnly }) => secure && httpOnly)).toBe(true)
  await staff.goto('/stores')
  await listens(staff)
  const calls = staff.getByRole('region', { name: 'Calls for help' })
  const learner = await signedIn('/api/sign-in/station', LEARNER)
  const call = async () => {
    await learner.goto('/station/fault')
    await listens(learner)
    await learner.getByRole('button', { name: 'Skipped stitches' }).click()
    await learner.getByRole('button', { name: 'Call staff' }).first().click()
    // Well before a stream would speak by itself: nothing is kept back on its way.
    await expect(calls.getByRole('listitem')).toContainText('Chidi calls at Curlew', { timeout: 8_000 })
  }
  await call()
  await learner.getByRole('button', { name: 'I need nobody any more' }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)

  await copies[0]!.stop()
  // Whatever was open to it opens again at the other one.
  await call()
  await staff.goto('/room')
  await expect(staff.getByRole('link', { name: /^Chidi calls\. Curlew/ })).toBeVisible()

  // An upgrade, one copy after the other: what was away a moment ago is asked as soon as it is back.
  copies[0] = await copy(Number(new URL(copies[0]!.url).port))
  await copies[1]!.stop()
  const here = await caller()
  for (let asked = 0; asked < 4; asked += 1) expect((await here.get('/livez')).status()).toBe(200)
  await here.dispose()
  copies[1] = await copy(Number(new URL(copies[1]!.url).port))
})

test('a copy keeps a line for longer than the proxy does, which would take one that is being closed', async () => {
  const kept = /keepalive_timeout (\d+)s;/.exec(readFileSync('deploy/proxy.conf', 'utf8'))
  const answer = await fetch(`${copies[0]!.url}/livez`)
  const keptByCopy = /timeout=(\d+)/.exec(answer.headers.get('keep-alive') ?? '')
  expect(Number(keptByCopy?.[1])).toBeGreaterThan(Number(kept?.[1]))
})

test('while no copy is there a page says so, and opens by itself as soon as one is', async () => {
  const wall = await staffSignedIn()
  const tablet = await staffSignedIn('allow')
  await tablet.goto('/room')
  await expect(tablet.locator('html[data-kept]')).toBeAttached()
  // From then on it keeps what is opened.
  await tablet.goto('/room')
  await listens(tablet)
  const ports = copies.map(({ url }) => Number(new URL(url).port))
  for (const each of copies) await each.stop()

  await wall.goto('/room/now')
  await expect(wall.getByRole('heading', { name: 'The room’s server is not there just now' })).toBeVisible()
  // A device that keeps pages shows what it kept, and where it kept nothing a page that names the way back.
  await tablet.goto('/room')
  await expect(tablet.getByRole('link', { name: /Curlew/ }).first()).toBeVisible()
  await tablet.goto('/stores')
  await expect(tablet.getByRole('heading', { name: 'This page is not on this device' })).toBeVisible()

  copies = await Promise.all(ports.map((at) => copy(at)))
  await expect(wall.getByRole('heading', { level: 1, name: 'Now' })).toBeVisible()
  await expect(tablet.getByRole('heading', { name: 'This page is not on this device' })).toBeHidden()
})

test('the proxy believes nobody’s word for where they come from, and shows no figures of the server', async () => {
  const wrong = { email: EMPTY_VENUE.email, password: 'not-the-right-one' }
  const tries: number[] = []
  for (let index = 0; index < 14; index += 1) {
    const stranger = await caller({ 'x-forwarded-for': `203.0.113.${index}` })
    tries.push((await stranger.post('/api/sign-in/sign-in/email', { data: wrong })).status())
    await stranger.dispose()
  }
  expect([tries[0], tries.at(-1)]).toEqual([401, 429])
  const stranger = await caller()
  expect((await stranger.get('/metrics')).status()).toBe(403)
  const page = await stranger.get('/sign-in')
  expect(page.headers()['strict-transport-security']).toContain('max-age')
  await stranger.dispose()
})
