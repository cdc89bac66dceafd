import type { Page } from '@playwright/test'
import { expect, openLine, openMachine, SIGN_INS, stateFile, test } from './people'

/** A tablet on the workshop's wireless network: now it is there, now it is not. Nothing typed is lost, nothing lands twice. */
test.use({ storageState: stateFile('helper') })

const WRITES = '**/api/commands/log'
/** What waits is tried again by itself, every ten seconds: they go by at once. */
const soon = (page: Page) => page.clock.runFor(10_000)

test.describe('a note that is written', () => {
  let text: string
  test.beforeEach(async ({ page }, { title }) => {
    text = `The pedal sticks a little (${title.length})`
    await page.clock.install()
    await openMachine(page, 'Plover')
    await page.getByRole('button', { name: 'Note …' }).click()
    await page.getByLabel('Note', { exact: true }).fill(text)
  })
  const lines = (page: Page) => page.getByRole('list', { name: 'Lines of the book, newest first' }).getByText(text)

  test('while the server is away is kept on the device, and lands by itself when it is back', async ({ page }) => {
    let tries = 0
    await page.route(WRITES, (route) => {
      tries += 1
      return route.abort()
    })
    await page.getByRole('button', { name: 'Write it down' }).click()
    const waits = page.getByRole('region', { name: 'What waits' })
    await expect(waits).toContainText('1 line waits for the network')
    expect(tries).toBeGreaterThanOrEqual(3)
    await page.reload()
    await expect(waits).toContainText('1 line waits for the network')
    await page.unroute(WRITES)
    await soon(page)
    await expect(lines(page)).toHaveCount(1)
    await expect(waits).toHaveCount(0)
    await page.reload()
    await expect(lines(page)).toHaveCount(1)
  })

  test('where a guest network answers in the place of the room, and sounds content, waits all the same', async ({
    page,
  }) => {
    let tries = 0
    await page.route(WRITES, (route) => {
      tries += 1
      return route.fulfill({ contentType: 'text/html', body: '<h1>Welcome to our guest network</h1>' })
    })
    await page.getByRole('button', { name: 'Write it down' }).click()
    const waits = page.getByRole('region', { name: 'What waits' })
    await expect(waits).toContainText('1 line waits for the network')
    const before = tries
    await page.reload()
    await expect.poll(() => tries).toBeGreaterThan(before)
    await expect(waits).toContainText('1 line waits for the network')
    await page.unroute(WRITES)
    await soon(page)
    await expect(lines(page)).toHaveCount(1)
    await expect(waits).toHaveCount(0)
  })

  test('and whose answer is lost on the way back lands once', async ({ page }) => {
    let sent = 0
    await page.route(WRITES, async (route) => {
      sent += 1
      if (sent > 1) return route.continue()
      // It reaches the server, and the answer does not reach the tablet.
      await route.fetch()
      return route.abort()
    })
    await page.getByRole('button', { name: 'Write it down' }).click()
    // The line may be told of before its answer has been asked for again.
    await expect(lines(page)).toHaveCount(1)
    await expect.poll(() => sent).toBe(2)
    await page.reload()
    await expect(lines(page)).toHaveCount(1)
  })

  test('while the server has a fault of its own is tried again, and refused only when it stays', async ({ page }) => {
    await page.route(WRITES, (route) =>
      route.fulfill({
        status: 500,
        contentType: 'application/json',
        body: JSON.stringify({ error: { code: 'our-fault', message: 'Something went wrong here.', path: '' } }),
      }),
    )
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'still here; try again' })).toBeVisible()
    await expect(page.getByLabel('Note', { exact: true })).toHaveValue(text)
  })

  test('when one was signed out meanwhile waits where it was typed until one is signed in again', async ({
    page,
    context,
    baseURL,
  }) => {
    await context.clearCookies()
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'what you typed is still here' })).toBeVisible()
    await expect(page.getByLabel('Note', { exact: true })).toHaveValue(text)

    const beside = context.waitForEvent('page')
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    const door = await beside
    await door.getByLabel('Email').fill(SIGN_INS.helper.email)
    await door.getByLabel('Password').fill(SIGN_INS.helper.password)
    await door.getByRole('button', { name: 'Sign in', exact: true }).click()
    await door.waitForURL(`${baseURL}/room`)
    await door.close()

    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(lines(page)).toHaveCount(1)
  })

  test('with two quick taps lands once', async ({ page }) => {
    await page.getByRole('button', { name: 'Write it down' }).dblclick()
    await expect(lines(page)).toHaveCount(1)
    await page.reload()
    await expect(lines(page)).toHaveCount(1)
  })
})

