import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Locator } from '@playwright/test'
import { freePort } from '@/bin/serve/private-cluster'
import { kitMachine } from '@/core/kit/kit-machine'
import { kitRequestFor } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { DEMO_MACHINES } from '@/practice/machines'
import { DEMO_PROJECTS } from '@/practice/projects'
import { DEMO_PASSWORD, DEMO_STAFF } from '@/practice/seed'
import { buildWhenChanged } from '../bin/serve/build'
import { startDemo } from '../bin/serve/demo'
import { CHROMIUM } from '@/bin/serve/chromium'

/**
 * Kits a second on one core, and how long the browser takes to show a kit anew while a property is dragged. Beside them,
 * in the same run: plain arithmetic on the same core, and a drag that changes nothing.
 */
const room = { rules: DEFAULT_HOUSE_RULES, dropTests: [] }
const machines = DEMO_MACHINES.map(({ traits }) => kitMachine(traits)).flatMap((known) =>
  'machine' in known ? [known.machine] : [],
)
const requests = DEMO_PROJECTS.flatMap((project) => machines.map((machine) => kitRequestFor(project, machine, room)))

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const ROUNDS = 9
const EACH = 3000

/** Millions of additions a second, so that a slow machine can be told from slow code. */
function arithmetic(): number {
  const start = performance.now()
  let sum = 0
  for (let i = 0; i < 20_000_000; i += 1) sum += i % 7
  return sum > 0 ? 20_000 / (performance.now() - start) : 0
}

const rates: number[] = []
/** what the core does in a second that it really has: other machines on the same host take a share of the clock's */
const ratesOfCpu: number[] = []
const base: number[] = []
for (let round = 0; round < ROUNDS; round += 1) {
  base.push(arithmetic())
  const [start, cpu] = [performance.now(), process.cpuUsage()]
  for (let i = 0; i < EACH; i += 1) computeKit(requests[i % requests.length]!)
  rates.push((EACH / (performance.now() - start)) * 1000)
  ratesOfCpu.push((EACH / process.cpuUsage(cpu).user) * 1e6)
}
console.log(`baseline: additions on one core                ${median(base).toFixed(0)} million a second`)
console.log(
  `kits computed, one core                        ${Math.round(median(rates))} a second by the clock, ${Math.round(median(ratesOfCpu))} a second of processor time, best round ${Math.round(Math.max(...rates))}   budget 5000`,
)

const project = process.cwd()
buildWhenChanged(project)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-bench-'))
chmodSync(folder, 0o755)
const demo = await startDemo(project, folder, { port: await freePort() })
const browser = await chromium.launch({ executablePath: CHROMIUM })
try {
  const page = await browser.newPage({ baseURL: demo.url })
  await page.request.post('/api/sign-in/sign-in/email', {
    data: { email: DEMO_STAFF[0].email, password: DEMO_PASSWORD },
    headers: { origin: demo.url },
  })
  await page.goto('/kits')
  await page.getByRole('link', { name: /Lotta/ }).click()
  await drag(page.getByLabel('Mass, dragged'), 'a kit shown anew as the mass is dragged', {
    from: 60,
    to: 560,
    step: 5,
  })
  await page.goto('/lab')
  await drag(page.getByRole('slider', { name: 'Dial' }), 'the lab redrawn as the dial is dragged', {
    from: 0,
    to: 9,
    step: 0.5,
  })
} finally {
  await browser.close()
  await demo.stop()
  rmSync(folder, { recursive: true, force: true })
}

/** How long the page is busy with each move of a slider; beside it one that changes nothing. Sixty a second leave 16 ms. */
async function drag(
  slider: Locator,
  name: string,
  range: { readonly from: number; readonly to: number; readonly step: number },
): Promise<void> {
  await slider.waitFor()
  for (const [title, drags] of [
    ['baseline: a drag that changes nothing', false],
    [name, true],
  ] as const) {
    const times = await slider.evaluate(
      (element: HTMLInputElement, { from, to, step, moving }) => {
        const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!
        const marks = Math.floor((to - from) / step) + 1
        const taken: number[] = []
        for (let i = 0; i < 240; i += 1) {
          const start = performance.now()
          value.set!.call(element, String(moving ? from + (i % marks) * step : from))
          element.dispatchEvent(new Event('input', { bubbles: true }))
          taken.push(performance.now() - start)
        }
        return taken.slice(40)
      },
      { ...range, moving: drags },
    )
    const sorted = [...times].sort((a, b) => a - b)
    const at = (share: number) => sorted[Math.floor(sorted.length * share)]!.toFixed(1).padStart(6)
    console.log(`${title.padEnd(46)} p50 ${at(0.5)} ms   p95 ${at(0.95)} ms   ${drags ? 'budget 16 ms' : ''}`)
  }
}
