import { readFile } from 'node:fs/promises'
import { v7 as uuid } from 'uuid'
import { RunMeter } from '@/stand-ins/run-meter'
import { expect, openLine, openMachine, stateFile, test } from './people'
import { foundIn } from './views'

test.use({ storageState: stateFile('coordinator') })

test('a shelf is counted, a needle that is fitted is taken off it, and one that is missing is named', async ({
  page,
}) => {
  await page.goto('/stores')
  const short = page.getByRole('region', { name: 'Needles that nobody can account for' })
  await expect(short).toContainText('1 universal 80/12')
  await expect(short).toContainText('Last in hand:')
  expect(await foundIn(page)).toEqual([])

  const needles = page.getByRole('region', { name: 'Needles', exact: true })
  const jeans = needles.getByRole('listitem').filter({ hasText: 'jeans 100/16' })
  await needles.getByRole('button', { name: 'Count: jeans 100/16' }).click()
  await jeans.getByLabel('How many lie there').fill('7')
  await jeans.getByRole('button', { name: 'Write it down' }).click()
  await expect(jeans).toContainText(/^7/)
  await openMachine(page, 'Heron')
  const line = await openLine(page)
  await line.fill('heron needle jeans 100 due')
  await expect(page.getByText(/Heron: .*jeans 100\/16/i).first()).toBeVisible()
  await page.keyboard.press('Enter')
  // The line shows what it would write; once it is written, it is gone.
  await expect(line).toBeHidden()
  await page.goto('/stores')
  await expect(jeans).toContainText(/^6/)

  await page.getByRole('button', { name: 'Something new came in' }).click()
  const form = page.getByRole('form', { name: 'Something new came in' })
  await form.getByLabel('What').selectOption('bobbin')
  await form.getByLabel('Class').fill('M')
  await form.getByLabel('How many').fill('12')
  await form.getByRole('button', { name: 'Put it on its shelf' }).click()
  const bobbins = page.getByRole('region', { name: 'Empty bobbins' })
  await expect(bobbins).toContainText('bobbins of class M')
  await bobbins.getByRole('button', { name: 'Take: bobbins of class M' }).click()
  await bobbins.getByLabel('How many you take').fill('40')
  await bobbins.getByRole('button', { name: 'Write it down' }).click()
  await expect(bobbins).toContainText('12 are left')
  await expect(bobbins.getByLabel('How many you take')).toHaveValue('40')
})

test('what lies on the shelves comes in from a sheet, and goes out as one', async ({ page }) => {
  await page.goto('/stores')
  await page.getByRole('link', { name: 'In and out as a sheet' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Stores in and out' })).toBeVisible()
  const sheet = [
    'Kind,Count,Point,Size,Foot',
    'needle,33,jeans,110/18,',
    'foot,4,,,walking',
    'needle,2,jeans,111,',
  ].join('\n')
  await page
    .getByLabel('Sheet of stores')
    .setInputFiles({ name: 'shelves.csv', mimeType: 'text/csv', buffer: Buffer.from(sheet) })
  await expect(page.getByRole('list', { name: 'Lines that cannot be read' })).toContainText('Line 4, size:')
  await expect(page.getByRole('list', { name: 'Shelves that were counted' })).toContainText('33 jeans 110/18')
  await page.getByRole('button', { name: 'Write these 2 counts down' }).click()
  await expect(page.getByRole('status').filter({ hasText: '2 shelves counted' })).toBeVisible()
  await page.getByRole('link', { name: 'See the stores' }).click()
  const jeans = page.getByRole('listitem').filter({ hasText: 'jeans 110/18' }).first()
  await expect(jeans).toContainText(/^33/)
  await page.goto('/stores/sheet')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Stores, CSV' }).click(),
  ])
  const lines = (await readFile(await download.path(), 'utf8')).split('\r\n')
  expect(lines[0]).toBe('kind,count,point,size,system,gap_mm,tex,fibre,use,bobbin_class,foot')
  expect(lines).toContain('needle,33,jeans,110,130/705 H,,,,,,')
  expect(lines).toContain('foot,4,,,,,,,,,walking')
})

test('a shelf’s label opens its shelf', async ({ page }) => {
  await page.goto('/stores/labels')
  const label = page.getByRole('listitem').filter({ hasText: /jeans 110\/18/i })
  const code = (await label.locator('figcaption').textContent())!
  await page.goto(`/open/${code}`)
  await expect(page).toHaveURL(new RegExp(`/stores\\?shelf=${code}#${code}$`))
  await expect(page.locator(`#${code}`)).toContainText('jeans 110/18')
  await expect(page.locator(`#${code}`)).toBeInViewport()
})

