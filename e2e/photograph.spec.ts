import type { Page } from '@playwright/test'
import { samplePhotograph, type Sample } from '@/stand-ins/sample-photographs'
import { choosePicture, expect, openMachine, stateFile, test } from './people'
import { foundIn } from './views'

/** A swatch is photographed instead of guessed at: read on the device, taken over, corrected, and told to the adviser. */
test.use({ storageState: stateFile('instructor') })

async function photograph(page: Page, face: 'the top' | 'the underside', sample: Sample) {
  await page
    .getByLabel(`Photograph ${face}`)
    .setInputFiles({ name: 'swatch.jpg', mimeType: 'image/jpeg', buffer: await samplePhotograph(sample) })
}

test('a photograph is read, measured, and its score tells where to turn the dial', async ({ page }) => {
  const outside: string[] = []
  page.on('request', (request) => {
    if (request.method() !== 'GET') outside.push(request.url())
  })
  await openMachine(page, 'Knot')
  await page.getByRole('link', { name: 'Read a swatch' }).click()
  const reading = page.getByRole('region', { name: 'Reading' })
  for (const gate of ['Re-threaded, foot up', 'New needle', 'Bobbin out', 'Same thread weight', 'Lint out'])
    await page.getByRole('checkbox', { name: gate }).check()
  outside.length = 0
  await photograph(page, 'the top', 'tight-top')
  await expect(page.getByText(/dots of the light bobbin thread, score 1\.\d+ ± 0\.\d+/)).toBeVisible()
  await expect(page.getByText(/stitches, 2\.(4\d|5\d?) mm long, none skipped/)).toBeVisible()
  await expect(page.getByRole('img', { name: /^The photograph, with \d+ holes/ })).toBeVisible()
  await expect(page.getByRole('radio', { name: 'dots of the light bobbin thread' })).toBeChecked()
  await photograph(page, 'the underside', 'good-under')
  await expect(page.getByRole('radio', { name: 'only the light thread' })).toBeChecked()
  await expect(reading).toContainText('Turn the dial')
  expect(await foundIn(page)).toEqual([])
  // Nothing of it has left the device.
  expect(outside).toEqual([])

  await page.getByRole('button', { name: 'Write this swatch down' }).click()
  await expect(page.getByText('Swatch written down')).toBeVisible()
  await page.goto(page.url().replace(/\/swatch.*/, ''))
  await expect(page.getByText('Read by a camera.', { exact: false }).first()).toBeVisible()
})

test('what a person says goes before what the camera saw, and that it was corrected is kept', async ({ page }) => {
  await openMachine(page, 'Snipe')
  await page.getByRole('link', { name: 'Read a swatch' }).click()
  await photograph(page, 'the top', 'good-top')
  await expect(page.getByRole('radio', { name: 'only the dark thread' })).toBeChecked()
  await choosePicture(page, 'the light bobbin thread as a line')
  await choosePicture(page, 'only the light thread')
  await page.getByRole('button', { name: 'Write this swatch down' }).click()
  await expect(page.getByText('Swatch written down')).toBeVisible()
  await page.goto(page.url().replace(/\/swatch.*/, ''))
  await expect(page.getByText('corrected on one face', { exact: false }).first()).toBeVisible()
  await page.goto(`${page.url()}/curve`)
  await expect(page.getByText('A camera read 1 face of these swatches; 1 put right by hand.')).toBeVisible()
})

test('a photograph in the packing that phones keep is unpacked on the device and read', async ({ page }) => {
  await openMachine(page, 'Heron')
  await page.getByRole('link', { name: 'Read a swatch' }).click()
  await page.getByLabel('Photograph the top').setInputFiles('stand-ins/photographs/good-top.heic')
  await expect(page.getByRole('radio', { name: 'only the dark thread' })).toBeChecked({ timeout: 30_000 })
  await expect(page.getByText(/stitches, 2\.(4\d|5\d?) mm long, none skipped/)).toBeVisible()
})

test('what cannot be read is refused with its reason, and nothing is guessed', async ({ page }) => {
  await openMachine(page, 'Heron')
  await page.getByRole('link', { name: 'Read a swatch' }).click()
  await photograph(page, 'the top', 'no-seam')
  await expect(page.getByText('No seam in these two colours is to be seen')).toBeVisible()
  await photograph(page, 'the top', 'good-under')
  await expect(page.getByText('The tag says that this is the underside')).toBeVisible()
  await page
    .getByLabel('Photograph the underside')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture at all') })
  await expect(page.getByText('This is no photograph that can be read here')).toBeVisible()
  for (const radio of await page.getByRole('radio', { name: /dark thread|light thread|bobbin thread/ }).all())
    await expect(radio).not.toBeChecked()
})

test('a tag beside the swatch leads to where it is read', async ({ page }) => {
  await page.goto('/kits')
  await page.getByRole('link', { name: /Juna/ }).first().click()
  await page.waitForURL(/\/kits\/[0-9a-f-]{36}/)
  await page.goto(`${page.url().split('?')[0]}/print`)
  const tags = page.getByRole('region', { name: /^Swatch tags for Juna/ })
  const size = await tags.getByRole('img', { name: 'Swatch code, top' }).boundingBox()
  // 96 pixels of a page are an inch.
  expect((size!.width / 96) * 25.4).toBeCloseTo(20, 1)
  const code = await page
    .getByRole('img', { name: /^Code B/ })
    .first()
    .getAttribute('aria-label')
  await page.goto(`/open/${code!.replace('Code ', '')}/under`)
  await expect(page.getByRole('heading', { level: 1, name: 'Read a swatch' })).toBeVisible()
  await expect(page.getByText('Juna', { exact: false }).first()).toBeVisible()
})
