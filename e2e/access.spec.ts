import type { Page } from '@playwright/test'
import { expect, stateFile, test } from './people'
import { foundIn } from './views'

test.describe('at a seat and at the door axe finds nothing in', () => {
  test.use({ storageState: stateFile('learner') })
  for (const view of [
    '/station',
    '/station/check',
    '/station/swatch',
    '/station/fault',
    '/lab',
    '/sign-in',
    '/enter',
  ]) {
    test(view, async ({ page }) => {
      await page.goto(view)
      expect(await foundIn(page)).toEqual([])
    })
  }
})

test.describe('by keyboard', () => {
  test.use({ storageState: stateFile('helper') })

  test('the first stop skips to the page, and a machine opens with Enter', async ({ page }) => {
    await page.goto('/room')
    await page.keyboard.press('Tab')
    await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.locator('#main')).toBeFocused()
    const tabTo = async (name: string | RegExp) => {
      const link = page.getByRole('link', { name }).first()
      for (let press = 0; press < 12; press += 1) {
        await page.keyboard.press('Tab')
        if (await link.evaluate((element) => element === document.activeElement)) return
      }
      await expect(link).toBeFocused()
    }
    await tabTo('Before class')
    await page.keyboard.press('Tab')
    await expect(page.getByRole('link', { name: /^Heron, / }).first()).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { level: 1, name: 'Heron' })).toBeVisible()
  })
})

test('a page is laid out once, in its own letters: they are asked for along with it, and once', async ({ page }) => {
  await page.goto('/sign-in')
  await page.evaluate(() => document.fonts.ready)
  const letters = await page.evaluate(() =>
    (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
      .filter(({ name }) => /next-latin-wght-normal.*\.woff2$/.test(name))
      .map(({ initiatorType }) => initiatorType),
  )
  expect(letters).toEqual(['link'])
})

test.describe('what a page brings', () => {
  test.use({ storageState: stateFile('coordinator') })

  /** All the script that a page asks for as it stands. */
  async function scriptOf(page: Page, path: string): Promise<string> {
    const html = await (await page.request.get(path)).text()
    const names = new Set(html.match(/_next\/static\/chunks\/[\w.~-]+\.js/g))
    return (await Promise.all([...names].map(async (name) => (await page.request.get(`/${name}`)).text()))).join('\n')
  }
  /** What nobody but a builder of schemas says: a fifth of a page’s script, to be read by each phone before it listens. */
  const BUILDER = '~kind'

  test('is no builder of schemas: what is sent is checked by what the build made of them', async ({ page }) => {
    for (const path of [
      '/room',
      '/room/now',
      '/kits',
      '/kits/new',
      '/sessions',
      '/stores',
      '/people',
      '/venue',
      '/lab',
    ])
      expect.soft((await scriptOf(page, path)).includes(BUILDER), path).toBe(false)
    // A bench list says in words what each tap will write, and so knows every kind of line.
    expect(await scriptOf(page, '/room/before')).toContain(BUILDER)
  })
})
