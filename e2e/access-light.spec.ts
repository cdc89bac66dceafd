import { expect, stateFile, test } from './people'
import { foundIn, VIEWS } from './views'

test.use({ storageState: stateFile('coordinator'), colorScheme: 'light' })

test('axe finds nothing in any view in the light theme', async ({ page }) => {
  test.setTimeout(600_000)
  for (const [view, open] of Object.entries(VIEWS)) {
    await open(page)
    expect.soft(await foundIn(page), view).toEqual([])
  }
})
