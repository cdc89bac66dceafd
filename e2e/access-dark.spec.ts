import { expect, stateFile, test } from './people'
import { foundIn, VIEWS } from './views'

test.use({ storageState: stateFile('coordinator'), colorScheme: 'dark' })

// What the theme does not change was looked at in the light one.
test('axe finds nothing in any view in the dark theme', async ({ page }) => {
  test.setTimeout(600_000)
  for (const [view, open] of Object.entries(VIEWS)) {
    await open(page)
    expect.soft(await foundIn(page, ['color-contrast']), view).toEqual([])
  }
})
