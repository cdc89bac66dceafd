import { expect, stateFile, test } from './people'
import { foundIn, VIEWS } from './views'

test.use({ storageState: stateFile('coordinator'), colorScheme: 'light' })

test('axe finds nothing in any view, in the light theme or in the dark one', async ({ page }) => {
  test.setTimeout(900_000)
  for (const [view, open] of Object.entries(VIEWS)) {
    await page.emulateMedia({ colorScheme: 'light' })
    await open(page)
    expect.soft(await foundIn(page), view).toEqual([])
    // The theme changes colours and nothing else.
    await page.emulateMedia({ colorScheme: 'dark' })
    expect.soft(await foundIn(page, ['color-contrast']), `${view} in the dark`).toEqual([])
  }
})
