import type { Locator, Page } from '@playwright/test'
import { allAsDrawn, expect, stateFile, test } from './people'
import { foundIn } from './views'

test.describe.configure({ mode: 'serial' })
test.use({ storageState: stateFile('coordinator') })

async function openThursday(page: Page): Promise<void> {
  await page.goto('/sessions')
  await page.getByRole('link', { name: /^Thu / }).first().click()
  await expect(page.getByRole('heading', { level: 1, name: /^Camp Kit, Thu/ })).toBeVisible()
}
const thePlan = (page: Page) => page.getByRole('region', { name: 'The plan' })
const rowOf = (page: Page, machine: string) => page.getByRole('row', { name: new RegExp(`^${machine} no`) })
const seatedWords = async (page: Page) => (await thePlan(page).innerText()).match(/(\d+)\s+of (\d+) seated/)!

async function plan(page: Page): Promise<void> {
  await thePlan(page).getByRole('button', { name: /^Plan/ }).click()
  // The button comes back once the new plan is there to be seen.
  await expect(thePlan(page).getByRole('button', { name: /^Plan/ })).toBeVisible()
}

test('a session is planned with proof, moved by hand with what it costs, pinned, and planned around the pin', async ({
  page,
}) => {
  // Tall enough that every place of the room is in sight while somebody is carried.
  await page.setViewportSize({ width: 1280, height: 2400 })
  // Whoever looks at the sessions finds what plans ready.
  const ready = page.waitForRequest(/\/api\/sessions\/[^/]+\/plan$/)
  await page.goto('/sessions')
  expect((await (await ready).response())!.status()).toBe(200)
  await openThursday(page)
  await expect(thePlan(page)).toContainText('Nobody is seated yet. 12 want a seat.')
  await plan(page)
  await expect(thePlan(page)).toContainText(/Proved: no plan seats more than \d+, and none that does takes less than/)
  await expect(thePlan(page)).toContainText('First come, first seated would take')
  const [, seated] = await seatedWords(page)
  expect(Number(seated)).toBeGreaterThanOrEqual(11)
  const proved = (await thePlan(page).innerText()).match(/([\d.]+)\s+minutes of changeovers/)![1]!
  // Whoever has no seat is told why, and what would help.
  if (Number(seated) < 12) {
    await expect(page.getByRole('region', { name: 'Without a seat' })).toContainText('could take it')
    await expect(thePlan(page)).toContainText(/What would help most: .*(one more|a pack|back in service)/)
  }

  // By keys: every other place with its minutes, and what speaks against it.
  await rowOf(page, 'Curlew')
    .getByRole('button', { name: /^Move Chidi from Curlew/ })
    .click()
  const dialog = page.getByRole('dialog', { name: 'Where Chidi sits' })
  await expect(dialog.getByRole('button', { name: /^Knot, block 1.*Chidi: / })).toBeVisible()
  await dialog.getByRole('button', { name: /^Snipe, block 2/ }).focus()
  await page.keyboard.press('Enter')
  await expect(rowOf(page, 'Snipe')).toContainText('Chidi')
  await expect(page.getByText('Chidi sits at Snipe, block 2')).toBeVisible()
  // What was proved holds for the plan that was made, and not for this one.
  await expect(thePlan(page)).toContainText('Changed by hand: the plan seated')
  await expect(thePlan(page)).not.toContainText('Proved')

  // By hand, on a slow tablet: while somebody is carried every place says what it would cost, and whoever lets go at once
  // lets go over the place under the pointer.
  const tablet = await page.context().newCDPSession(page)
  await tablet.send('Emulation.setCPUThrottlingRate', { rate: 20 })
  const card = rowOf(page, 'Snipe').getByText('Chidi', { exact: true })
  const to = rowOf(page, 'Heron').getByRole('cell').nth(1)
  const from = (await card.boundingBox())!
  await page.mouse.move(from.x + 5, from.y + 5)
  await page.mouse.down()
  await page.mouse.move(from.x + 30, from.y + 30, { steps: 4 })
  await expect(page.getByText(/^(no minute more|[+−][\d.]+ min|✕)$/).first()).toBeVisible()
  // The page may have moved since, by what the last move changed above: whoever carries looks where they go.
  const target = (await to.boundingBox())!
  await page.mouse.move(target.x + target.width / 2, target.y + 40, { steps: 8 })
  await page.mouse.up()
  await expect(rowOf(page, 'Heron').getByRole('cell').nth(1)).toContainText('Chidi')
  await expect(page.getByText('Chidi sits at Heron, block 2')).toBeVisible()
  await tablet.send('Emulation.setCPUThrottlingRate', { rate: 1 })

  // Pinned, Chidi stays; nothing is lost on a reload.
  await page.getByRole('button', { name: 'Chidi stays at Heron, block 2' }).click()
  await expect(page.getByText('Chidi stays there')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Chidi stays at Heron, block 2' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(thePlan(page)).toContainText('Plan again to be sure')
  await plan(page)
  await expect(rowOf(page, 'Heron').getByRole('cell').nth(1)).toContainText('Chidi')
  await expect(thePlan(page)).toContainText('Proved')
  const around = (await thePlan(page).innerText()).match(/([\d.]+)\s+minutes of changeovers/)![1]!
  expect(Number(around)).toBeGreaterThanOrEqual(Number(proved))
  expect(await foundIn(page)).toEqual([])
  await page.getByRole('button', { name: 'Chidi stays at Heron, block 2' }).click()
  await expect(page.getByText('Chidi may be seated anew')).toBeVisible()
  await plan(page)
})

test('a machine drops out: its people move, and hardly anybody else', async ({ page }) => {
  await openThursday(page)
  const places = () =>
    page
      .getByRole('button', { name: /^Move / })
      .evaluateAll((all) => all.map((each) => each.getAttribute('aria-label')!))
  const before = await places()
  const leaving = before.filter((words) => words.includes('from Curlew'))
  expect(leaving.length).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Leave Curlew out' }).click()
  await expect(page.getByText('Curlew is left out', { exact: true })).toBeVisible()
  await expect(page.getByRole('region', { name: 'What does not go together' })).toContainText('left out this session')
  await thePlan(page).getByLabel('What is planned again').selectOption({ label: 'from block 1 on, few moves' })
  await plan(page)
  await expect(thePlan(page)).toContainText('with as few moves as can be')
  const after = await places()
  expect(after.some((words) => words.includes('from Curlew'))).toBe(false)
  // Seats come first: somebody else moves only to make room for one who had to.
  const stayed = before.filter((words) => !leaving.includes(words))
  expect(stayed.filter((words) => !after.includes(words)).length).toBeLessThanOrEqual(leaving.length)

  await page.getByRole('button', { name: 'Take Curlew in again' }).click()
  await expect(page.getByText('Curlew takes part again')).toBeVisible()
  await plan(page)
})

test('on a tablet a finger that holds still lifts somebody to another place, and one that moves on scrolls the page', async ({
  browser,
}) => {
  const tablet = { viewport: { width: 768, height: 1024 }, hasTouch: true, isMobile: true }
  const context = await browser.newContext({ ...tablet, storageState: stateFile('coordinator') })
  const page = await context.newPage()
  const fingers = await context.newCDPSession(page)
  const finger = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: { readonly x: number; readonly y: number }) =>
    fingers.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] })
  await openThursday(page)
  await plan(page)
  const scrolled = () => page.evaluate(() => scrollY)
  const cost = page.getByText(/^(no minute more|[+−][\d.]+ min|✕)$/)
  const card = page.getByRole('row').getByText('Chidi', { exact: true })
  await card.scrollIntoViewIfNeeded()
  const middle = async () => {
    const box = (await card.boundingBox())!
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  }

  // What a finger taps is as tall as one.
  for (const name of [/^Move Chidi from /, /^Chidi stays at /])
    expect((await page.getByRole('button', { name }).boundingBox())!.height).toBeGreaterThanOrEqual(44)

  // A finger that moves on scrolls.
  const before = await scrolled()
  const swipe = await middle()
  await finger('touchStart', swipe)
  for (let step = 1; step <= 6; step += 1) await finger('touchMove', { x: swipe.x, y: swipe.y - 30 * step })
  await finger('touchEnd')
  await expect.poll(scrolled).toBeGreaterThan(before)
  await expect(cost).toHaveCount(0)

  // One that holds still lifts, and the page stays.
  await card.scrollIntoViewIfNeeded()
  const from = await middle()
  await finger('touchStart', from)
  await expect(cost.first()).toBeVisible()
  const place = page
    .getByRole('row', { name: /^Curlew no/ })
    .getByRole('cell')
    .nth(1)
  const free = (await place.boundingBox())!
  const to = { x: free.x + free.width / 2, y: free.y + free.height / 2 }
  for (let step = 1; step <= 5; step += 1)
    await finger('touchMove', { x: from.x + ((to.x - from.x) * step) / 5, y: from.y + ((to.y - from.y) * step) / 5 })
  await finger('touchEnd')
  await expect(page.getByText('Chidi sits at Curlew, block 2')).toBeVisible()
  await context.close()
})

