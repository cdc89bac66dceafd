import { chromium, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test'
import { DEMO_CLASS_CODE } from '@/practice/seed'
import { demoCopies } from './demo-copies'
import { CHROMIUM } from '@/bin/serve/chromium'

/**
 * What a person waits for on their own screen, by the browser's own clock: first view and taps on a phone that is four times
 * slower than this machine, the lab while its dial is dragged, and plans as they come. Every first view is without a cache.
 * `npm run bench:screens`
 */
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const
const DESK = { viewport: { width: 1280, height: 800 } } as const
const SLOWER = 4

const demo = await demoCopies('coordinator', 1)
const copy = await demo.copy()
const { url } = copy
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox'],
})

type Who = 'nobody' | 'learner' | 'staff'
async function signedIn(who: Who, size: Parameters<Browser['newContext']>[0]): Promise<BrowserContext> {
  const context = await browser.newContext({ ...size, baseURL: url, serviceWorkers: 'block' })
  const headers = { origin: url }
  const answer =
    who === 'learner'
      ? await context.request.post('/api/sign-in/station', {
          data: { classCode: DEMO_CLASS_CODE, firstName: 'Chidi' },
          headers,
        })
      : who === 'staff'
        ? await context.request.post('/api/sign-in/sign-in/email', {
            data: { email: 'person0@bench.example', password: 'a-password-for-the-bench' },
            headers,
          })
        : undefined
  if (answer && !answer.ok()) throw new Error(`${who}: ${answer.status()} ${await answer.text()}`)
  await context.addInitScript(watch)
  return context
}

interface Watched {
  view: number
  taps: number[]
  asked: number[]
  drawn: number[]
  /** how often a slider stood at another mark */
  turned: number
}
/** Runs in the page before anything else: the largest paint, how long each tap took until it was seen, and pictures as they come. */
function watch(): void {
  const seen: Watched = { view: 0, taps: [], asked: [], drawn: [], turned: 0 }
  Object.assign(window, { seen })
  addEventListener('input', () => (seen.turned += 1), true)
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) seen.view = entry.startTime
  }).observe({ type: 'largest-contentful-paint', buffered: true })
  const taps: PerformanceObserverInit & { durationThreshold: number } = {
    type: 'event',
    buffered: true,
    durationThreshold: 16,
  }
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries())
      if (/^(pointer(down|up)|click|key(down|up)|input|change)$/.test(entry.name)) seen.taps.push(entry.duration)
  }).observe(taps)
  // No function gets a name here: what runs this file would mark it with a helper that the page has not.
  for (const [of, method, when] of [
    [Worker.prototype, 'postMessage', seen.asked],
    [CanvasRenderingContext2D.prototype, 'putImageData', seen.drawn],
  ] as const)
    Reflect.set(
      of,
      method,
      new Proxy(Reflect.get(of, method) as (...rest: unknown[]) => unknown, {
        apply(to, self, rest) {
          when.push(performance.now())
          return to.apply(self, rest)
        },
      }),
    )
}
const seenBy = (page: Page): Promise<Watched> => page.evaluate(() => (window as unknown as { seen: Watched }).seen)

async function opened(context: BrowserContext, slower: number, path: string): Promise<Page> {
  const page = await context.newPage()
  const session = await context.newCDPSession(page)
  await session.send('Network.setCacheDisabled', { cacheDisabled: true })
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower })
  await page.goto(path, { waitUntil: 'networkidle' }).catch(() => undefined)
  // The browser tells of a paint a moment after it.
  await page.waitForFunction(() => (window as unknown as { seen: Watched }).seen.view > 0)
  return page
}

/** A finger at a place of the screen: what drives the page looks for that place before, and not while it is timed. */
async function touched(page: Page, target: Locator): Promise<void> {
  await target.scrollIntoViewIfNeeded()
  const box = (await target.boundingBox())!
  await page.waitForTimeout(500)
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2)
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN
const print = (name: string, figure: number, unit: string, budget: string): void =>
  console.log(`${name.padEnd(52)} ${figure.toFixed(0).padStart(6)} ${unit.padEnd(4)} ${budget}`)

const VIEWS: readonly (readonly [string, Who, string])[] = [
  ['nothing but a form: signing in', 'nobody', '/sign-in'],
  ['a learner’s seat', 'learner', '/station'],
  ['the fault finder at the seat', 'learner', '/station/fault'],
  ['reading a swatch at the seat', 'learner', '/station/swatch'],
  ['the room now', 'staff', '/room/now'],
  ['the room', 'staff', '/room'],
  ['the rack of bags', 'staff', '/kits'],
]
const OPENED_TIMES = 5

