import { readFileSync } from 'node:fs'
import { databaseAway } from './demo-copy'
import { choosePicture, expect, openLine, openMachine, stateFile, test } from './people'

/** The cellar has no reception: what was loaded once goes on, what is written lands later, and nothing is refused in silence. */
test.use({
  storageState: stateFile('learner'),
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  serviceWorkers: 'allow',
})

test('a learner goes on without a network: check, swatch and the end of their turn wait, and land in their order', async ({
  page,
  browser,
}) => {
  const staff = await (await browser.newContext({ storageState: stateFile('instructor') })).newPage()
  await staff.goto('/room/now')
  const here = staff.getByRole('listitem').filter({ has: staff.getByText('Curlew', { exact: true }) })
  await expect(here).toContainText('Sewing')
  await page.goto('/station')
  await expect(page.locator('html[data-kept]')).toBeAttached()

  await page.context().setOffline(true)
  // Never opened before, and there: it was kept.
  await page.goto('/station/check')
  await page.goto('/station')
  await page.getByRole('button', { name: 'I stop for now' }).click()
  const waits = page.getByRole('region', { name: 'What waits' })
  await expect(waits).toContainText('1 line waits for the network')
  await page.goto('/station/swatch')
  await expect(waits).toContainText('Your turn is over')
  await choosePicture(page, 'only the dark thread')
  await choosePicture(page, 'only the light thread')
  await page.getByRole('button', { name: 'Write this swatch down' }).click()
  await expect(waits).toContainText('2 lines wait for the network')
  // A call reaches nobody, and says so.
  await page.getByRole('button', { name: 'Call somebody' }).click()
  const nobodyComes = page.getByText(/Go and fetch somebody.*cannot be reached/)
  await expect(nobodyComes).toBeVisible()
  // It stays until it is put away.
  await page.getByRole('button', { name: 'Put away' }).click()
  await expect(nobodyComes).toBeHidden()
  await expect(here).toContainText('Sewing')
  // Shut and opened again, still without a network: nothing is lost.
  await page.goto('/station')
  await expect(waits).toContainText('2 lines wait for the network')

  await page.context().setOffline(false)
  await expect(waits).toHaveCount(0)
  await expect(here).toContainText('Done')
  await page.reload()
  await expect(page.getByRole('img', { name: 'Step 5 of 5: done' })).toBeVisible()
  await page.getByRole('button', { name: 'I sew on after all' }).click()
  await expect(here).toContainText('Sewing')
  await staff.context().close()
})

test('what the server does not take reaches staff on whatever page they are, and its writer sees what became of it', async ({
  page,
  browser,
}) => {
  const staff = await (await browser.newContext({ storageState: stateFile('coordinator') })).newPage()
  await page.goto('/station')
  await expect(page.locator('html[data-kept]')).toBeAttached()
  await page.context().setOffline(true)
  await page.getByRole('button', { name: 'I stop for now' }).click()
  const waits = page.getByRole('region', { name: 'What waits' })
  await expect(waits).toContainText('1 line waits')
  // Meanwhile somebody else is given the machine.
  const links = await staff.request.get('/api/line')
  const { machines } = (await links.json()) as { machines: { machineId: string; name: string }[] }
  const curlew = machines.find(({ name }) => name === 'Curlew')!.machineId
  await staff.goto('/kits')
  await staff.getByRole('link', { name: /^Bram/ }).first().click()
  await staff.waitForURL(/\/kits\/[0-9a-f-]{36}/)
  await staff.goto(`${staff.url().split('?')[0]}?machine=${curlew}`)
  await staff.getByRole('button', { name: 'Give this kit' }).click()
  await expect(staff.getByText('This kit was given.')).toBeVisible()
  await page.context().setOffline(false)
  await expect(waits).toHaveCount(0)
  const own = page.getByRole('region', { name: 'Your call' })
  await expect(own).toContainText('A turn is over')
  await expect(own).toContainText('Staff have it and decide')
  // Staff look at a bag just now.
  const left = staff.getByRole('list', { name: 'Lines that wait for you' })
  await expect(left).toContainText('Bram sits there now: your turn at it is over')
  await left.getByRole('button', { name: /^It was so: / }).click()
  await expect(left).toHaveCount(0)
  await expect(own).toContainText(/has put it in the book of Curlew/)
  await staff.goto(`/machines/${curlew}`)
  await expect(staff.getByRole('list', { name: 'Lines of the book, newest first' })).toContainText('A turn is over')
  await staff.context().close()
})