test('who comes late or not at all changes the plan, and two sit apart', async ({ page }) => {
  await openThursday(page)
  await page.getByRole('link', { name: 'Who comes' }).click()
  await expect(page.getByRole('heading', { name: '12 of 12 come' })).toBeVisible()
  await page.getByLabel('Lotta comes').selectOption({ label: 'does not come' })
  await expect(page.getByRole('heading', { name: '11 of 12 come' })).toBeVisible()
  await page.getByLabel('Ansa comes').selectOption({ label: 'late: from block 2' })
  await expect(page.getByText('Ansa comes for block 2')).toBeVisible()
  const pair = page.getByRole('form', { name: 'A new pair' })
  await pair.getByLabel('Who', { exact: true }).selectOption('Chidi')
  await pair.getByLabel('and who').selectOption('Kofi')
  await pair.getByLabel('do what').selectOption('apart')
  await pair.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('region', { name: 'Together and apart' })).toContainText('Chidi and Kofi never sit')
  await page.getByRole('link', { name: 'Run sheet', exact: true }).click()
  await plan(page)
  await expect(page.getByRole('table')).not.toContainText('Lotta')
  const blockOf = async (name: string) =>
    /block (\d)/.exec(
      (await page.getByRole('button', { name: new RegExp(`^Move ${name} from`) }).getAttribute('aria-label'))!,
    )![1]
  expect(await blockOf('Ansa')).toBe('2')
  expect(await blockOf('Chidi')).not.toBe(await blockOf('Kofi'))

  // Whoever had a place and stayed away is in the evening's report by name.
  await page.getByRole('link', { name: 'Who comes' }).click()
  await page.getByLabel('Ansa comes').selectOption({ label: 'does not come' })
  await expect(page.getByRole('heading', { name: '10 of 12 come' })).toBeVisible()
  await page.goto(`${page.url().replace(/\/people$/, '')}/close`)
  const sewed = page.getByRole('region', { name: 'Who sewed, and how far they came' })
  await expect(sewed.getByRole('listitem').filter({ hasText: 'did not come' })).toHaveText(/^Ansa, /)

  await page.getByRole('link', { name: 'Who comes' }).click()
  await page.getByRole('button', { name: 'End the pair Chidi and Kofi' }).click()
  await expect(page.getByText('Nobody has to sit with or apart')).toBeVisible()
  await page.getByLabel('Lotta comes').selectOption({ label: 'comes' })
  await expect(page.getByText('Lotta: here')).toBeVisible()
  await page.getByLabel('Ansa comes').selectOption({ label: 'comes' })
  await expect(page.getByRole('heading', { name: '12 of 12 come' })).toBeVisible()
})

