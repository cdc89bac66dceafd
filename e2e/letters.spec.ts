import type { InboxLetter } from '@/stand-ins/inbox'
import { INBOX_URL } from './demo-copy'
import { expect, stateFile, test } from './people'

test.use({ storageState: stateFile('coordinator') })

/** The newest letter to an address, waited for. */
async function letterTo(address: string): Promise<InboxLetter> {
  let found: InboxLetter | undefined
  await expect(async () => {
    const letters = (await (await fetch(`${INBOX_URL}/letters`)).json()) as InboxLetter[]
    found = letters.find(({ to }) => to.includes(address))
    expect(found).toBeDefined()
  }).toPass()
  return found!
}
const linkIn = ({ text }: InboxLetter): string => new URL(/https?:\/\/\S+/.exec(text)![0]).search

test('a colleague is invited by mail, and gets a new password by mail without anybody’s help', async ({
  page,
  browser,
  baseURL,
}) => {
  await page.goto('/people')
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByLabel('Name', { exact: true }).fill('Wren')
  await page.getByLabel('Role', { exact: true }).selectOption('instructor')
  await page.getByRole('button', { name: 'Invite' }).click()
  await page.getByLabel('Or mail it to Wren').fill('wren@saltmarsh')
  await page.getByRole('button', { name: 'Send it' }).click()
  await expect(page.getByText(/^Must be .*email/)).toBeVisible()
  await page.getByLabel('Or mail it to Wren').fill('wren@saltmarsh.example')
  await page.getByRole('button', { name: 'Send it' }).click()
  await expect(page.getByText('It is on its way to wren@saltmarsh.example')).toBeVisible()

  const theirs = await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  const other = await theirs.newPage()
  await other.goto(`/join${linkIn(await letterTo('wren@saltmarsh.example'))}`)
  await expect(other.getByRole('heading', { name: 'Welcome, Wren' })).toBeVisible()
  await expect(other.locator('html[data-listening]')).toBeAttached()
  await other.getByLabel('Email you sign in with').fill('wren@saltmarsh.example')
  await other.getByLabel('Password', { exact: true }).fill('the-first-password')
  await other.getByRole('button', { name: 'Come in' }).click()
  await expect(other.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()

  // Forgotten: an address that nobody has is answered just the same.
  const again = await (
    await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  ).newPage()
  await again.goto('/sign-in')
  await again.getByRole('link', { name: 'Password forgotten' }).click()
  await expect(again.locator('html[data-listening]')).toBeAttached()
  for (const address of ['nobody@saltmarsh.example', 'wren@saltmarsh.example']) {
    await again.getByLabel('Email you sign in with').fill(address)
    await again.getByRole('button', { name: 'Send me a link' }).click()
    await expect(again.getByText(`If anybody signs in with ${address}`)).toBeVisible()
  }
  await expect(async () => {
    expect((await letterTo('wren@saltmarsh.example')).subject).toMatch(/^A new password/)
  }).toPass()
  const letters = (await (await fetch(`${INBOX_URL}/letters`)).json()) as InboxLetter[]
  expect(letters.flatMap(({ to }) => to)).not.toContain('nobody@saltmarsh.example')
  await again.goto(`/join${linkIn(await letterTo('wren@saltmarsh.example'))}`)
  await expect(again.locator('html[data-listening]')).toBeAttached()
  await again.getByLabel('New password').fill('the-second-password')
  await again.getByRole('button', { name: 'Keep this password' }).click()
  await expect(again.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  // Everywhere else they are signed out.
  await expect(async () => {
    await other.goto('/room')
    await expect(other.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible({ timeout: 500 })
  }).toPass()
})
