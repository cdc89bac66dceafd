import { expect, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

test('a session is closed: a needle that is missing, machines set back in one tap each, and what the class is told', async ({
  page,
}) => {
  await page.goto('/sessions')
  await page.getByRole('link', { name: /^Thu / }).first().click()
  await page.getByRole('link', { name: 'Close', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Needles not back' })).toContainText('universal 80/12')
  let taps = 0
  const done = page.getByRole('button', { name: /^Done at / })
  await expect(done.first()).toBeVisible()
  for (let left = await done.count(); left > 0; left -= 1) {
    const words = (await done.first().getAttribute('aria-label'))!
    await done.first().click()
    taps += 1
    await expect(page.getByRole('button', { name: words, exact: true })).toHaveCount(0)
  }
  console.log(`a session is closed in ${taps} taps`)
  await expect(page.getByRole('status').filter({ hasText: 'A needle is missing' })).toBeVisible()
  await expect(page.getByText(/no swatch was read since something changed/i)).toBeVisible()
  await expect(page.getByRole('region', { name: 'For next time' })).toContainText(/we meet again on Thu /)
  await expect(page.getByText('Sharps tub closed')).toBeVisible()
})