test('when a needle has run out the stores say by when to buy it, and nobody is seated with it', async ({ page }) => {
  // The only needle for Hana's edge: no other would do.
  const NEEDLE = 'wing 100/16'
  const SHELF = `${NEEDLE}, system 130/705 H`
  const count = async (number: number) => {
    await page.goto('/stores')
    await page.getByRole('button', { name: `Count: ${SHELF}` }).click()
    await page.getByRole('spinbutton', { name: 'How many lie there' }).fill(String(number))
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByText(`${SHELF}: written down`)).toBeVisible()
  }
  await openThursday(page)
  await plan(page)
  const seat = page.getByRole('button', { name: 'Seat Hana …' })
  if ((await seat.count()) > 0) {
    await seat.click()
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Dunlin, block 1/ })
      .click()
    await expect(page.getByText('Hana sits at Dunlin, block 1')).toBeVisible()
  }
  await expect(page.getByRole('table')).toContainText(NEEDLE)
  await count(0)
  await expect(page.getByRole('region', { name: 'To buy' })).toContainText(
    /wing 100\/16, system 130\/705 H\s*1 short for what is planned, by Thu/i,
  )
  await openThursday(page)
  await expect(thePlan(page)).toContainText('Plan again to be sure')
  await plan(page)
  await expect(page.getByRole('region', { name: 'Without a seat' })).toContainText('Hana')
  await expect(page.getByRole('table')).not.toContainText(NEEDLE)
  await count(2)
})

