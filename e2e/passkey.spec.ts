import type { Page } from '@playwright/test'
import { connect } from '@/store/connect'
import { expect, SIGN_INS, stateFile, test } from './people'

test.use({ storageState: { cookies: [], origins: [] } })

/** A device with a lock of its own, which asks for a finger; whether the finger is the right one is said by the test. */
async function withALock(page: Page) {
  const device = await page.context().newCDPSession(page)
  await device.send('WebAuthn.enable')
  const { authenticatorId } = await device.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
  return {
    rightFinger: (isUserVerified: boolean) =>
      device.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified }),
  }
}

const signIn = async (page: Page) => {
  await page.goto('/sign-in')
  await page.getByLabel('Email').fill(SIGN_INS.helper.email)
  await page.getByLabel('Password').fill(SIGN_INS.helper.password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
}
const signOut = async (page: Page) => {
  await page.goto('/you')
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await page.waitForURL('**/sign-in')
  await expect(page.getByRole('button', { name: 'Sign in with a passkey' })).toBeEnabled()
}
const wrong = (page: Page) => page.getByRole('alert').filter({ hasText: /\w/ })

test('a passkey is made on a device, lets its owner in without a password, and opens nothing once it is taken away', async ({
  page,
}) => {
  const { rightFinger } = await withALock(page)
  await signIn(page)
  await page.goto('/you')
  const name = (await page.getByRole('heading', { level: 1 }).innerText()).split(',')[0]!
  await page.getByRole('button', { name: 'Add a passkey on this device' }).click()
  const own = page.getByRole('list', { name: 'Your passkeys' }).getByRole('listitem')
  await expect(own).toHaveCount(1)
  await expect(own).toContainText('Made on a computer')
  await page.getByRole('button', { name: 'Add a passkey on this device' }).click()
  await expect(wrong(page)).toHaveText('This device keeps a passkey for you already.')

  await signOut(page)
  const enter = page.getByRole('button', { name: 'Sign in with a passkey' })
  await rightFinger(false)
  await enter.click()
  await expect(wrong(page)).toHaveText(/^Nothing was done/)
  await rightFinger(true)
  await enter.click()
  await expect(page.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await page.goto('/you')
  await expect(page.getByRole('heading', { level: 1 })).toContainText(name)

  await page.getByRole('button', { name: /^Take away the passkey made on a computer/ }).click()
  await expect(own).toHaveCount(0)
  await signOut(page)
  await enter.click()
  await expect(wrong(page)).toHaveText('That passkey opens nothing here any more. Sign in with your password.')
})

test('a key that somebody found lets them in nowhere: whoever holds it is made sure of, whatever the page asked', async ({
  page,
}) => {
  const { rightFinger } = await withALock(page)
  await signIn(page)
  await page.goto('/you')
  await page.getByRole('button', { name: 'Add a passkey on this device' }).click()
  await expect(page.getByRole('list', { name: 'Your passkeys' })).toBeVisible()
  await signOut(page)
  // A page that was tampered with asks the key for no finger.
  await page.route('**/generate-authenticate-options', async (route) => {
    const answer = await route.fetch()
    const options = (await answer.json()) as object
    await route.fulfill({ response: answer, json: { ...options, userVerification: 'discouraged' } })
  })
  await rightFinger(false)
  const refused = page.waitForResponse('**/verify-authentication')
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click()
  expect((await refused).status()).toBe(401)
  await expect(wrong(page)).toContainText('did not make sure that it is you')
  await page.goto('/room')
  await expect(page).toHaveURL(/\/sign-in/)
})

test('nobody adds theirs at a device that was left open, and a learner none at all', async ({
  page,
  demo,
  browser,
}) => {
  await withALock(page)
  await signIn(page)
  await page.goto('/you')
  const store = connect(demo.databaseUrl)
  await store
    .updateTable('sign_in_session')
    .set({ createdAt: new Date(Date.now() - 20 * 24 * 3_600_000) })
    .where('userId', 'in', (users) =>
      users.selectFrom('sign_in_user').select('id').where('email', '=', SIGN_INS.helper.email),
    )
    .execute()
  await store.deleteFrom('sign_in_passkey').execute()
  await store.destroy()
  // Whoever has been signed in for weeks finds everything else about themselves all the same.
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Signed in' })).toBeVisible()
  await page.getByRole('button', { name: 'Add a passkey on this device' }).click()
  await expect(wrong(page)).toHaveText(/You signed in a while ago/)
  await expect(page.getByRole('list', { name: 'Your passkeys' })).toHaveCount(0)

  const seat = await browser.newContext({ baseURL: demo.url, storageState: stateFile('learner') })
  expect((await seat.request.get('/api/sign-in/passkey/generate-register-options')).status()).toBe(403)
  await seat.close()
})
