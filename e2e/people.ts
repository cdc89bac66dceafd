import { expect, test as base, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test'
import { DEMO_CLASS_CODE, DEMO_PASSWORD, DEMO_STAFF } from '@/practice/seed'
import { EMPTY_VENUE } from '@/bin/serve/empty-venue'
import { demoServer, FOLDER, type DemoCopy } from './demo-copy'

export type Who = 'coordinator' | 'instructor' | 'helper' | 'learner' | 'newcomer'

export const SIGN_INS: Readonly<Record<Exclude<Who, 'learner'>, { email: string; password: string }>> = {
  coordinator: { email: DEMO_STAFF[0].email, password: DEMO_PASSWORD },
  instructor: { email: DEMO_STAFF[1].email, password: DEMO_PASSWORD },
  helper: { email: DEMO_STAFF[2].email, password: DEMO_PASSWORD },
  /** the coordinator of a venue in which nothing stands yet */
  newcomer: EMPTY_VENUE,
}
export const LEARNER = { classCode: DEMO_CLASS_CODE, firstName: 'Chidi' }

export const stateFile = (who: Who, folder = FOLDER): string => `${folder}/signed-in-${who}.json`

/** A tap on a page that does not listen yet can be lost, and a person taps again; a journey waits. */
export const listens = (page: Page) => page.locator('html[data-listening]').waitFor({ state: 'attached' })

/** Whoever opens a page, by whichever of the two ways: it is theirs when it listens. */
function openedListening(page: Page): Page {
  const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)]
  page.goto = async (...where) => {
    const answer = await goto(...where)
    if (answer?.ok() && answer.headers()['content-type']?.startsWith('text/html')) await listens(page)
    return answer
  }
  page.reload = async (...how) => {
    const answer = await reload(...how)
    if (answer?.ok()) await listens(page)
    return answer
  }
  return page
}

function pagesListen(browser: Browser): Browser {
  const newContext = browser.newContext.bind(browser)
  browser.newContext = async (options) => {
    const context: BrowserContext = await newContext(options)
    const newPage = context.newPage.bind(context)
    context.newPage = async () => openedListening(await newPage())
    return context
  }
  return browser
}

/** One demo for each file, there when its first test begins. */
interface Demos {
  of(file: string): Promise<DemoCopy>
}

/** Tests that say who they are, at a demo of their file's own; anything the page logs as an error fails them. */
export const test = base.extend<{ demo: DemoCopy; quiet: void }, { demos: Demos }>({
  demos: [
    // Playwright reads from the pattern what a fixture needs: this one needs nothing.
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, { workerIndex }) => {
      const server = await demoServer(workerIndex)
      let now: { readonly file: string; readonly copy: DemoCopy } | undefined
      await use({
        of: async (file) => {
          if (now?.file !== file) now = { file, copy: await server.anew() }
          return now.copy
        },
      })
      await server.end()
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  demo: [async ({ demos }, use, { file }) => use(await demos.of(file)), { timeout: 60_000 }],
  baseURL: async ({ demo }, use) => use(demo.url),
  browser: [async ({ browser }, use) => use(pagesListen(browser)), { scope: 'worker' }],
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = []
      page.on('pageerror', (error) => errors.push(error.message))
      page.on('console', (message) => {
        // A refused write answers 4xx on purpose; the browser logs that by itself. Without a network a page is taken whole.
        const expected = /^Failed to (load resource|fetch RSC payload)/
        if (message.type() === 'error' && !expected.test(message.text())) errors.push(message.text())
      })
      await use()
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})

/** Where the machines of a file's demo are, as whoever has been at one knows. */
const machines = new Map<string, string>()

/** Through the room the first time, and straight from then on. */
export const openMachine = async (page: Page, name: string): Promise<void> => {
  const key = `${test.info().file} ${name}`
  const address = machines.get(key)
  await page.goto(address ?? '/room')
  if (!address)
    await page
      .getByRole('link', { name: new RegExp(`^${name}, `) })
      .first()
      .click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
  await expect(page.locator('html[data-listening]')).toBeAttached()
  machines.set(key, new URL(page.url()).pathname)
}

export { expect }

/** Opens the line from anywhere. A key that is pressed before the page listens is lost, as a person's is: it is pressed again. */
export async function openLine(page: Page): Promise<Locator> {
  const line = page.getByLabel('A line for the book')
  await expect(async () => {
    if (!(await line.isVisible())) await page.keyboard.press('/')
    await expect(line).toBeVisible({ timeout: 3_000 })
  }).toPass()
  return line
}

/** Says of every station of a check that it is as drawn. @returns how many taps that took */
export async function allAsDrawn(page: Page): Promise<number> {
  const stations = page.getByRole('button', { name: /^(As drawn|All so): / })
  await expect(stations.first()).toBeVisible()
  const count = await stations.count()
  for (let index = 0; index < count; index += 1) {
    await stations.nth(index).click()
    await expect(stations.nth(index)).toHaveAttribute('aria-pressed', 'true')
  }
  return count
}

/** Choosing a picture as a finger does it: on the picture, once it stands still. */
export const choosePicture = async (within: Page | Locator, name: string | RegExp): Promise<void> => {
  const radio = within.getByRole('radio', { name })
  await radio.locator('xpath=ancestor::label').click()
  await expect(radio).toBeChecked()
}
