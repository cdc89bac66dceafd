import { expect, stateFile, test } from './people'

test.use({ storageState: stateFile('coordinator') })

test('a colleague is invited, comes in, is made more, forgets a password, leaves and comes back', async ({
  page,
  browser,
  baseURL,
}) => {
  await page.goto('/people')
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByRole('button', { name: 'Invite' }).click()
  await expect(page.getByText('Fill this in')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Perrin')
  await page.getByLabel('Role', { exact: true }).selectOption('helper')
  await page.getByRole('button', { name: 'Invite' }).click()
  const shown = page.getByRole('status').filter({ hasText: 'For Perrin' })
  const code = await shown.locator('.numeral').innerText()
  await expect(page.getByRole('main').getByRole('listitem').filter({ hasText: 'Perrin' })).toContainText(
    'to come in as helper',
  )

  // On a device of their own, with nothing but the code.
  const theirs = await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  const other = await theirs.newPage()
  await other.goto('/join')
  await other.getByLabel('Code').fill('zzzz-zzzz-zzzz')
  await other.getByRole('button', { name: 'Go on' }).click()
  await expect(other.getByText('This code lets nobody in')).toBeVisible()
  await other.getByLabel('Code').fill(code.toUpperCase())
  await other.getByRole('button', { name: 'Go on' }).click()
  await expect(other.getByRole('heading', { name: 'Welcome, Perrin' })).toBeVisible()
  await expect(other.locator('html[data-listening]')).toBeAttached()
  await other.getByLabel('Email you sign in with').fill('helper@saltmarsh.example')
  await other.getByLabel('Password', { exact: true }).fill('perrins-password')
  await other.getByRole('button', { name: 'Come in' }).click()
  await expect(other.getByText('Somebody signs in with this address already')).toBeVisible()
  await expect(other.getByLabel('Password', { exact: true })).toHaveValue('perrins-password')
  await other.getByLabel('Email you sign in with').fill('perrin@saltmarsh.example')
  await other.getByRole('button', { name: 'Come in' }).click()
  await expect(other.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await expect(other.getByRole('link', { name: 'People' })).toHaveCount(0)

  await page.reload()
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByLabel('Role of Perrin').selectOption('coordinator')
  await expect(page.getByText('Perrin is coordinator now')).toBeVisible()
  await other.reload()
  await expect(other.getByRole('link', { name: 'People' })).toBeVisible()

  // Their own password, by who knows the old one.
  await other.goto('/you')
  await expect(other.locator('html[data-listening]')).toBeAttached()
  await other.getByLabel('Password now').fill('not-the-password')
  await other.getByLabel('New password').fill('a-better-password')
  await other.getByRole('button', { name: 'Change it' }).click()
  await expect(other.getByText('That is not your password now')).toBeVisible()
  await other.getByLabel('Password now').fill('perrins-password')
  await other.getByRole('button', { name: 'Change it' }).click()
  await expect(other.getByText('Your password is changed')).toBeVisible()

  // What they measure in is their own: the venue's numbers stay as they are.
  await other.getByText('inches', { exact: true }).click()
  await expect(other.getByText('You see it that way on every page from now on')).toBeVisible()
  await other.goto('/kits/new')
  await expect(other.getByLabel('Thickness of one layer (thou)')).toBeVisible()
  await page.goto('/kits/new')
  await expect(page.getByLabel('Thickness of one layer (mm)')).toBeVisible()
  await page.goto('/people')

  // Forgotten after all: a code read out, and every other device is signed out.
  const row = page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ has: page.getByLabel('Role of Perrin') })
  await row.getByRole('button', { name: 'New password' }).click()
  const again = await row.getByRole('status').locator('.numeral').innerText()
  const third = await (
    await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  ).newPage()
  await third.goto(`/join?code=${again}`)
  await expect(third.getByRole('heading', { name: 'A new password, Perrin' })).toBeVisible()
  await expect(third.locator('html[data-listening]')).toBeAttached()
  await third.getByLabel('New password').fill('the-third-password')
  await third.getByRole('button', { name: 'Keep this password' }).click()
  await expect(third.getByRole('heading', { level: 1, name: 'Room' })).toBeVisible()
  await expect(async () => {
    await other.goto('/room')
    await expect(other.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible({ timeout: 500 })
  }).toPass()

  // They leave: what they have open is shut within moments.
  await row.getByRole('button', { name: 'Leaves …' }).click()
  await row.getByRole('button', { name: 'Perrin leaves now' }).click()
  await expect(page.getByText('Perrin comes in no more')).toBeVisible()
  await expect(async () => {
    await third.goto('/room')
    await expect(third.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible({ timeout: 500 })
  }).toPass()
  await page.getByText('Who has left (1)').click()
  await expect(page.getByRole('button', { name: 'Let Perrin in again' })).toBeVisible()
})

test('the last coordinator neither leaves nor becomes less', async ({ page }) => {
  await page.goto('/people')
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByLabel('Role of Mireille').selectOption('helper')
  await expect(page.getByText('A venue keeps one coordinator').first()).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Role of Mireille')).toHaveValue('coordinator')
})

test('a second class is opened, renamed, copied with its learners and closed; the rack shows the open ones', async ({
  page,
}) => {
  await page.goto('/kits')
  await page.getByRole('link', { name: 'Camp Kit', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Classes' })).toBeVisible()
  await expect(page.locator('html[data-listening]')).toBeAttached()
  const row = (name: string) => page.getByRole('main').getByRole('listitem').filter({ hasText: name })
  await row('Camp Kit').getByRole('button', { name: 'Copy …' }).click()
  await page.getByLabel('Name of the copy').fill('Camp Kit, spring')
  await page.getByRole('button', { name: 'Open the copy' }).click()
  await expect(row('Camp Kit, spring')).toContainText('12 learners, 0 bags')
  await row('Camp Kit, spring').getByRole('button', { name: 'Rename …' }).click()
  await page.getByLabel('New name of Camp Kit, spring').fill('Spring Kit')
  await page.getByRole('button', { name: 'Rename it' }).click()
  await expect(row('Spring Kit')).toBeVisible()
  const before = await row('Spring Kit').locator('code').innerText()
  await row('Spring Kit').getByRole('button', { name: 'New code' }).click()
  await expect(row('Spring Kit').locator('code')).not.toHaveText(before)
  await row('Camp Kit').first().getByRole('button', { name: 'Close' }).click()
  await expect(page.getByText('Closed classes (1)')).toBeVisible()
  await page.goto('/kits')
  await expect(page.getByRole('heading', { name: 'No bags hang here yet' })).toBeVisible()
  await page.goto('/kits/classes')
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByText('Closed classes (1)').click()
  await page.getByRole('button', { name: 'Open again' }).click()
  await expect(page.getByText('Camp Kit is open again')).toBeVisible()
  await page.goto('/kits')
  await expect(page.getByRole('heading', { name: 'No bags hang here yet' })).toHaveCount(0)
})

test('what is kept about somebody is handed over as a file, and they are erased: their name is on no page any more', async ({
  page,
}) => {
  await page.goto('/people')
  await page.getByRole('link', { name: 'What is kept about people' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'What is kept about people' })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Everything about Lotta, as a file' }).click()
  const text = await (await (await download).createReadStream()).toArray()
  const file = JSON.parse(Buffer.concat(text as Buffer[]).toString()) as { name: string; classes: string[] }
  expect(file.name).toBe('Lotta')
  expect(file.classes).toContain('Camp Kit')

  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByRole('button', { name: 'Erase Tobias …' }).click()
  await expect(page.getByText('Tobias is staff still')).toBeVisible()
  await page.getByRole('button', { name: 'Erase Lotta …' }).click()
  await page.getByRole('button', { name: 'Erase Lotta for good' }).click()
  await expect(page.getByText('Nobody of that name is kept any more')).toBeVisible()
  for (const path of ['/people/kept', '/kits', '/room', '/sessions', '/room/before']) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByText('Lotta')).toHaveCount(0)
  }
})

test('the venue takes another name and another clock', async ({ page }) => {
  await page.goto('/venue')
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByLabel('Name of the venue').fill('')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Fill this in')).toBeVisible()
  await page.getByLabel('Name of the venue').fill('Saltmarsh Road Loft')
  await page.getByLabel('Time zone').selectOption('Europe/Madrid')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Saltmarsh Road Loft goes by the clock of Europe/Madrid')).toBeVisible()
  await expect(page.getByRole('banner')).toContainText('Saltmarsh Road Loft')
})
