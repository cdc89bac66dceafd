import AxeBuilder from '@axe-core/playwright'
import { expect, openMachine, stateFile, test } from './people'

const views = [
  '/room',
  '/kits',
  '/kits/new',
  '/kits/sheet',
  '/kits/desk',
  '/kits/labels',
  '/rules',
  '/machines/new',
  '/people',
]

for (const scheme of ['light', 'dark'] as const) {
  test.describe(`in the ${scheme} theme`, () => {
    test.use({ storageState: stateFile('coordinator'), colorScheme: scheme })

    test('every main view is free of what axe can find', async ({ page }) => {
      test.slow()
      const look = async (view: string) => {
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
        const { violations } = await new AxeBuilder({ page }).analyze()
        expect([view, violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)]).toEqual([view, []])
      }
      for (const view of views) {
        await page.goto(view)
        await look(view)
      }
      await page.goto('/kits')
      await page.getByRole('link', { name: /Bram/ }).click()
      await look('a bag')
      await page.goto(`${page.url()}/print`)
      await look('a label')
      await openMachine(page, 'Knot')
      await look('a book')
      const base = page.url()
      for (const part of ['needle', 'check', 'swatch', 'traits']) {
        await page.goto(`${base}/${part}`)
        await look(part)
      }
      await page.goto('/nowhere')
      await look('nothing here')
    })
  })
}

test.describe('at a seat and at the door', () => {
  test.use({ storageState: stateFile('learner') })

  test('axe finds nothing', async ({ page }) => {
    for (const view of ['/station', '/station/check', '/station/swatch', '/sign-in', '/enter']) {
      await page.goto(view)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect([view, violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)]).toEqual([view, []])
    }
  })
})

test.describe('by keyboard', () => {
  test.use({ storageState: stateFile('helper') })

  test('the first stop skips to the page, and a machine opens with Enter', async ({ page }) => {
    await page.goto('/room')
    await page.keyboard.press('Tab')
    await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.locator('#main')).toBeFocused()
    await page.keyboard.press('Tab')
    await expect(page.getByRole('link', { name: /^Heron, / }).first()).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { level: 1, name: 'Heron' })).toBeVisible()
  })

  test('no view is wider than a phone', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await page.goto('/room')
    const machine = await page.getByRole('link', { name: /Heron/ }).last().getAttribute('href')
    for (const view of ['/room', '/kits', machine!, `${machine}/needle`, `${machine}/check`, `${machine}/swatch`]) {
      await page.goto(view)
      expect([view, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([view, 390])
    }
  })
})
