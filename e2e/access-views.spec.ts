import { expect, stateFile, test } from './people'
import { foundIn, VIEWS } from './views'

const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

test.use({ storageState: stateFile('coordinator'), colorScheme: 'light' })

test('axe finds nothing in any view, in the light theme or in the dark one, and none is wider than a phone', async ({
  page,
}) => {
  test.setTimeout(900_000)
  for (const [view, open] of Object.entries(VIEWS)) {
    await page.emulateMedia({ colorScheme: 'light' })
    await open(page)
    expect.soft(await foundIn(page), view).toEqual([])
    // The theme changes colours and nothing else.
    await page.emulateMedia({ colorScheme: 'dark' })
    expect.soft(await foundIn(page, ['color-contrast']), `${view} in the dark`).toEqual([])
    await page.setViewportSize(PHONE)
    await expect.soft
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth), view)
      .toBeLessThanOrEqual(PHONE.width)
    await page.setViewportSize(DESK)
  }
})