try {
  for (const [name, who, path] of VIEWS) {
    const views: number[] = []
    for (let time = 0; time < OPENED_TIMES; time += 1) {
      const context = await signedIn(who, PHONE)
      const page = await opened(context, SLOWER, path)
      views.push((await seenBy(page)).view)
      await context.close()
    }
    print(`first view, slowed phone: ${name}`, middle(views), 'ms', 'budget 2500 ms')
  }

  const learner = await signedIn('learner', PHONE)
  const tapped = async (name: string, path: string, taps: (page: Page) => Promise<void>) => {
    const page = await opened(learner, SLOWER, path)
    // A page that has put itself together; what is tapped before that waits for it.
    await page.waitForTimeout(2500)
    await taps(page)
    // An event is told of once it was painted.
    await page.waitForTimeout(600)
    const { taps: took } = await seenBy(page)
    print(`a tap, slowed phone: ${name}, slowest of ${took.length}`, Math.max(0, ...took), 'ms', 'budget 200 ms')
    await page.close()
  }
  await tapped('nothing that does anything, as a measure', '/lab/words', (page) =>
    touched(page, page.getByRole('heading', { level: 1 })),
  )
  await tapped('a symptom is chosen', '/station/fault', (page) =>
    touched(page, page.getByRole('button', { name: 'A nest underneath at the start' })),
  )
  await tapped('what a swatch shows', '/station/swatch', async (page) => {
    for (const radio of (await page.getByRole('radio').all()).slice(0, 4)) {
      await radio.check({ force: true })
      await page.waitForTimeout(900)
    }
  })
  await tapped('the trainer’s next exercise', '/lab/trainer', (page) =>
    touched(page, page.locator('[aria-current=step]')),
  )
  await learner.close()

  for (const [slower, size, whose] of [
    [1, DESK, 'this machine'],
    [SLOWER, PHONE, 'slowed phone'],
  ] as const) {
    const context = await signedIn('staff', size)
    const page = await opened(context, slower, '/lab')
    const until = (count: number) =>
      page.waitForFunction((least) => (window as unknown as { seen: Watched }).seen.drawn.length >= least, count)
    await until(1)
    const first = await seenBy(page)
    print(`the lab, ${whose}: first picture, after the first view`, first.drawn[0]! - first.view, 'ms', 'no budget')
    const dial = page.getByRole('slider', { name: 'Dial' }).first()
    await page.waitForTimeout(2000)
    const still = await seenBy(page)
    await dial.press('ArrowRight')
    await until(still.drawn.length + 1)
    const turned = await seenBy(page)
    const late = turned.drawn[still.drawn.length]! - turned.asked[still.asked.length]!
    print(`the lab, ${whose}: a picture, once asked for`, late, 'ms', 'budget 100 ms')
    const box = (await dial.boundingBox())!
    await page.mouse.move(box.x + 12, box.y + box.height / 2)
    await page.mouse.down()
    const before = await seenBy(page)
    const began = Date.now()
    // Quickly enough that nearly every move is another mark: a dial that stands still asks for no picture.
    for (let step = 0; Date.now() - began < 4000; step += 1)
      await page.mouse.move(box.x + 12 + (box.width - 24) * (0.5 - 0.5 * Math.cos(step / 3)), box.y + box.height / 2)
    const seconds = (Date.now() - began) / 1000
    await page.mouse.up()
    const faces = 2
    const after = await seenBy(page)
    const drawn = (after.drawn.length - before.drawn.length) / faces / seconds
    print(`the lab, ${whose}: other marks while dragged`, (after.turned - before.turned) / seconds, '/s', 'no budget')
    print(`the lab, ${whose}: pictures of each face while dragged`, drawn, '/s', 'aim 30 /s')
    await context.close()
  }

  const staff = await signedIn('staff', DESK)
  const page = await opened(staff, 1, '/sessions')
  // The first plan of a process compiles what the next ones find compiled.
  for (const [index, which] of ['the first since the start', 'any later one'].entries()) {
    await page.goto('/sessions')
    await page.getByRole('link', { name: /^Thu / }).nth(index).click()
    const plan = page.getByRole('region', { name: 'The plan' })
    const tap = plan.getByRole('button', { name: /^Plan/ })
    await tap.waitFor()
    const began = performance.now()
    await tap.click()
    await plan
      .getByText(/of [0-9]+ seated/)
      .first()
      .waitFor({ timeout: 60_000 })
    print(`a session, ${which}: first plan on the screen`, performance.now() - began, 'ms', 'budget 1000 ms')
    await plan.getByText('Proved').waitFor({ timeout: 60_000 })
    print(`a session, ${which}: proved, on the screen`, performance.now() - began, 'ms', 'budget 3000 ms')
  }

  await page.goto('/sessions')
  await page
    .getByRole('link', { name: /week by week/ })
    .first()
    .click()
  const weeks = page.getByRole('listitem').filter({ hasText: 'minutes of changeovers' })
  const asked = performance.now()
  await page.getByRole('button', { name: 'Plan to the end' }).click()
  await weeks.first().waitFor({ timeout: 120_000 })
  print('six weeks: the first of them on the screen', performance.now() - asked, 'ms', 'no budget')
  await weeks.nth(5).waitFor({ timeout: 120_000 })
  print('six weeks: all of them on the screen', performance.now() - asked, 'ms', 'budget 15000 ms')
} finally {
  await browser.close()
  await copy.stop()
  await demo.stop()
}
process.exit(0)
