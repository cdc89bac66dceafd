import { expect as expected, test, type Page } from '@playwright/test'
import type { RunningServer } from '@/bin/serve/next-server'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { setupWord } from '@/store/site/setup'
import { asAdmin, databaseUrl, SECRET, serve } from './demo-copy'

const expect = expected.configure({ timeout: 15_000 })
const NAMES = ['Petrel', 'Fulmar', 'Gannet', 'Skua', 'Puffin', 'Razorbill', 'Shag', 'Eider', 'Scoter']

/** A server whose database holds nothing: no venue, no person. */
let server: RunningServer
test.beforeAll(async () => {
  await asAdmin('create database first_run')
  const url = databaseUrl('first_run')
  const store = connect(url)
  await migrate(store)
  await store.destroy()
  server = await serve(url)
})
test.setTimeout(120_000)
test.use({ actionTimeout: 15_000 })
test.afterAll(async () => {
  await server.stop()
  await asAdmin('drop database first_run with (force)')
})

/** Every tap of the journey, counted as a person would feel it. */
let taps = 0
const tap = async (page: Page, name: string | RegExp, role: 'button' | 'link' = 'button') => {
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByRole(role, { name }).first().click()
  taps += 1
}

test('an empty server: claimed with the word that was printed, nine machines, a class, a list, a session, a plan', async ({
  page,
}) => {
  await page.goto(server.url)
  await expect(page.getByRole('heading', { name: 'A new venue' })).toBeVisible()
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByLabel('Setup word').fill('aaaa-bbbb-cccc')
  await page.getByLabel('Name of the venue').fill('The Salt Loft')
  await page.getByLabel('Time zone').selectOption('Europe/London')
  await page.getByLabel('Your name').fill('Noor')
  await page.getByLabel('Email you sign in with').fill('noor')
  await page.getByLabel('Password').fill('short')
  await tap(page, 'Make the venue')
  await expect(page.getByText('Must be written as an email address')).toBeVisible()
  await expect(page.getByText('Must be at least 10 characters long')).toBeVisible()
  await page.getByLabel('Email you sign in with').fill('noor@loft.example')
  await page.getByLabel('Password').fill('a-long-password')
  await tap(page, 'Make the venue')
  await expect(page.getByText('That is not the setup word')).toBeVisible()
  await expect(page.getByLabel('Name of the venue')).toHaveValue('The Salt Loft')
  await page.getByLabel('Setup word').fill(setupWord(SECRET))
  await tap(page, 'Make the venue')

  await expect(page.getByRole('heading', { name: 'Getting The Salt Loft ready' })).toBeVisible()
  const started = Date.now()
  for (const [index, name] of NAMES.entries()) {
    await tap(page, index === 0 ? 'Add the first machine' : 'Add another machine', 'link')
    await page.getByLabel('A short name people say aloud').fill(name)
    await tap(page, /^Electronic machine/)
    await tap(page, 'Put it in the room')
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
    await page.goto(`${server.url}/begin`)
  }
  await expect(page.getByText('9 machines stand here')).toBeVisible()

  await tap(page, 'Say who helps', 'link')
  await page.getByLabel('First-aider, and how to reach them').fill('Noor')
  await page.getByLabel('Where the first-aid box is').fill('By the door')
  await tap(page, 'Save the house rules')
  await expect(page.getByText('The house rules are changed')).toBeVisible()
  await page.goto(`${server.url}/begin`)
  await expect(page.getByText('it says who helps')).toBeVisible()

  await tap(page, 'Open a class', 'link')
  await page.getByLabel('Name of the class').fill('First Thursdays')
  await tap(page, 'Open the class')
  await expect(page.getByText('First Thursdays is open')).toBeVisible()
  await page.goto(`${server.url}/begin`)

  await tap(page, 'Bring in a list', 'link')
  const rows = ['Ida', 'Jon', 'Kim', 'Lea', 'Max', 'Nia'].map((who, index) => `${who},tote ${index},poplin,seam,2,4`)
  await page
    .getByRole('textbox')
    .first()
    .fill(['learner,project,cloth,operation,seam_layers,crossing_layers', ...rows].join('\n'))
  await tap(page, /^Read/)
  await tap(page, /^Hang/)
  await expect(page.getByText(/bags? hang/).first()).toBeVisible()
  await page.goto(`${server.url}/begin`)
  await expect(page.getByText('6 bags hang')).toBeVisible()

  await tap(page, 'Put one in the calendar', 'link')
  const inAWeek = new Date(Date.now() + 7 * 24 * 3_600_000).toISOString().slice(0, 10)
  await page.getByLabel('First day').fill(inAWeek)
  await tap(page, 'Put it in the calendar')
  await expect(page.getByRole('heading', { level: 1, name: 'Sessions' })).toBeVisible()
  await tap(page, /18:00/, 'link')
  await tap(page, 'Plan the session')
  await expect(page.getByText(/6 of 6 seated/).first()).toBeVisible()
  expect(Date.now() - started).toBeLessThan(15 * 60_000)
  console.log(`${taps} taps from an empty server to a planned session`)
  expect(taps).toBeLessThan(60)

  // Claimed, it is claimed: a stranger who comes later is sent to sign in.
  await page.context().clearCookies()
  await page.goto(`${server.url}/setup`)
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()
})
