import { expect, SIGN_INS, stateFile, test } from './people'

test('a wrong password is said kindly, and what was typed stays', async ({ page }) => {
  await page.goto('/sign-in')
  // Sent by the browser itself, where no script ran, it would not stand in the address either.
  await expect(page.locator('form').filter({ has: page.getByLabel('Password') })).toHaveAttribute('method', 'post')
  await page.getByLabel('Email').fill(SIGN_INS.helper.email)
  await page.getByLabel('Password').fill('not-this-one-1')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: /\w/ })).toBeVisible()
  await expect(page.getByLabel('Email')).toHaveValue(SIGN_INS.helper.email)
})

test('nobody signs up by themselves', async ({ request }) => {
  const answer = await request.post('/api/sign-in/sign-up/email', {
    data: { email: 'me@x.example', password: 'long-enough-1', name: 'Me' },
  })
  expect(answer.ok()).toBe(false)
})

test('pages carry a strict policy with a fresh nonce, and the cookie is for the server alone', async ({ browser }) => {
  const context = await browser.newContext({ storageState: stateFile('helper') })
  const [first, second] = [await context.request.get('/room'), await context.request.get('/room')]
  const policy = first.headers()['content-security-policy']!
  const scripts = policy.split('; ').find((part) => part.startsWith('script-src'))!
  expect(scripts).not.toContain('unsafe')
  expect(scripts).toMatch(/'nonce-[^']+'/)
  expect(second.headers()['content-security-policy']).not.toBe(policy)
  expect(policy).toContain("frame-ancestors 'none'")
  const cookies = await context.cookies()
  expect(cookies.filter(({ name }) => name.includes('session_token'))).toEqual([
    expect.objectContaining({ httpOnly: true, sameSite: 'Lax' }),
  ])
  await context.close()
})

test('signing out ends it', async ({ page, browser }) => {
  // A sign-in of its own, so that the shared ones live on.
  const fresh = await browser.newContext({ storageState: { cookies: [], origins: [] } })
  const own = await fresh.newPage()
  await own.goto('/enter')
  await own.getByLabel('Class code').fill('salt-boathouse')
  await own.getByLabel('First name').fill('Juna')
  await own.getByRole('button', { name: 'Go to my seat' }).click()
  await expect(own.getByText('You sit at Avocet')).toBeVisible()
  await own.getByRole('button', { name: 'Sign out' }).click()
  await expect(own.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()
  await own.goto('/station')
  await expect(own).toHaveURL(/sign-in/)
  await fresh.close()
  await page.close()
})