/** How many things a walk still has; none once all is done. */
const open = async (page: Page): Promise<number> =>
  Number(/^(\d+)/.exec(await page.getByRole('main').getByRole('status').first().innerText())?.[1] ?? 0)

test('the bench list is worked tick by tick, and each tick is a line in a book', async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 1024 })
  await openThursday(page)
  await plan(page)
  await page.getByRole('link', { name: 'Bench list' }).click()
  const status = page.getByRole('status').filter({ hasText: 'walking order' })
  const count = async () => Number(/^(\d+)/.exec(await status.innerText())![1])
  await expect(status).toBeVisible()
  const all = await count()
  const stop = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Knot', exact: true }) })
  // A caution that holds for more than one thing is said once, at the head.
  const once = 'Power off and foot off the pedal.'
  await expect(page.getByRole('list', { name: 'Cautions' })).toContainText(once)
  await expect(page.getByText(once, { exact: true })).toHaveCount(1)
  // Bobbins by thread: one machine's, and all of a thread in one tap.
  const bobbins = page.getByRole('region', { name: 'Bobbins to wind' })
  await bobbins.getByRole('button', { name: /^Done at Knot: Wind / }).click()
  await expect(page.getByText(/^Knot: .*bobbins? wound$/)).toBeVisible()
  await expect.poll(count).toBe(all - 1)
  await stop
    .getByRole('button', { name: /^Done at Knot: Lay out / })
    .first()
    .click()
  await expect(page.getByText(/^Knot: Laid out: /)).toBeVisible()
  await expect.poll(count).toBe(all - 2)
  await page.reload()
  expect(await count()).toBe(all - 2)
  expect(await foundIn(page)).toEqual([])

  // The whole walk, in place: no other page is loaded, and every tap is counted.
  let [taps, pages] = [2, 0]
  page.on('load', () => (pages += 1))
  const tap = async (button: Locator) => {
    await button.click()
    taps += 1
  }
  const threads = bobbins.getByRole('button', { name: /^All wound: / })
  while ((await threads.count()) > 0) {
    const left = await count()
    await tap(threads.first())
    await expect.poll(count).toBeLessThan(left)
  }
  const done = page.getByRole('button', { name: /^Done at / })
  const look = page.getByRole('button', { name: /^Look it over at / })
  await expect(bobbins).toHaveCount(0)
  while ((await open(page)) > 0) {
    const next = (await done.count()) > 0 ? done.first() : look.first()
    const name = (await next.getAttribute('aria-label'))!
    await tap(next)
    if (name.startsWith('Look')) {
      const check = page.getByRole('region', { name: /^Seat check of / })
      taps += await allAsDrawn(page)
      await tap(check.getByRole('button', { name: 'All done' }))
    }
    // What is done is gone; it may have left something else to do.
    await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0)
  }
  await expect(page.getByText('Nothing to do: every machine stands as this session needs it.')).toBeVisible()
  console.log(`the whole walk of a bench list: ${taps} taps, ${pages} pages loaded`)
  expect(taps).toBeLessThanOrEqual(60)
  expect(pages).toBe(0)
  await stop.getByRole('link', { name: 'Knot', exact: true }).click()
  const lines = page.getByRole('list', { name: 'Lines of the book, newest first' })
  await expect(lines).toContainText('Laid out: ')
  await expect(lines).toContainText(/wound/)
})

