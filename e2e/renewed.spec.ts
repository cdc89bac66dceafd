import type { Page } from '@playwright/test'
import { expect, openMachine, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

/** As a server of the next build would answer: its line says so, and what it draws a page of another build cannot take. */
async function renewServer(page: Page): Promise<void> {
  const machineId = new URL(page.url(), 'http://room').pathname.split('/').at(-1)!
  const said = { now: new Date().toISOString(), whole: 'another', each: { [machineId]: 'another' } }
  const body = `retry: 300\nevent: beat\ndata: the-next-build\n\nevent: machines\ndata: ${JSON.stringify(said)}\n\n`
  await page.route('**/api/told*', (route) => route.fulfill({ contentType: 'text/event-stream', body }))
  await page.route(
    (url) => url.searchParams.has('_rsc'),
    (route) => route.fulfill({ contentType: 'text/html', body: 'drawn by the next build' }),
  )
}
const notice = (page: Page) => page.getByText('Orthodex was renewed since this page was opened')

test('a page over which the server was renewed keeps what was begun in it, and says so', async ({ page }) => {
  await openMachine(page, 'Heron')
  await page.getByRole('button', { name: 'Log' }).click()
  const line = page.getByLabel('A line for the book')
  await line.fill('heron oiled')
  await renewServer(page)
  // The line is made anew, as after a while in which nobody looked.
  for (const seen of ['hidden', 'visible'])
    await page.evaluate(async (now) => {
      Object.defineProperty(document, 'visibilityState', { value: now, configurable: true })
      document.dispatchEvent(new Event('visibilitychange'))
      await new Promise((resolve) => setTimeout(resolve, 50))
    }, seen)
  await expect(notice(page)).toBeAttached()
  await expect(line).toHaveValue('heron oiled')
  await page.keyboard.press('Escape')
  const loaded = page.waitForEvent('load')
  await page.unroute('**/api/told*')
  await page.getByRole('button', { name: 'Load the page anew' }).click()
  await loaded
  await expect(page.getByRole('heading', { level: 1, name: 'Heron' })).toBeVisible()
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await expect(notice(page)).toBeHidden()
})

for (const [what, path] of [
  ['a page that nobody has touched', '/room'],
  ['a screen on the wall', '/room/wall'],
] as const)
  test(`${what} is loaded anew by itself, and once only where the old server hands it out again`, async ({ page }) => {
    let loads = 0
    page.on('load', () => (loads += 1))
    await renewServer(page)
    await page.goto(path)
    await expect.poll(() => loads).toBe(2)
    await expect(notice(page)).toBeVisible()
    expect(loads).toBe(2)
  })
