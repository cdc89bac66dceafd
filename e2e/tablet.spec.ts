import type { Browser, Page } from '@playwright/test'
import { expect, openMachine, SIGN_INS, stateFile, test } from './people'

test.use({ storageState: stateFile('coordinator') })

const tapPin = async (page: Page, pin: string) => {
  for (const digit of pin) await page.getByRole('button', { name: digit, exact: true }).click()
}
/** A device that nobody is signed in on. */
const aDevice = async (browser: Browser, baseURL: string) => {
  const context = await browser.newContext({
    baseURL,
    serviceWorkers: 'block',
    storageState: { cookies: [], origins: [] },
  })
  return { context, device: await context.newPage() }
}

test('a tablet of the room is held by a tap and four digits, writes in that name, falls asleep, and is ended', async ({
  page,
  browser,
  baseURL,
}) => {
  // The instructor gives herself a PIN; one that everybody would try first is not taken.
  const own = await browser.newContext({ baseURL: baseURL!, storageState: stateFile('instructor') })
  const hers = await own.newPage()
  await hers.goto('/you')
  await hers.getByLabel('Four digits').fill('1234')
  await hers.getByLabel('Your password').fill(SIGN_INS.instructor.password)
  await hers.getByRole('button', { name: 'Keep it' }).click()
  await expect(hers.getByText('not four in a row')).toBeVisible()
  await hers.getByLabel('Four digits').fill('2580')
  await hers.getByRole('button', { name: 'Keep it' }).click()
  await expect(hers.getByText('That is your PIN now')).toBeVisible()
  const name = (await hers.getByRole('heading', { level: 1 }).innerText()).split(',')[0]!
  await own.close()

  await page.goto('/people')
  await page.getByRole('combobox', { name: 'For', exact: true }).selectOption('room-tablet')
  await page.getByLabel('Called').fill('by the window')
  await page.getByRole('button', { name: 'Make it' }).click()
  const link = await page.getByRole('link', { name: /\/tablet#/ }).getAttribute('href')

  const { context, device } = await aDevice(browser, baseURL!)
  await device.clock.install()
  await device.goto(link!)
  await expect(device.getByRole('heading', { name: 'Who has it in hand?' })).toBeVisible()
  await device.getByRole('button', { name }).click()
  await tapPin(device, '2581')
  await expect(device.getByRole('alert').filter({ hasText: 'That is not the PIN' })).toBeVisible()
  await tapPin(device, '2580')
  await expect(device.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()

  await openMachine(device, 'Heron')
  await device.getByRole('button', { name: 'Note …' }).click()
  await device.getByLabel('Note', { exact: true }).fill('Written on the tablet')
  await device.getByRole('button', { name: 'Write it down' }).click()
  const line = device.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem').first()
  await expect(line).toContainText('Written on the tablet')
  await expect(line).toContainText(name)

  // Four digits are worth nothing beyond this tablet: no passkey is made or taken away by them.
  expect((await device.request.get('/api/sign-in/passkey/generate-register-options')).status()).toBe(403)
  const taken = await device.request.post('/api/sign-in/passkey/delete-passkey', {
    data: { id: 'any' },
    headers: { origin: baseURL! },
  })
  expect(taken.status()).toBe(403)

  // Nobody touches it for as long as it stays awake.
  await device.clock.fastForward('05:05')
  await expect(device.getByRole('heading', { name: 'Who has it in hand?' })).toBeVisible()
  await device.goto('/room')
  await expect(device).toHaveURL(/\/tablet$/)

  await device.getByRole('button', { name }).click()
  await tapPin(device, '2580')
  await expect(device.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  // A tap on a page that does not listen yet is lost.
  await device.locator('html[data-listening]').waitFor({ state: 'attached' })
  await device.getByRole('button', { name: 'Put down' }).click()
  await expect(device.getByRole('heading', { name: 'Who has it in hand?' })).toBeVisible()

  await page.getByRole('button', { name: 'End the key by the window' }).click()
  await expect(page.getByText('by the window opens nothing any more')).toBeVisible()
  await device.goto('/tablet')
  await expect(device.getByRole('heading', { name: 'This device is no tablet of a room' })).toBeVisible()
  await device.goto(link!)
  await device.reload()
  await expect(device.getByRole('alert').filter({ hasText: 'makes no tablet any more' })).toBeVisible()
  await context.close()
})

test('five wrong PINs close the pad to that person for a while, and to nobody else', async ({
  browser,
  baseURL,
  page,
}) => {
  const secret = 's'.repeat(43)
  const body = { keyId: crypto.randomUUID(), purpose: 'room-tablet', name: 'hall', secret }
  const made = await page.request.post('/api/commands/make-key', { data: { commandId: crypto.randomUUID(), body } })
  expect(made.status()).toBe(200)
  const context = await browser.newContext({
    baseURL: baseURL!,
    storageState: { cookies: [], origins: [] },
    extraHTTPHeaders: { origin: baseURL! },
  })
  const ask = (path: string, data: object) => context.request.post(`/api/sign-in/${path}`, { data })
  const personId = crypto.randomUUID()
  // A device that is no tablet is not even asked for a PIN.
  expect((await ask('tablet', { personId, pin: '2580' })).status()).toBe(403)
  expect((await ask('settle', { secret: 'x'.repeat(43) })).status()).toBe(403)
  expect((await ask('settle', { secret })).status()).toBe(200)
  const tries: number[] = []
  for (let index = 0; index < 7; index += 1) tries.push((await ask('tablet', { personId, pin: '0001' })).status())
  expect(tries).toEqual([401, 401, 401, 401, 401, 429, 429])
  expect((await ask('tablet', { personId: crypto.randomUUID(), pin: '0001' })).status()).toBe(401)
  expect((await ask('tablet', { personId, pin: 'none' })).status()).toBe(400)
  await context.close()
})

test('four digits open a class and not the venue: people, keys and a release take a sign-in of one’s own', async ({
  browser,
  baseURL,
  page,
}) => {
  const { request } = page
  const origin = { origin: baseURL! }
  const secret = 't'.repeat(43)
  const write = (from: typeof request, name: string, body: object) =>
    from.post(`/api/commands/${name}`, { headers: origin, data: { commandId: crypto.randomUUID(), body } })
  const key = { keyId: crypto.randomUUID(), purpose: 'room-tablet', name: 'door', secret }
  expect((await write(request, 'make-key', key)).status()).toBe(200)
  const kept = await request.post('/api/sign-in/pin', {
    headers: origin,
    data: { password: SIGN_INS.coordinator.password, pin: '3791' },
  })
  expect(kept.status()).toBe(200)
  await page.goto('/you')
  const name = (await page.getByRole('heading', { level: 1 }).innerText()).split(',')[0]!

  const { context, device } = await aDevice(browser, baseURL!)
  await context.request.post('/api/sign-in/settle', { headers: origin, data: { secret } })
  await device.goto('/tablet')
  await device.getByRole('button', { name }).click()
  await tapPin(device, '3791')
  await expect(device.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await expect(device.getByRole('link', { name: 'People' })).toHaveCount(0)

  const nowhere = crypto.randomUUID()
  const released = {
    machineId: nowhere,
    happenedAt: new Date().toISOString(),
    kind: 'released',
    body: { because: 'x' },
  }
  for (const [command, body] of [
    ['change-role', { personId: nowhere, role: 'coordinator' }],
    ['make-key', { ...key, keyId: crypto.randomUUID(), secret: 'u'.repeat(43) }],
    ['log', released],
  ] as const) {
    const by = { pin: await write(device.request, command, body), password: await write(request, command, body) }
    expect([command, by.pin.status()]).toEqual([command, 403])
    expect(await by.pin.text()).toContain('sign in with your password, on a device of your own')
    expect([command, by.password.status()]).not.toEqual([command, 403])
  }
  expect((await device.request.get('/people')).status()).toBe(404)
  expect((await device.request.get('/api/archive')).status()).not.toBe(200)
  // What an instructor does they do there, in their own name.
  await openMachine(device, 'Knot')
  const noted = await write(device.request, 'log', {
    machineId: new URL(device.url()).pathname.split('/').at(-1)!,
    happenedAt: new Date().toISOString(),
    kind: 'noted',
    body: { text: 'By four digits' },
  })
  expect(noted.status()).toBe(200)
  await device.reload()
  const line = device.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem').first()
  await expect(line).toContainText('By four digits')
  await expect(line).toContainText(name)
  await context.close()
})
