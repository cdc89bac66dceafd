import { allAsDrawn, choosePicture, expect, stateFile, test } from './people'

test.use({ storageState: stateFile('learner'), viewport: { width: 390, height: 844 } })

test('a learner at their seat: bag, seat check with a fail, swatch', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByText('You sit at Curlew')).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Places' }).getByRole('link')).toHaveText(['Your seat', 'Lab'])
  await page.getByRole('link', { name: 'Seat check' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Seat check on Curlew' })).toBeVisible()
  await page.goto('/station/check?only=all')
  await expect(page.getByText('Drop the bobbin in')).toBeVisible()
  // A word that nobody explained yet is told at a tap, and the tap leaves the place as it was.
  await page.getByRole('button', { name: 'discs', exact: true }).first().click()
  const told = page.getByRole('dialog', { name: 'tension discs' })
  await expect(told).toContainText('Thread with the foot up')
  await told.getByRole('button', { name: 'I see' }).click()
  await expect(told).toHaveCount(0)
  await allAsDrawn(page)
  // One thing of a station is not so: it is opened, and said thing by thing.
  await page.getByRole('button', { name: 'Something is not so: Stitch and dial' }).click()
  await page
    .getByRole('radiogroup', { name: /^Stitch/ })
    .first()
    .getByRole('radio', { name: 'Not yet' })
    .click()
  await page.getByRole('button', { name: 'Write it down' }).click()
  // What did not pass leads on to the finder, which starts from there.
  await expect(page.getByRole('heading', { level: 1, name: 'What is wrong with Curlew?' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Look at this next' })).toBeVisible()
  await page.goto('/station')
  await expect(page.getByRole('img', { name: 'Step 2 of 5: seat check' })).toBeVisible()
  await page.getByRole('link', { name: 'Read my swatch' }).click()
  await expect(page.getByRole('radio', { name: 'only the dark thread' })).toBeEnabled()
  await choosePicture(page, 'only the dark thread')
  await choosePicture(page, 'a nest of dark top thread')
  await expect(page.getByRole('region', { name: 'Reading' })).toContainText('This is threading, not tension')
  await page.getByRole('button', { name: 'Write this swatch down' }).click()
  await expect(page.getByText('Swatch written down')).toBeVisible()
  const width = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(width).toBeLessThanOrEqual(390)
})
