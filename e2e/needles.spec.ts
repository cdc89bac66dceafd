import { allAsDrawn, expect, openLine, openMachine, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

test('a needle is changed step by step, worded for the machine, power off first', async ({ page }) => {
  await openMachine(page, 'Knot')
  await page.getByRole('link', { name: 'Change needle' }).click()
  await page.getByText('Skipped stitches').click()
  await page.getByRole('button', { name: 'Step by step' }).click()
  const step = page.getByRole('region', { name: /^Step \d+/ })
  await expect(step).toContainText('Foot off the pedal, power off')
  const seen: string[] = []
  for (;;) {
    seen.push(await step.innerText())
    const next = page.getByRole('button', { name: 'Done, next' })
    if ((await next.count()) === 0) break
    const before = await step.getAttribute('aria-label')
    await next.click()
    await expect(step).not.toHaveAttribute('aria-label', before!)
  }
  const all = seen.join('\n')
  // Its own flat, its own way round, its own side.
  expect(all).toContain('Flat to the left')
  expect(all).toContain('from right to left')
  expect(all).toContain('at the left')
  await page.getByRole('button', { name: 'Back' }).click()
  await page.getByRole('button', { name: 'Done, next' }).click()
  await page.getByRole('button', { name: /^Done: .* is in$/ }).click()
  const lines = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem')
  await expect(lines.first()).toContainText('Needle: ')
  await expect(lines.first()).toContainText('because skipped')
})

test('one typed line changes a needle as well, and a filter finds the lines about needles', async ({ page }) => {
  await openMachine(page, 'Plover')
  await (await openLine(page)).fill('plover needle universal 90 popping')
  await expect(page.getByText(/Plover: .*universal 90\/14/i).first()).toBeVisible()
  await page.keyboard.press('Enter')
  // The line shows what it would write; once it is written, it is gone.
  await expect(page.getByLabel('A line for the book')).toBeHidden()
  await openMachine(page, 'Plover')
  await page.getByRole('navigation', { name: 'Only lines about' }).getByRole('link', { name: 'needles' }).click()
  const lines = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem')
  await expect(page).toHaveURL(/about=needles/)
  await expect(lines.first()).toContainText('Needle: universal 90/14')
  for (const text of await lines.allInnerTexts()) expect(text).toMatch(/Needle|Sewn/)
  await page.getByRole('navigation', { name: 'Only lines about' }).getByRole('link', { name: 'trouble' }).click()
  await expect(page).toHaveURL(/about=trouble/)
})

for (const { machine, says, never } of [
  { machine: 'Snipe', says: 'push the case in by its latch', never: 'Drop the bobbin in' },
  { machine: 'Curlew', says: 'Drop the bobbin in so that', never: 'by its latch' },
  { machine: 'Turnstone', says: 'Load it from the side', never: 'Flat to the' },
]) {
  test(`the seat check of ${machine} is its own, and asks again only what a change made stale`, async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await page.goto('/room?view=list')
    await page.getByRole('link', { name: new RegExp(machine) }).click()
    await expect(page.getByRole('heading', { level: 1, name: machine })).toBeVisible()
    await page.goto(`${page.url()}/check?only=all`)
    await expect(page.getByText(says)).toBeVisible()
    await expect(page.getByText(never)).toHaveCount(0)
    const steps = page.locator('main ol > li ul > li')
    const whole = await steps.count()
    const taps = (await allAsDrawn(page)) + 1
    console.log(`the whole seat check of ${machine}: ${taps} taps for ${whole} steps`)
    expect(taps).toBeLessThanOrEqual(9)
    await page.getByRole('button', { name: 'All done' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Read a swatch' })).toBeVisible()

    await page.goto(page.url().replace('/swatch', '/check'))
    await expect(page.getByText('Every step that was checked still holds')).toBeVisible()

    // A clean takes the bobbin out: it is asked again, and little else.
    await page.goto(page.url().replace('/check', ''))
    await expect(page.getByRole('heading', { level: 1, name: machine })).toBeVisible()
    await page.getByRole('button', { name: 'Cleaned', exact: true }).click()
    await expect(page.getByRole('list', { name: 'Lines of the book, newest first' })).toContainText('Cleaned')
    await page.getByRole('link', { name: 'Seat check' }).click()
    await expect(page.getByText('Only what has changed since it was last checked.')).toBeVisible()
    await expect(steps.first()).toBeVisible()
    expect(await steps.count()).toBeLessThan(whole / 2)
    await page
      .getByRole('button', { name: /^Something is not so: / })
      .first()
      .click()
    await page.getByRole('radiogroup').first().getByRole('radio', { name: 'Not yet' }).click()
    await expect(page.getByRole('status').filter({ hasText: 'Now:' })).toBeVisible()
    await page.getByRole('link', { name: 'The whole check' }).click()
    await expect(steps).toHaveCount(whole)
  })
}