test('a line typed from anywhere waits through a reload of the page', async ({ page }) => {
  await page.goto('/room')
  await (await openLine(page)).fill('plover cleaned')
  await page.reload()
  await expect(await openLine(page)).toHaveValue('plover cleaned')
  await page.getByLabel('A line for the book').fill('')
})

test('a line that is taken back while the network is away: one that nobody has seen is dropped, one in the book is corrected later', async ({
  page,
}) => {
  await page.clock.install()
  await openMachine(page, 'Plover')
  const book = page.getByRole('list', { name: 'Lines of the book, newest first' })
  const write = async (text: string) => {
    await page.getByRole('button', { name: 'Note …' }).click()
    await page.getByLabel('Note', { exact: true }).fill(text)
    await page.getByRole('button', { name: 'Write it down' }).click()
  }
  await write('The lamp flickers')
  await expect(book.getByText('The lamp flickers')).toBeVisible()
  const waits = page.getByRole('region', { name: 'What waits' })

  await page.route(WRITES, (route) => route.abort())
  await write('Written at the wrong machine')
  await expect(waits).toContainText('1 line waits for the network')
  const told = page.getByRole('listitem').filter({ hasText: 'nobody else sees it until the network is back' })
  // The way back is as tall as a finger.
  const undo = told.getByRole('button', { name: 'Undo' })
  expect((await undo.boundingBox())!.height).toBeGreaterThanOrEqual(44)
  await undo.click()
  await expect(waits).toHaveCount(0)

  const lamp = book.getByRole('listitem').filter({ hasText: 'The lamp flickers' })
  await lamp.getByRole('button', { name: /^Correct: / }).click()
  await page.getByLabel('What was wrong?').fill('It was a neighbour’s lamp')
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(waits).toContainText('1 line waits for the network')
  await page.unroute(WRITES)
  await soon(page)
  await expect(waits).toHaveCount(0)
  await page.reload()
  await expect(book).toContainText('It was a neighbour’s lamp')
  await expect(book.getByText('Written at the wrong machine')).toHaveCount(0)
})

test('a line that is typed faster than the room’s words come is written once they are there', async ({ page }) => {
  await page.goto('/room')
  let answer = () => {}
  const held = new Promise<void>((resolve) => (answer = resolve))
  await page.route('**/api/line', async (route) => {
    await held
    await route.continue()
  })
  const line = await openLine(page)
  await line.fill('plover bobbin 2')
  await page.keyboard.press('Enter')
  await expect(line).toHaveValue('plover bobbin 2')
  answer()
  await expect(line).toBeHidden()
  await openMachine(page, 'Plover')
  await expect(page.getByRole('list', { name: 'Lines of the book, newest first' })).toContainText('2 bobbins wound')
})

test('whoever signs out while the server is away is told that they are signed in still, and is not as soon as it is back', async ({
  browser,
  baseURL,
}) => {
  // A sign-in of their own: the one that other journeys share is not ended.
  const context = await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  await context.request.post('/api/sign-in/sign-in/email', { data: SIGN_INS.helper, headers: { origin: baseURL! } })
  const [page, beside] = [await context.newPage(), await context.newPage()]
  await beside.goto('/kits')
  await page.goto('/room')
  await context.route('**/api/sign-in/sign-out', (route) =>
    route.fulfill({ status: 502, body: '<h1>Bad gateway</h1>' }),
  )
  await page.getByRole('button', { name: 'Sign out' }).click()
  for (const each of [page, beside])
    await expect(each.getByRole('alert').filter({ hasText: 'You are still signed in on this device' })).toBeVisible()
  await beside.keyboard.press('Escape')
  await beside.keyboard.press('Escape')
  await expect(beside.getByText('You are still signed in on this device')).toBeVisible()
  // Whoever opens it again in between finds it so, too.
  await page.goto('/room')
  await expect(page.getByText('You are still signed in on this device')).toBeVisible()
  await context.unroute('**/api/sign-in/sign-out')
  for (const each of [page, beside]) await each.waitForURL('**/sign-in')
  await page.goto('/room')
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()
  // And whoever signs in next stays.
  await page.getByLabel('Email').fill(SIGN_INS.helper.email)
  await page.getByLabel('Password').fill(SIGN_INS.helper.password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.waitForURL('**/room')
  await page.reload()
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await context.close()
})
