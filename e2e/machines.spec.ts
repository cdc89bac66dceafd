import type { Locator } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { expect, openMachine, stateFile, test } from './people'
import { foundIn } from './views'

/** Lifts a table, moves it so many times to the right and puts it down, all by keys. */
async function moveRight(table: Locator, times: number): Promise<void> {
  await table.focus()
  await table.press('Space')
  await expect(table).toHaveAttribute('aria-pressed', 'true')
  for (let press = 0; press < times; press += 1) await table.press('ArrowRight')
  await table.press('Space')
}

test.describe('in a furnished room', () => {
  test.use({ storageState: stateFile('instructor') })
  test('the room is arranged by keys, seen as a list, and only its stopped machines are shown', async ({ page }) => {
    await page.goto('/room')
    await page.getByRole('link', { name: 'Arrange' }).click()
    const table = page.getByRole('button', { name: /^Snipe, / })
    const before = await table.getAttribute('aria-label')
    await moveRight(table, 3)
    await expect(page.getByText(/^Snipe stands /)).toBeVisible()
    await expect(table).not.toHaveAttribute('aria-label', before!)
    const after = await table.getAttribute('aria-label')
    await page.reload()
    await expect(page.getByRole('button', { name: /^Snipe, / })).toHaveAttribute('aria-label', after!)
    const own = page.getByRole('button', { name: /^Instructor, / })
    await moveRight(own, 2)
    await expect(page.getByText(/^Instructor stands /)).toBeVisible()
    const stands = await own.getAttribute('aria-label')
    await page.reload()
    await expect(own).toHaveAttribute('aria-label', stands!)
    expect(await foundIn(page)).toEqual([])
    // A table is not laid over its neighbour: it is said whose place that is, and nothing is moved.
    const heron = page.getByRole('button', { name: /^Heron, / })
    const stood = await heron.getAttribute('aria-label')
    await moveRight(heron, 4)
    await expect(page.getByText(/ stands there; Heron is back where it was/)).toBeVisible()
    await expect(heron).toHaveAttribute('aria-label', stood!)

    await page.getByRole('link', { name: 'Done' }).click()
    await expect(page.getByRole('group', { name: 'Plan of the room, seen from above' })).toContainText('instructor')
    await page.getByRole('link', { name: 'As a list' }).click()
    const rows = page.getByRole('table', { name: 'Machines in walking order' }).getByRole('row')
    await expect(rows).toHaveCount(10)
    expect(await foundIn(page)).toEqual([])
    await page.getByRole('link', { name: /stopped/ }).click()
    await expect(rows.nth(1)).toContainText('Pedal cord is frayed')
    for (const row of (await rows.all()).slice(1)) await expect(row).toContainText('stopped', { ignoreCase: true })
  })
})

test.describe('by a coordinator', () => {
  test.use({ storageState: stateFile('coordinator') })

  test('machines and their books go out as a file and come back from it', async ({ page }) => {
    await page.goto('/machines/exchange')
    const [json] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Machines and books, JSON' }).click(),
    ])
    const file = JSON.parse(readFileSync(await json.path(), 'utf8')) as {
      machines: { name: string; book: unknown[] }[]
    }
    const heron = file.machines.find(({ name }) => name === 'Heron')!
    expect(heron.book.length).toBeGreaterThan(20)
    await page.getByLabel('File of machines').setInputFiles(
      await json.path().then((path) => ({
        name: 'machines.json',
        mimeType: 'application/json',
        buffer: readFileSync(path),
      })),
    )
    await expect(page.getByText('The machines and their books are here')).toBeVisible()
    await openMachine(page, 'Heron')
    const book = () => page.request.get('/api/machines?form=book').then((answer) => answer.text())
    await expect.poll(book).toContain('Heron,')
    expect((await page.request.get('/api/machines?form=xml')).status()).toBe(400)
  })
})

