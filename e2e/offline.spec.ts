import { expect, stateFile, test } from './people'

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
  await page.getByRole('radio', { name: 'only the dark thread' }).check({ force: true })
  await page.getByRole('radio', { name: 'only the light thread' }).check({ force: true })
  await page.getByRole('button', { name: 'Write this swatch down' }).click()
  await expect(waits).toContainText('2 lines wait for the network')
  // A call reaches nobody, and says so.
  await page.getByRole('button', { name: 'Call somebody' }).click()
  await expect(page.getByText(/cannot be reached/).first()).toBeVisible()
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

test('what the server does not take stays with its reason, and is dropped by whoever wrote it', async ({
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
  await expect(waits).toContainText('Not taken:')
  await waits.getByRole('button', { name: /^Drop: / }).click()
  await expect(waits).toHaveCount(0)
  await staff.context().close()
})

test.describe('a tablet of staff', () => {
  test.use({ storageState: stateFile('helper'), viewport: { width: 768, height: 1024 } })

  test('has the room and each machine with it, logs at any of them, and gives nothing away after signing out', async ({
    page,
  }) => {
    await page.goto('/room')
    await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 60_000 })
    const knot = (await page
      .getByRole('link', { name: /^Knot, / })
      .first()
      .getAttribute('href'))!
    await page.context().setOffline(true)
    await page.goto(knot)
    await page.getByRole('button', { name: 'Cleaned', exact: true }).click()
    await expect(page.getByRole('region', { name: 'What waits' })).toContainText('1 line waits for the network')
    await page.goto(`${knot}/needle`)
    await expect(page.getByText('Foot off the pedal, power off').first()).toBeVisible()
    await page.context().setOffline(false)
    await expect(page.getByRole('region', { name: 'What waits' })).toHaveCount(0)
    await page.goto(knot)
    await expect(page.getByRole('list', { name: 'Lines of the book, newest first' })).toContainText('Cleaned')
    await page.getByRole('button', { name: 'Sign out' }).click()
    await page.waitForURL('**/sign-in')
    await page.context().setOffline(true)
    expect(
      await page.goto(knot).then(
        () => 'shown',
        () => 'nothing',
      ),
    ).toBe('nothing')
    await page.context().setOffline(false)
  })
})
