import { expect, test, type Page } from '@playwright/test'
import type { RunningServer } from '@/bin/serve/next-server'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { setupWord } from '@/store/site/setup'
import { asAdmin, databaseUrl, SECRET, serve } from './demo-copy'

const NAME = 'practice_beside'
let server: RunningServer
test.beforeAll(async () => {
  await asAdmin(`create database ${NAME}`)
  const store = connect(databaseUrl(NAME))
  await migrate(store)
  await store.destroy()
  server = await serve(databaseUrl(NAME))
})
test.afterAll(async () => {
  await server.stop()
  await asAdmin(`drop database ${NAME} with (force)`)
})

const listening = (page: Page) => expect(page.locator('html[data-listening]')).toBeAttached()

test('a practice room is looked around in first, stands beside the venue, and is thrown away', async ({ page }) => {
  await page.goto(server.url)
  await listening(page)
  await page.getByText('Look around in a practice room first').click()
  await page.getByLabel('The word that was printed').fill('aaaa-bbbb-cccc')
  await page.getByRole('button', { name: 'Open a practice room' }).click()
  await expect(page.getByText('That is not the setup word')).toBeVisible()
  await page.getByLabel('The word that was printed').fill(setupWord(SECRET))
  await page.getByRole('button', { name: 'Open a practice room' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible({ timeout: 120_000 })
  await expect(page.getByText('Heron').first()).toBeVisible()

  // One's own venue is made all the same, with the same word.
  await page.context().clearCookies()
  await page.goto(`${server.url}/setup`)
  await listening(page)
  await page.getByLabel('Setup word').fill(setupWord(SECRET))
  await page.getByLabel('Name of the venue').fill('The Salt Loft')
  await page.getByText('inches', { exact: true }).click()
  await page.getByLabel('Your name').fill('Noor')
  await page.getByLabel('Email you sign in with').fill('noor@loft.example')
  await page.getByLabel('Password').fill('a-long-password')
  await page.getByRole('button', { name: 'Make the venue' }).click()
  await expect(page.getByRole('heading', { name: 'Getting The Salt Loft ready' })).toBeVisible()
  await page.goto(`${server.url}/setup`)
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()

  await page.goto(`${server.url}/venue`)
  await listening(page)
  await expect(page.getByRole('radio', { name: 'inches' })).toBeChecked()
  await page.getByRole('button', { name: 'Open a practice room' }).click()
  await page.getByRole('button', { name: 'Go there' }).click({ timeout: 120_000 })
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await page.goto(`${server.url}/venue`)
  await listening(page)
  await page.getByRole('button', { name: 'Throw it away …' }).click()
  await page.getByRole('button', { name: 'Throw it away now' }).click()
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()

  // The venue is as it was.
  await page.getByLabel('Email').fill('noor@loft.example')
  await page.getByLabel('Password').fill('a-long-password')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await expect(page.getByText('Heron')).toHaveCount(0)
})