test.describe('a tablet of staff', () => {
  test.use({ storageState: stateFile('helper'), viewport: { width: 768, height: 1024 } })

  test('has the room and each machine with it, logs at any of them, and gives nothing away after signing out', async ({
    page,
  }) => {
    // Whichever page is opened first.
    await page.goto('/lab')
    await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 60_000 })
    await page.goto('/room')
    const knot = (await page
      .getByRole('link', { name: /^Knot, / })
      .first()
      .getAttribute('href'))!
    await page.context().setOffline(true)
    await page.goto(knot)
    await page.getByRole('button', { name: 'Cleaned', exact: true }).click()
    const waits = page.getByRole('region', { name: 'What waits' })
    await expect(waits).toContainText('1 line waits for the network')
    await page.goto(`${knot}/needle`)
    await expect(page.getByText('Foot off the pedal, power off').first()).toBeVisible()
    // One typed line, of a machine whose page was never opened here; and the finder, on that machine.
    await (await openLine(page)).fill('heron bobbin 2')
    await page.keyboard.press('Enter')
    await expect(waits).toContainText('2 lines wait for the network')
    await page.goto(`${knot}/fault`)
    await page.getByLabel('What do you see, hear or feel?').fill('nest')
    await page.getByRole('button', { name: 'A nest underneath at the start' }).click()
    await page.getByRole('region', { name: 'Look at this next' }).getByRole('button', { name: 'That was it' }).click()
    await page.getByRole('button', { name: 'Yes, it is cured' }).click()
    await expect(waits).toContainText('3 lines wait for the network')
    // Written down, the finder goes back to the machine by itself.
    await page.waitForURL(`**${knot}`)
    // A bag that was never opened here, with its kit and why.
    await page.goto('/kits')
    await page
      .getByRole('link', { name: /^Chidi/ })
      .first()
      .click()
    await page.waitForURL(/\/kits\/[0-9a-f-]{36}/)
    await expect(page.getByRole('heading', { name: /^Chidi: / })).toBeVisible()
    await expect(page.getByText(/ballpoint/i).first()).toBeVisible()
    // What is not kept is said not to be, in the room's own words, and the way leads back.
    const bag = page.url()
    await page.getByRole('link', { name: 'Stores', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'This page is not on this device' })).toBeVisible()
    await page.locator('html[data-listening]').waitFor({ state: 'attached' })
    await page.getByRole('button', { name: 'Go back' }).click()
    await expect(page.getByRole('heading', { name: /^Chidi: / })).toBeVisible()
    expect(page.url()).toBe(bag)
    await page.context().setOffline(false)
    await expect(page.getByRole('region', { name: 'What waits' })).toHaveCount(0)
    await page.goto(knot)
    const book = page.getByRole('list', { name: 'Lines of the book, newest first' })
    await expect(book).toContainText('Cleaned')
    await expect(book).toContainText(/nest/i)
    await openMachine(page, 'Heron')
    await expect(book).toContainText('2 bobbins wound')
    await page.getByRole('button', { name: 'Sign out' }).click()
    await page.waitForURL('**/sign-in')
    await page.context().setOffline(true)
    await page.goto(knot)
    await expect(page.getByRole('heading', { name: 'This page is not on this device' })).toBeVisible()
    await expect(page.getByText('Knot')).toHaveCount(0)
    await page.locator('html[data-listening]').waitFor({ state: 'attached' })
    // As soon as there is a network it is looked for by itself: nobody is signed in here any more.
    await page.context().setOffline(false)
    await page.waitForURL('**/sign-in')
  })

  test('goes on with the pages that it has while the database is away, and what is written lands when it is back', async ({
    browser,
    demo,
  }) => {
    // A page of its own: what cannot be drawn is said in its console.
    const context = await browser.newContext({ storageState: stateFile('instructor'), serviceWorkers: 'allow' })
    const page = await context.newPage()
    await page.goto('/lab')
    await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 60_000 })
    await page.goto('/room')
    const turnstone = (await page
      .getByRole('link', { name: /^Turnstone, / })
      .first()
      .getAttribute('href'))!
    const waits = page.getByRole('region', { name: 'What waits' })
    const { isBack } = await databaseAway(demo)
    try {
      await page.goto(turnstone)
      await expect(page.getByRole('heading', { level: 1, name: 'Turnstone' })).toBeVisible()
      await page.getByRole('button', { name: 'Cleaned', exact: true }).click()
      await expect(waits).toContainText('1 line waits for the network')
      await (await openLine(page)).fill('heron bobbin 3')
      await page.getByRole('button', { name: 'Write it down' }).click()
      await expect(waits).toContainText('2 lines wait for the network')
      // What it has not is not called away: it comes by itself.
      await page.goto('/stores')
      await expect(page.getByRole('heading', { name: 'This page could not be drawn' })).toBeVisible()
    } finally {
      await isBack()
    }
    await expect(page.getByRole('heading', { level: 1, name: 'Stores' })).toBeVisible()
    await page.goto(turnstone)
    await expect(waits).toHaveCount(0)
    await expect(page.getByRole('list', { name: 'Lines of the book, newest first' })).toContainText('Cleaned')
    await context.close()
  })
})

