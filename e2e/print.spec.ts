import { expect, openMachine, stateFile, test } from './people'

/** What comes out of the printer: the sheet alone, on the paper it is cut for, black on white. */
test.use({ storageState: stateFile('instructor') })

type Page = Parameters<typeof openMachine>[0]

/** The sizes of the pages that would be printed, in whole millimetres. */
async function paper(page: Page): Promise<string[]> {
  const file = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1')
  const millimetres = (points: string) => Math.round((Number(points) / 72) * 25.4)
  return [...file.matchAll(/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(
    ([, wide, high]) => `${millimetres(wide!)} × ${millimetres(high!)}`,
  )
}

/** On paper nothing is seen of the frame around it, and the sheet is dark on white whatever the screen's theme. */
async function sheetAlone(page: Page) {
  await page.emulateMedia({ media: 'print', colorScheme: 'dark' })
  await expect(page.getByRole('banner')).toBeHidden()
  await expect(page.getByRole('button', { name: /^Print/ })).toBeHidden()
  const sheet = page.locator('.paper').first()
  await expect(sheet).toBeVisible()
  const [ink, ground] = await sheet.evaluate((each) => {
    const { color, backgroundColor } = getComputedStyle(each)
    const canvas = new OffscreenCanvas(1, 1).getContext('2d')!
    return [color, backgroundColor].map((colour) => {
      canvas.fillStyle = '#fff'
      canvas.fillRect(0, 0, 1, 1)
      canvas.fillStyle = colour
      canvas.fillRect(0, 0, 1, 1)
      const [red = 0, green = 0, blue = 0] = canvas.getImageData(0, 0, 1, 1).data
      return (red + green + blue) / 3
    })
  })
  expect(ink).toBeLessThan(90)
  expect(ground).toBeGreaterThan(235)
}

test('a machine’s card is one A5 sheet with its code and its cautions', async ({ page }) => {
  await openMachine(page, 'Heron')
  await page.getByRole('link', { name: 'Print its card' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Card' })).toBeVisible()
  await expect(page.locator('.paper')).toHaveCount(1)
  await expect(page.getByRole('img', { name: /^Code / })).toBeVisible()
  await expect(page.locator('.paper')).toContainText('manual')
  await sheetAlone(page)
  expect(await paper(page)).toEqual(['148 × 210'])
})

test('a bag’s label and its kit card are a sheet each, on A6 and A5', async ({ page }) => {
  await page.goto('/kits')
  await page.getByRole('link', { name: /Juna/ }).first().click()
  await page.waitForURL(/\/kits\/[0-9a-f-]{36}/)
  await page.goto(`${page.url().split('?')[0]}/print`)
  await expect(page.locator('.paper').first()).toContainText('Juna')
  await sheetAlone(page)
  const sheets = await page.locator('.paper').count()
  const sizes = await paper(page)
  expect(sizes).toHaveLength(sheets)
  for (const size of sizes) expect(['148 × 105', '148 × 210']).toContain(size)
})

test('the labels of a class are one for each bag that has a kit, and no page is blank', async ({ page }) => {
  await page.goto('/kits/labels')
  const labels = page.getByRole('region', { name: /^Label for / })
  await expect(labels.first()).toBeVisible()
  const count = await labels.count()
  expect(count).toBeGreaterThan(3)
  await sheetAlone(page)
  const sizes = await paper(page)
  expect(sizes).toHaveLength(count)
  expect(new Set(sizes)).toEqual(new Set(['148 × 105']))
})

test.describe('a venue’s logo', () => {
  test.use({ storageState: stateFile('coordinator') })

  test('is made small on the device, and stands beside the name on what is printed, which stays one sheet each', async ({
    page,
  }) => {
    await page.goto('/venue')
    const logo = page.getByLabel('Logo', { exact: true })
    await logo.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') })
    await expect(page.getByText('This is no picture that this browser opens')).toBeVisible()
    await logo.setInputFiles('docs/screenshots/room.png')
    await expect(page.getByRole('img', { name: 'The logo as it is printed' })).toBeVisible()
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByText(/goes by the clock of/)).toBeVisible()

    const mark = (of: Page) => of.locator('.paper p:has(> bdi) img')
    await page.goto('/lab/hand-out')
    await expect(mark(page)).toBeVisible()
    expect(await paper(page)).toEqual(['210 × 297'])
    await page.goto('/lab/hand-out?sheet=chart')
    expect(await paper(page)).toEqual(['297 × 210'])
    await openMachine(page, 'Heron')
    await page.getByRole('link', { name: 'Print its card' }).click()
    await expect(mark(page)).toBeVisible()
    expect(await paper(page)).toEqual(['148 × 210'])

    await page.goto('/venue')
    await page.getByRole('button', { name: 'Print without it' }).click()
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByText(/goes by the clock of/)).toBeVisible()
    await page.goto('/lab/hand-out')
    await expect(page.locator('.paper')).toContainText('Saltmarsh Road Toolshed')
    await expect(mark(page)).toHaveCount(0)
  })
})