test('a key lets a run meter write needle hours, and a calendar read what care is due; ended, it opens nothing', async ({
  page,
  baseURL,
  request,
}) => {
  await page.goto('/people')
  const form = page.getByRole('form', { name: 'Make a key' })
  await form.getByRole('combobox', { name: 'For', exact: true }).selectOption('run-meter')
  await form.getByRole('combobox', { name: 'Machine', exact: true }).selectOption('Dunlin')
  await form.getByLabel('Called').fill('meter on Dunlin')
  await form.getByRole('button', { name: 'Make it' }).click()
  const shown = page.locator('code')
  await expect(shown).toContainText('npm run meter --')
  const key = (await shown.innerText()).split(' ').at(-1)!

  const meter = new RunMeter(baseURL!, key, () => 0.5)
  const first = meter.sew(new Date())
  expect(await meter.send()).toBe(1)
  // The same stretch again lands once.
  const again = await request.post('/api/meter', {
    headers: { authorization: `Bearer ${key}`, 'content-type': 'text/plain' },
    data: `METER 1\nRUN ${first.runId} ${first.endedAt} motor=62.5 stitches=406 starts=5\n`,
  })
  expect(await again.json()).toEqual({ landed: 0, before: 1 })
  const wrong = await request.post('/api/meter', {
    headers: { authorization: `Bearer ${key}`, 'content-type': 'text/plain' },
    data: `METER 1\nRUN ${uuid()} now motor=1 stitches=1 starts=1\n`,
  })
  expect([wrong.status(), ((await wrong.json()) as { error: { path: string } }).error.path]).toEqual([400, '2.endedAt'])
  await openMachine(page, 'Dunlin')
  const line = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem').first()
  await expect(line).toContainText('by the run meter, 406 stitches in 5 starts')

  // It tells nothing more, and the machine is sewn on: its needle would seem young for ever.
  const machineId = new URL(page.url()).pathname.split('/').at(-1)!
  for (const sewn of [1, 2, 3]) {
    const body = { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] }
    const happenedAt = new Date(Date.parse(first.endedAt) + sewn * 1000).toISOString()
    const asked = { commandId: uuid(), body: { machineId, happenedAt, kind: 'swatch-stitched', body } }
    expect((await page.request.post('/api/commands/log', { data: asked })).ok()).toBe(true)
  }
  const silent = page.getByRole('region', { name: 'Run meters' })
  await expect(silent).toContainText('Dunlin: its run meter has told nothing since')
  await page.goto('/room')
  await expect(silent).toContainText('Its needle is older than it says here.')
  meter.sew(new Date(Date.parse(first.endedAt) + 4000))
  expect(await meter.send()).toBe(1)
  await expect(silent).toBeHidden()

  await page.goto('/people')
  await form.getByLabel('Called').fill('office calendar')
  await form.getByRole('button', { name: 'Make it' }).click()
  await expect(shown).toContainText('/api/care/')
  const feed = (await shown.innerText()).trim()
  const office = page.getByRole('listitem').filter({ hasText: 'office calendar' })
  await expect(office).toContainText('not used so far')
  const calendar = await request.get(feed)
  expect(calendar.headers()['content-type']).toContain('text/calendar')
  // Long lines are folded in such a file.
  const text = (await calendar.text()).replace(/\r?\n[ \t]/g, '')
  expect(text).toContain('BEGIN:VCALENDAR')
  expect(text).toMatch(/DTSTART;VALUE=DATE:\d{8}/)
  expect(text).toMatch(/SUMMARY:\w+: (Lint out|A drop of oil|Room check|Oil points)/)
  expect(text).toContain('SUMMARY:Camp Kit')
  expect(text).toMatch(/\/sessions\/[0-9a-f-]+\/bench/)
  // Whether anybody is told by it stands where it was made.
  await page.reload()
  await expect(office).toContainText('last used')
  await expect(office).not.toContainText('No calendar has asked')
  // Names of people stay in the room.
  for (const name of ['Mireille', 'Tobias', 'Chidi']) expect(text).not.toContain(name)
  for (const name of ['office calendar', 'meter on Dunlin']) {
    await page.getByRole('button', { name: `End the key ${name}` }).click()
    await expect(page.getByRole('button', { name: `End the key ${name}` })).toHaveCount(0)
  }
  expect((await request.get(feed)).status()).toBe(404)
  meter.sew(new Date())
  await expect(meter.send()).rejects.toThrow('401')
})

test('the calendar of care says what is due now and what comes', async ({ page }) => {
  await page.goto('/room')
  await page.getByRole('link', { name: 'Care', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Now' }).getByRole('listitem').first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Coming' })).toContainText(/Oil points|Service/)
  expect(await foundIn(page)).toEqual([])
})