test.describe('a tablet of the room', () => {
  test.use({ storageState: stateFile('coordinator'), viewport: { width: 768, height: 1024 } })

  test('keeps no line to itself whose writer has gone: staff who hold it next are asked about it', async ({ page }) => {
    await page.goto('/room')
    await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 60_000 })
    const dunlin = (await page
      .getByRole('link', { name: /^Dunlin, / })
      .first()
      .getAttribute('href'))!
    await page.context().setOffline(true)
    await page.goto(dunlin)
    await page.getByRole('button', { name: 'Cleaned', exact: true }).click()
    const waits = page.getByRole('region', { name: 'What waits' })
    await expect(waits).toContainText('1 line waits for the network')
    // Another has it in hand by the time there is a network again.
    await page.context().clearCookies()
    const { cookies } = JSON.parse(readFileSync(stateFile('instructor'), 'utf8')) as {
      readonly cookies: Parameters<ReturnType<typeof page.context>['addCookies']>[0]
    }
    await page.context().addCookies(cookies)
    await page.context().setOffline(false)
    await page.goto('/room')
    await expect(waits).toContainText('A line of somebody else waits here for them to sign in')
    // A quarter of an hour later.
    await page.evaluate(async () => {
      const done = <What>(asked: IDBRequest<What>) =>
        new Promise<What>((resolve) => (asked.onsuccess = () => resolve(asked.result)))
      const store = (await done(indexedDB.open('orthodex'))).transaction('waiting', 'readwrite').objectStore('waiting')
      const [line] = await done(store.getAll() as IDBRequest<{ body: { happenedAt: string } }[]>)
      line!.body.happenedAt = new Date(Date.now() - 15 * 60_000).toISOString()
      await done(store.put(line))
    })
    const left = page.getByRole('list', { name: 'Lines that wait for you' })
    await expect(left).toContainText('Cleaned')
    await expect(left).toContainText('it waited on a device on which they have not signed in since')
    await expect(waits).toHaveCount(0)
    await left.getByRole('button', { name: /^It was so: / }).click()
    await expect(left).toHaveCount(0)
    await page.goto(dunlin)
    await expect(page.getByRole('list', { name: 'Lines of the book, newest first' })).toContainText('Cleaned')
  })
})
