import { allAsDrawn, choosePicture, expect, openMachine, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

test('one true round: room, kit, seat check, swatch, needle, book', async ({ page }) => {
  await test.step('the room shows nine machines and what is in them', async () => {
    await page.goto('/room')
    const plan = page.getByRole('group', { name: 'Plan of the room, seen from above' })
    await expect(plan.getByRole('link')).toHaveCount(9)
    await expect(plan.getByRole('link', { name: /^Godwit, stopped: Pedal cord is frayed/ })).toBeVisible()
    await expect(plan.getByRole('link', { name: /^Snipe, due: Nobody knows how old its needle is/ })).toBeVisible()
  })

  await test.step('a kit follows its cloth at once, and says why', async () => {
    await page.getByRole('link', { name: 'Kits', exact: true }).click()
    await page.getByRole('link', { name: /Lotta/ }).click()
    await page.getByLabel('On which machine').selectOption({ label: 'Heron (ready)' })
    const kit = page.getByRole('article', { name: 'Kit' })
    await expect(kit).toContainText('topstitch 80/12')
    await kit.getByLabel('Why this needle').click()
    await expect(kit.locator('[data-reason="needle-size"]')).toContainText('170 g/m²')
    await page.getByLabel('Mass (g/m²)').fill('300')
    await expect(kit).toContainText('universal 90/14')
    await expect(kit.locator('[data-reason="needle-size"]')).toContainText('300 g/m²')
    await page.getByRole('button', { name: 'Give this kit' }).click()
    await expect(page.getByText('Lotta sits at Heron with universal')).toBeVisible()
  })

  await test.step('a new needle takes three taps from the machine, and the old one’s hours are shown', async () => {
    await openMachine(page, 'Heron')
    await page.getByRole('link', { name: 'Change needle' }).click()
    await expect(page.getByText(/Out comes universal 90\/14 with 0\.[1-9] needle hours/)).toBeVisible()
    await page.getByText('Popping or thudding').click()
    await page.getByRole('button', { name: /^Done: universal 90\/14 is in/ }).click()
    await expect(page.getByText('Heron: universal 90/14 in')).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText('Taken back; the book shows both lines')).toBeVisible()
    await expect(page.getByRole('region', { name: 'In it now' })).toContainText('universal 90/14')
    await page.getByRole('link', { name: 'Change needle' }).click()
    await page.getByRole('button', { name: /^Done: universal 90\/14 is in/ }).click()
    await expect(page.getByRole('region', { name: 'In it now' })).toContainText('universal 90/14')
  })

  await test.step('the seat check is this machine’s, ticked on a tablet, and survives a reload', async () => {
    await page.setViewportSize({ width: 768, height: 1024 })
    await page.getByRole('link', { name: 'Seat check' }).click()
    await page.getByRole('link', { name: 'The whole check' }).click()
    await expect(page.getByText('push the case in by its latch')).toBeVisible()
    const first = page.getByRole('button', { name: /^(As drawn|All so): / }).first()
    await first.click()
    await page.reload()
    await expect(first).toHaveAttribute('aria-pressed', 'true')
    await allAsDrawn(page)
    await page.getByRole('button', { name: 'All done' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Read a swatch' })).toBeVisible()
    await page.setViewportSize({ width: 1280, height: 800 })
  })

  await test.step('a swatch is read from pictures: re-thread first, then good', async () => {
    const reading = page.getByRole('region', { name: 'Reading' })
    await choosePicture(page, 'dots of the light bobbin thread')
    await choosePicture(page, 'only the light thread')
    await expect(reading).toContainText('Re-thread the top, foot up')
    await page.getByRole('button', { name: 'Write this swatch down' }).click()
    await expect(page.getByText('Swatch written down').first()).toBeVisible()
    await page.getByLabel('Re-threaded, foot up').check()
    await choosePicture(page, 'only the dark thread')
    await choosePicture(page, 'only the light thread')
    await expect(reading).toContainText('Good: you can sew')
    await page.getByRole('button', { name: 'Write this swatch down' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Heron' })).toBeVisible()
  })

  await test.step('the book has all of it, in order, with who; a wrong line is corrected by another', async () => {
    await expect(page.getByRole('main')).toContainText('ready')
    const lines = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem')
    const titles = [
      'Swatch at 4: balanced',
      'Swatch at 4: top little tight',
      'Seat check passed',
      'Needle: universal 90/14',
      'Correction',
      'Needle: universal 90/14',
    ]
    for (const [index, title] of titles.entries()) {
      await expect(lines.nth(index)).toContainText(title)
      await expect(lines.nth(index)).toContainText('Tobias')
    }
    await expect(lines.nth(5)).toContainText('corrected')
    await lines.nth(1).getByRole('button', { name: 'Correct: Swatch at 4: top little tight' }).click()
    await page.getByLabel('What was wrong?').fill('that was Knot, not Heron')
    await page.getByRole('button', { name: 'Take it back' }).click()
    await expect(lines.first()).toContainText('is taken back. that was Knot, not Heron')
    await page.reload()
    await expect(lines.first()).toContainText('Swatch at 4: top little tight')
  })
})
