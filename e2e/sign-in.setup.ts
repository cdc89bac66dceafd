import { expect, test } from '@playwright/test'
import { LEARNER, SIGN_INS, stateFile } from './people'

for (const [who, data] of Object.entries(SIGN_INS)) {
  test(`${who} signs in`, async ({ page }) => {
    await page.goto('/sign-in')
    await page.getByLabel('Email').fill(data.email)
    await page.getByLabel('Password').fill(data.password)
    await page.getByRole('button', { name: 'Sign in' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
    await page.context().storageState({ path: stateFile(who as keyof typeof SIGN_INS) })
  })
}

test('a learner enters with class code and first name', async ({ page }) => {
  await page.goto('/enter')
  await page.getByLabel('Class code').fill(LEARNER.classCode)
  await page.getByLabel('First name').fill(LEARNER.firstName.toUpperCase())
  await page.getByRole('button', { name: 'Go to my seat' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'fleece headband' })).toBeVisible()
  await page.context().storageState({ path: stateFile('learner') })
})
