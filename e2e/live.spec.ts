import { connect, createServer, type AddressInfo, type Socket } from 'node:net'
import type { APIRequestContext, Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { SPOKEN_QUESTIONS } from '@/core/knowledge/tension/spoken'
import { EXERCISES } from '@/core/trainer/exercises'
import { allAsDrawn, expect, LEARNER, openLine, SIGN_INS, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

const lostLine = (page: Page) => page.getByRole('status').filter({ hasText: 'the line to the room’s server is down' })

test('the room as it is: a learner’s steps reach the instructor’s round and the wall, and a visit reaches the learner', async ({
  page,
  browser,
}) => {
  const learner = await (
    await browser.newContext({ storageState: stateFile('learner'), viewport: { width: 390, height: 844 } })
  ).newPage()
  const wall = await (await browser.newContext({ storageState: stateFile('helper') })).newPage()
  await wall.goto('/room/wall')
  const onWall = wall.getByRole('listitem').filter({ hasText: 'Curlew' })
  await expect(onWall).toContainText('Chidi')
  // What they have finished in the trainer makes them ready to be signed off.
  for (const { id } of EXERCISES) {
    const answer = await learner.request.post('/api/commands/log-progress', {
      headers: { origin: new URL(wall.url()).origin },
      data: { commandId: uuid(), body: { exercise: id, right: 5, of: 5 } },
    })
    expect(answer.ok()).toBe(true)
  }
  await page.goto('/room')
  await page.getByRole('link', { name: 'Now', exact: true }).click()
  const here = page.getByRole('listitem').filter({ has: page.getByText('Curlew', { exact: true }) })
  await expect(here).toContainText('Sewing')

  // The learner begins again from the check, and every screen follows by itself.
  await learner.goto('/station')
  await expect(learner.getByRole('img', { name: 'Step 4 of 5: sewing' })).toBeVisible()
  const head = await learner.locator('header').first().boundingBox()
  expect(head!.height).toBeLessThan(64)
  await learner.goto('/station/check?only=all')
  await allAsDrawn(learner)
  await learner.getByRole('button', { name: 'Something is not so: Stitch and dial' }).click()
  await learner
    .getByRole('radiogroup', { name: /^Stitch/ })
    .first()
    .getByRole('radio', { name: 'Not yet' })
    .click()
  await learner.getByRole('button', { name: 'Write it down' }).click()
  await expect(here).toContainText('Seat check')
  await expect(onWall).toContainText('Seat check')

  // One tap from whatever page calls; the best next person is who calls, and says so.
  await learner.getByRole('button', { name: 'Call somebody' }).click()
  const next = page.getByRole('region', { name: 'Go next to' })
  await expect(next).toContainText('Chidi at Curlew')
  await expect(next).toContainText('Calls just now')
  await expect(onWall).toContainText('Calls for help')
  await next.getByRole('button', { name: 'I am going' }).click()
  await expect(onWall).toContainText('Tobias is going')
  await expect(learner.getByRole('region', { name: 'Your call' })).toContainText('Tobias is coming to you')
  // What is done there is done in place.
  await next.getByRole('spinbutton', { name: 'Minutes in the chair' }).fill('25')
  await next.getByRole('button', { name: 'Write down 25 min of hard cloth' }).click()
  await expect(page.getByText('Sewing time written down')).toBeVisible()
  await next.getByRole('button', { name: 'Sign off: reads a swatch and turns the dial' }).click()
  for (const { ask } of SPOKEN_QUESTIONS.tension) await next.getByLabel(ask).check()
  await next.getByRole('button', { name: 'I have seen it' }).click()
  await expect(page.getByText('Chidi is signed off')).toBeVisible()
  await next.getByRole('button', { name: 'I have been there' }).click()
  await expect(onWall).toContainText('Seat check')
  await expect(next.getByRole('heading', { name: /Chidi/ })).toHaveCount(0)

  // Unasked: somebody else is visited, and the learner there sees who comes; a colleague is sent elsewhere.
  const colleague = await (await browser.newContext({ storageState: stateFile('helper') })).newPage()
  await colleague.goto('/room/now')
  const who = await next.getByRole('heading').innerText()
  await expect(colleague.getByRole('region', { name: 'Go next to' }).getByRole('heading')).toHaveText(who)
  await next.getByRole('button', { name: 'I am going' }).click()
  await expect(next).toContainText('You are going to')
  await expect(colleague.getByRole('region', { name: 'Go next to' }).getByRole('heading')).not.toHaveText(who)
  for (const each of [learner, wall, colleague]) await each.context().close()
})

test('a wall shows no names where the venue says so, and says how old it is when its line is lost', async ({
  page,
  browser,
}) => {
  const desk = await (await browser.newContext({ storageState: stateFile('coordinator') })).newPage()
  await page.goto('/room/wall')
  await expect(page.getByText('Farah')).toBeVisible()
  await desk.goto('/venue')
  await desk.getByLabel('A screen on the wall says who sits where').uncheck()
  await desk.getByRole('button', { name: 'Keep it' }).click()
  await expect(desk.getByText(/goes by the clock of/)).toBeVisible()
  await page.goto('/room/wall')
  await expect(page.getByText('Heron')).toBeVisible()
  await expect(page.getByText('Farah')).toHaveCount(0)
  await page.route('**/api/told?*', (route) => route.abort())
  await page.reload()
  await expect(lostLine(page)).toBeVisible()
  await page.unroute('**/api/told?*')
  await expect(lostLine(page)).toHaveCount(0)
  await desk.context().close()
})

test('a server that answers with an error for a while is asked again, and the screen is live once more', async ({
  page,
}) => {
  await page.route('**/api/told?*', (route) => route.fulfill({ status: 502, body: 'Bad gateway' }))
  await page.goto('/room/wall')
  await expect(lostLine(page)).toBeVisible()
  await page.unroute('**/api/told?*')
  await expect(lostLine(page)).toHaveCount(0)
})

/** A network between a screen and the server, which is there all the time and carries nothing once it is told so. */
async function network(to: string) {
  const { hostname, port } = new URL(to)
  const sockets: Socket[] = []
  let carries = true
  const server = createServer((near) => {
    const far = connect(Number(port), hostname)
    for (const [from, into] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.push(from)
      from.on('data', (chunk) => carries && into.write(chunk))
      from.on('error', () => undefined)
      from.on('close', () => carries && into.destroy())
    }
  })
  await new Promise<void>((resolve) => server.listen(0, hostname, resolve))
  return {
    url: `http://${hostname}:${(server.address() as AddressInfo).port}`,
    carry: (now: boolean) => void (carries = now),
    end: () => {
      for (const socket of sockets) socket.destroy()
      server.close()
    },
  }
}

test('a server without power says goodbye to nobody: a screen that hears nothing says so, and whoever signs out is told that they are not', async ({
  browser,
  baseURL,
}) => {
  const between = await network(baseURL!)
  const context = await browser.newContext({ baseURL: between.url, storageState: { cookies: [], origins: [] } })
  const page = await context.newPage()
  // A sign-in of their own, made where the server knows itself: it ends with this journey.
  await context.request.post(`${baseURL}/api/sign-in/sign-in/email`, {
    data: SIGN_INS.helper,
    headers: { origin: baseURL! },
  })
  await page.clock.install()
  await page.goto('/room/now')
  await expect(page.getByRole('listitem').filter({ has: page.getByText('Curlew', { exact: true }) })).toBeVisible()
  const heard = page.waitForResponse((answer) => answer.url().includes('/api/told?'))
  await page.reload()
  await heard
  const lost = page.getByText('the line to the room’s server is down').first()
  await page.clock.runFor(12_000)
  await expect(lost).toBeHidden()
  between.carry(false)
  await page.clock.runFor(20_000)
  await expect(lost).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.clock.runFor(2_000)
  await expect(page.getByText('You are still signed in on this device')).toBeVisible()
  between.carry(true)
  await page.clock.runFor(20_000)
  await expect(lost).toBeHidden()
  await context.close()
  between.end()
})

/** A page that is asked for as a part of this one never comes. */
async function neverComing(page: Page): Promise<{ readonly isAsked: Promise<void> }> {
  let asked = () => {}
  const isAsked = new Promise<void>((resolve) => (asked = resolve))
  await page.route((url) => url.searchParams.has('_rsc'), asked)
  return { isAsked }
}

test('a link that is tapped while nothing comes says that the page is on its way, and in the end asks for it as a whole', async ({
  page,
}) => {
  await page.clock.install()
  await page.goto('/room')
  await page.locator('html[data-listening]').waitFor({ state: 'attached' })
  const { isAsked } = await neverComing(page)
  await page.getByRole('link', { name: 'Kits', exact: true }).click()
  await isAsked
  const onItsWay = page.getByText('The page is on its way')
  await expect(onItsWay).toBeHidden()
  await page.clock.runFor(1_000)
  await expect(onItsWay).toBeVisible()
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await page.clock.runFor(8_000)
  await expect(page).toHaveURL(/\/kits$/)
  await expect(page.getByRole('heading', { level: 1, name: 'Kits' })).toBeVisible()
  await expect(onItsWay).toBeHidden()
})

test('a link that leads back to where one is has arrived there: nothing is said to be on its way, and nothing typed goes', async ({
  page,
}) => {
  await page.clock.install()
  await page.goto('/room')
  await page.locator('html[data-listening]').waitFor({ state: 'attached' })
  await page.evaluate(() => (document.body.dataset.since = 'before'))
  // The answer is kept back until the page is seen to wait for it.
  let answer = () => {}
  const mayAnswer = new Promise<void>((resolve) => (answer = resolve))
  await page.route(
    (url) => url.searchParams.has('_rsc'),
    async (asked) => {
      await mayAnswer
      await asked.fallback()
    },
  )
  await page.getByRole('link', { name: 'Orthodex' }).click()
  await expect(page.locator('[data-going]')).toBeAttached()
  answer()
  await expect(page.locator('[data-going]')).not.toBeAttached()
  await page.clock.runFor(20_000)
  await expect(page.getByText('The page is on its way')).toBeHidden()
  await expect(page.locator('body[data-since="before"]')).toBeAttached()
})

test('a code that is typed leads on, or says that it is on its way, though the box it was typed in is closed', async ({
  page,
}) => {
  await page.clock.install()
  await page.goto('/room')
  await page.locator('html[data-listening]').waitFor({ state: 'attached' })
  const { isAsked } = await neverComing(page)
  await (await openLine(page)).fill('M000000')
  await page.getByRole('button', { name: 'Open it' }).click()
  await isAsked
  await page.clock.runFor(1_000)
  await expect(page.getByText('The page is on its way')).toBeVisible()
})

test('five windows of one browser are all live, and each still goes on to another page', async ({ context, page }) => {
  // A browser has six lines to one server, and each of these keeps one.
  const windows = await Promise.all(Array.from({ length: 4 }, () => context.newPage()))
  for (const window of windows) {
    const told = window.waitForResponse((answer) => answer.url().includes('/api/told?') && answer.ok())
    await window.goto('/room/now')
    await told
  }
  await page.goto('/room')
  await page.getByRole('link', { name: 'Now', exact: true }).click()
  await expect(page).toHaveTitle(/^Now/)
  await expect(page.getByRole('listitem').filter({ has: page.getByText('Curlew', { exact: true }) })).toBeVisible()
  await Promise.all(windows.map((window) => window.close()))
})

test('a learner’s turn ends by one tap, is written in the book, and goes on by another', async ({ browser, page }) => {
  const learner = await (
    await browser.newContext({ storageState: stateFile('learner'), viewport: { width: 390, height: 844 } })
  ).newPage()
  await page.goto('/room/now')
  // The first test left something unchecked: it is looked at, and the swatch read, one big thing after the other.
  await learner.goto('/station')
  await learner.getByRole('region', { name: 'Next' }).getByRole('link', { name: 'Seat check' }).first().click()
  await allAsDrawn(learner)
  await learner.getByRole('button', { name: 'All done' }).click()
  await expect(learner.getByRole('heading', { level: 1, name: 'Read your swatch' })).toBeVisible()
  await learner.goto('/station')
  await expect(learner.getByRole('img', { name: 'Step 4 of 5: sewing' })).toBeVisible()
  await learner.getByRole('button', { name: 'I stop for now' }).click()
  await expect(learner.getByText('Your turn is over for now')).toBeVisible()
  const here = page.getByRole('listitem').filter({ has: page.getByText('Curlew', { exact: true }) })
  await expect(here).toContainText('Done')
  await learner.getByRole('button', { name: 'I sew on after all' }).click()
  await expect(learner.getByRole('img', { name: 'Step 4 of 5: sewing' })).toBeVisible()
  await expect(here).toContainText('Sewing')
  await learner.context().close()
})

test('whoever is visited moves to a free machine in one tap: a sound one first, and none that is stopped', async ({
  browser,
  baseURL,
}) => {
  const page = await (await browser.newContext({ storageState: stateFile('coordinator') })).newPage()
  const post = async (request: APIRequestContext, name: string, body: object) => {
    const headers = { origin: baseURL! }
    const answer = await request.post(`/api/commands/${name}`, { headers, data: { commandId: uuid(), body } })
    expect(answer.status(), await answer.text()).toBe(200)
  }
  const { machines } = (await (await page.request.get('/api/line')).json()) as {
    machines: { machineId: string; name: string }[]
  }
  const { machineId } = machines.find(({ name }) => name === 'Plover')!
  await post(page.request, 'log', {
    machineId,
    happenedAt: new Date().toISOString(),
    kind: 'fault-opened',
    body: { fault: 'noise' },
  })
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
  await context.request.post('/api/sign-in/station', {
    data: { classCode: LEARNER.classCode, firstName: 'Farah' },
    headers: { origin: baseURL! },
  })
  const farah = await context.newPage()
  await farah.goto('/station')
  await post(context.request, 'call-staff', { found: {} })
  await page.goto('/room/now')
  const next = page.getByRole('region', { name: 'Go next to' })
  await expect(next).toContainText('Farah at Heron')
  await next.getByRole('button', { name: 'I am going' }).click()
  await next.getByRole('button', { name: 'To another machine' }).click()
  const offers = next.getByRole('button', { name: /^(Plover|Godwit|Turnstone)/ })
  await expect(offers).toHaveText(['Turnstone', 'Plover, which has a fault open'])
  await offers.first().click()
  await expect(farah.getByText('You sit at Turnstone')).toBeVisible()
  // The call came from where they sat: whoever went there says that they have been there.
  await page
    .getByRole('region', { name: 'You are going to' })
    .getByRole('button', { name: 'I have been there' })
    .click()
  await expect(next).toBeVisible()
  await context.close()
  await page.context().close()
})

test('whoever was put off comes again when they call, and that they wait is never denied', async ({ browser }) => {
  const page = await (await browser.newContext({ storageState: stateFile('coordinator') })).newPage()
  await page.goto('/room/now')
  const next = page.getByRole('region', { name: 'Go next to' })
  const later = next.getByRole('button', { name: /^Later/ })
  const nobody = page.getByText('Whoever waits was put off.')
  await expect(async () => {
    if (await later.isVisible()) await later.click()
    await expect(nobody).toBeVisible({ timeout: 500 })
  }).toPass()
  await expect(page.getByText('Nobody needs you just now.')).toHaveCount(0)
  const learner = await (await browser.newContext({ storageState: stateFile('learner') })).newPage()
  await learner.goto('/station')
  await learner.getByRole('button', { name: 'Call somebody' }).click()
  await expect(next).toContainText('Chidi')
  await expect(next).toContainText('Calls just now')
  await later.click()
  await expect(nobody).toBeVisible()
  await page.getByRole('button', { name: 'Begin the round again' }).click()
  await expect(next).toContainText('Calls')
  for (const each of [page, learner]) await each.context().close()
})