test.describe('in a room of one’s own', () => {
  test.use({ storageState: stateFile('newcomer') })
  test('a machine begins as one of eight kinds; what nobody has checked stays marked until somebody looks', async ({
    page,
  }) => {
    await page.goto('/machines/new')
    await page.getByLabel('A short name people say aloud').fill('Whimbrel')
    await page.getByRole('button', { name: /^Vintage straight stitcher/ }).click()
    await page.getByText(/^All else that can be known of it/).click()
    await expect(page.getByText('Which way does the flat of the needle’s shank face? · not checked yet')).toBeVisible()
    // Answering one is checking it.
    await page
      .getByRole('group', { name: /^How is the needle raised/ })
      .getByText('button', { exact: true })
      .click()
    await expect(page.getByText('How is the needle raised? · not checked yet')).toHaveCount(0)
    await page.getByRole('button', { name: 'Put it in the room' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Whimbrel' })).toBeVisible()
    const open = page.getByText(/of its traits come from a template/)
    await expect(open).toBeVisible()
    const count = Number(/^\d+/.exec(await open.innerText())![0])
    await page.getByRole('link', { name: 'Answer or change a trait' }).click()
    await page.getByRole('button', { name: 'It is so: Which way does the flat of the needle’s shank face?' }).click()
    await expect(page.getByText('left (trying it out)', { exact: true }).first()).toBeVisible()
    await page.goBack()
    await expect(page.getByText(`${count - 1} of its traits come from a template`)).toBeVisible()
    await page.getByRole('link', { name: 'Answer or change a trait' }).click()
    // One question at a time, for whoever stands at it; one that waits makes room for the next.
    const asked = page.getByRole('region', { name: /questions are open/ })
    const first = await asked.locator('p').first().innerText()
    await asked.getByRole('button', { name: 'Later' }).click()
    await expect(asked.locator('p').first()).not.toHaveText(first)
    await page.getByRole('button', { name: `All ${count - 1} are so` }).click()
    await expect(page.getByText(`${count - 1} answers checked at the machine`)).toBeVisible()
    await expect(page.getByText('answers come from a template')).toHaveCount(0)
    await expect(page.getByText('· Noor').first()).toBeVisible()
    // What was said by mistake is asked again, and comes back as it was.
    await page.getByRole('button', { name: 'Change: Which way does the flat of the needle’s shank face?' }).click()
    await page.getByRole('button', { name: 'Not known any more' }).click()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText('It stands on its card again')).toBeVisible()
    await expect(page.getByText('left (trying it out)', { exact: true }).first()).toBeVisible()
    await page.goBack()
    await expect(open).toHaveCount(0)
    // How it looks is kept once the venue says that it may be, drawn anew on this device.
    const looks = page.getByRole('img', { name: 'Whimbrel, as it stands here' })
    await expect(page.getByText('Photograph it')).toHaveCount(0)
    const here = page.url()
    await page.goto('/venue')
    await page.getByLabel('Photographs of machines are kept').check()
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByText(/goes by the clock of/)).toBeVisible()
    await page.goto(here)
    await page
      .getByLabel('Photograph it')
      .setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('x') })
    await expect(page.getByText('This is no picture that this browser opens')).toBeVisible()
    await page.getByLabel('Photograph it').setInputFiles('docs/screenshots/room.png')
    await expect(looks).toBeVisible()
    expect(await looks.evaluate((picture: HTMLImageElement) => picture.decode().then(() => picture.naturalWidth))).toBe(
      960,
    )
    await page.getByRole('button', { name: 'Take it away' }).click()
    await expect(looks).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(looks).toBeVisible()
    // It is worded as such a machine at once.
    await page.getByRole('link', { name: 'Change needle' }).click()
    await expect(page.getByText('Flat to the left')).toBeVisible()
  })

  test('a sheet of machines comes in, and its bad lines say why', async ({ page }) => {
    await page.goto('/machines/exchange')
    await page.getByLabel('File of machines').setInputFiles({
      name: 'new.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('name,number,shankFlat,feet\nDotterel,31,left,"standard; zip"\nRuff,32,upwards,standard\n'),
    })
    await expect(page.getByRole('list', { name: 'Lines that cannot be read' })).toContainText('Line 3, shankFlat')
    await expect(page.getByRole('list', { name: 'Lines that can be read' })).toContainText('Dotterel, no. 31: 2 traits')
    await page.getByRole('button', { name: 'Put it in the room' }).click()
    await expect(page.getByText('Dotterel stands in the room')).toBeVisible()
    await openMachine(page, 'Dotterel')
  })
})