test('the seam between two blocks: what changes, by whom, how; and every screen sees how far it is', async ({
  page,
  browser,
}) => {
  await openThursday(page)
  await page.getByRole('link', { name: 'Changeover' }).click()
  const far = (of: Page) => of.getByRole('main').getByRole('status')
  await expect(far(page)).toContainText(/To block 2, at \d\d:\d\d: (\d+ of \d+ machines|every machine is) changed over/)
  const ready = async (of: Page) => Number(/(\d+) of \d+ machines/.exec(await far(of).innerText())?.[1])
  const colleague = await (await browser.newContext({ storageState: stateFile('helper') })).newPage()
  await colleague.goto(page.url())
  const before = await ready(page)
  const stop = page
    .getByRole('list', { name: 'Machines in walking order' })
    .getByRole('listitem')
    .filter({ has: page.getByText(/^by staff, \d+ minutes? planned$/) })
    .first()
  await stop.getByText('How, step by step').first().click()
  await expect(stop).toContainText(/Foot off the pedal, power off|Thread/)
  const done = stop.getByRole('button', { name: /^Done at / })
  const name = (await stop.getByRole('heading').innerText()).trim()
  const own = page.getByRole('button', { name: new RegExp(`^Done at ${name}: `) })
  await expect(done.first()).toBeVisible()
  for (let left = await own.count(); left > 0; left -= 1) {
    await own.first().click()
    await expect(own).toHaveCount(left - 1)
  }
  await expect.poll(() => ready(page)).toBe(before + 1)
  await expect.poll(() => ready(colleague)).toBe(before + 1)
  expect(await foundIn(page)).toEqual([])
  await colleague.context().close()
})

test('a course is planned to its end, new sessions come into the calendar, and a plan is stopped', async ({ page }) => {
  await page.goto('/sessions')
  await page.getByRole('link', { name: /week by week/ }).click()
  await page.getByRole('button', { name: 'Plan to the end' }).click()
  await expect(page.getByRole('button', { name: 'Keep these 6 plans' })).toBeVisible({ timeout: 120_000 })
  const weeks = page.getByRole('listitem').filter({ hasText: 'minutes of changeovers' })
  await expect(weeks).toHaveCount(6)
  await expect(weeks.first()).toContainText('Needles: 1 × ')

  await page.goto('/sessions/new')
  await page.getByLabel('First day').fill('2031-05-08')
  await page.getByLabel('Every week, so many times').fill('2')
  await expect(page.getByText('Thu 8 May, 18:00 to Thu 15 May, 18:00')).toBeVisible()
  await page.getByRole('button', { name: 'Put them in the calendar' }).click()
  await expect(page.getByRole('link', { name: 'Thu 15 May, 18:00' })).toBeVisible()

  // Another on the same day, in the morning: the day shows both, each with its hours, and the focus stays on it.
  await page.goto('/sessions/new')
  await page.getByLabel('First day').fill('2031-05-08')
  await page.getByLabel('From').fill('09:00')
  await page.getByLabel('To').fill('11:00')
  await page.getByRole('button', { name: 'Put it in the calendar' }).click()
  await expect(page.getByRole('link', { name: 'Thu 8 May, 09:00' })).toBeVisible()
  const calendar = page.getByRole('region', { name: 'Calendar' })
  const month = calendar.getByRole('grid')
  for (let label = ''; !label.startsWith('May 2031');) {
    if (label) await calendar.getByRole('button', { name: /next month/i }).click()
    await expect(month).not.toHaveAttribute('aria-label', label)
    label = (await month.getAttribute('aria-label'))!
  }
  const day = calendar.getByRole('button', { name: /^2 sessions, Thu 8 May/ })
  await day.press('Enter')
  await expect(day).toHaveAttribute('aria-expanded', 'true')
  await expect(day).toBeFocused()
  await expect(calendar.getByRole('listitem')).toHaveText(['09:00–11:00Camp Kit', /^18:00–.*Camp Kit$/])
  await calendar.getByRole('link', { name: /^18:00/ }).click()

  await page.getByRole('link', { name: 'Who comes' }).click()
  await page.getByText('Move it, or call it off').click()
  const facts = page.getByRole('form', { name: 'This session' })
  await facts.getByLabel('To').fill('17:00')
  await facts.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('It ends before it begins')).toBeVisible()
  await facts.getByLabel('To').fill('21:30')
  await facts.getByLabel('Blocks').fill('3')
  await facts.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('The session is as you said')).toBeVisible()
  await page.getByRole('link', { name: 'Run sheet', exact: true }).click()
  await expect(page.getByRole('columnheader', { name: /20:20–21:30 block 3/ })).toBeVisible()

  // The answer is held back, so that there is something to stop.
  await page.route('**/api/sessions/*/plan', () => new Promise(() => undefined))
  await thePlan(page).getByRole('button', { name: 'Plan the session' }).click()
  await thePlan(page).getByRole('button', { name: 'Stop and keep the best' }).click()
  await expect(page.getByText('Stopped; the best plan so far is kept')).toBeVisible()
  await expect(thePlan(page).getByRole('button', { name: 'Plan the session' })).toBeEnabled()
})
