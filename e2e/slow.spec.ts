import type { BrowserContext, Page } from '@playwright/test'
import { expect, LEARNER, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }

/** A phone so slow that its pages are seen long before they listen. @returns what lets them listen */
async function heldBack(context: BrowserContext): Promise<() => void> {
  let listen = () => {}
  const held = new Promise<void>((resolve) => (listen = resolve))
  await context.route(/\/_next\/static\/.*\.js/, async (route) => {
    await held
    await route.continue()
  })
  return listen
}
const listensNot = (page: Page) => expect(page.locator('html[data-listening]')).toHaveCount(0)

test('a tap that something lies over by then is not done, and says so', async ({ page, browser }) => {
  const context = await browser.newContext({ ...PHONE, storageState: stateFile('learner') })
  const listen = await heldBack(context)
  const learner = await context.newPage()
  await page.goto('/stores')
  const opened = learner.goto('/station')
  const call = learner.getByRole('button', { name: 'Call somebody' })
  await call.tap()
  await expect(call).toHaveAttribute('data-touched', '')
  await learner.evaluate(() => {
    const over = document.body.appendChild(document.createElement('div'))
    over.style.cssText = 'position: fixed; inset: 0; z-index: 99'
  })
  listen()
  await opened
  await expect(learner.getByText('Call somebody: tapped before this page was ready')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Calls for help' }).getByRole('listitem')).toHaveCount(0)
  await context.close()
})

test('a tap on a page that is seen and does not listen yet is kept and done: a learner’s call reaches staff', async ({
  page,
  browser,
}) => {
  const context = await browser.newContext({ ...PHONE, storageState: stateFile('learner') })
  const listen = await heldBack(context)
  const learner = await context.newPage()
  await page.goto('/stores')
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await expect(calls.getByRole('listitem')).toHaveCount(0)

  const opened = learner.goto('/station/fault')
  const nest = learner.getByRole('button', { name: 'A nest underneath at the start' })
  await nest.tap()
  // Whoever taps again out of impatience meant it once.
  await nest.tap()
  await expect(nest).toHaveAttribute('data-touched', '')
  await listensNot(learner)
  listen()
  await opened
  await expect(learner.getByRole('button', { name: 'Not that' })).toBeVisible()
  await expect(learner.locator('[data-touched]')).toHaveCount(0)
  await learner.getByRole('button', { name: 'Call staff' }).first().tap()
  await expect(calls.getByRole('listitem')).toHaveCount(1)
  await context.close()
})

test('what is typed and sent before the page listens is sent once, and never by way of the address', async ({
  browser,
}) => {
  const context = await browser.newContext({ ...PHONE, storageState: { cookies: [], origins: [] } })
  const listen = await heldBack(context)
  const learner = await context.newPage()
  const opened = learner.goto('/enter')
  await learner.getByLabel('Class code').fill(LEARNER.classCode)
  await learner.getByLabel('First name').fill(LEARNER.firstName)
  await learner.keyboard.press('Enter')
  await expect(learner.getByRole('button', { name: 'Go to my seat' })).toHaveAttribute('data-touched', '')
  await listensNot(learner)
  expect(new URL(learner.url()).search).toBe('')
  listen()
  await opened
  await expect(learner.getByText('You sit at Curlew')).toBeVisible()
  await context.close()
})

test('a picture that is chosen early is chosen, and a field that is filled early is heard', async ({ browser }) => {
  const context = await browser.newContext({ ...PHONE, storageState: stateFile('learner') })
  const listen = await heldBack(context)
  const learner = await context.newPage()
  const opened = learner.goto('/station/swatch')
  const line = learner.getByRole('radio', { name: /line/ }).first()
  await learner.getByLabel('The dial stands at').fill('4.5')
  await line.locator('xpath=ancestor::label').tap()
  await expect(line).not.toBeChecked()
  await listensNot(learner)
  listen()
  await opened
  await expect(line).toBeChecked()
  await expect(learner.getByLabel('The dial stands at')).toHaveValue('4.5')
  await context.close()
})

test('a walk is quicker than a slow network: each tick is written, and none waits for another', async ({ page }) => {
  let land = () => {}
  const held = new Promise<void>((resolve) => (land = resolve))
  let sent = 0
  await page.route(/\/api\/commands\//, async (route) => {
    sent += 1
    await held
    await route.continue()
  })
  await page.goto('/room')
  await page.getByRole('link', { name: 'Before class' }).click()
  const done = page.getByRole('list', { name: 'Machines in walking order' }).getByRole('button', { name: /^Done at / })
  await expect(done.nth(2)).toBeVisible()
  const names = await done.evaluateAll((buttons) => buttons.slice(0, 3).map((each) => each.getAttribute('aria-label')!))
  for (const name of names) await page.getByRole('button', { name, exact: true }).click()
  await expect.poll(() => sent).toBe(3)
  land()
  for (const name of names) await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0)
})
