import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, openMachine, stateFile, test } from './people'

/** Every main view, and how to come to it. */
const VIEWS: Readonly<Record<string, (page: Page) => Promise<unknown>>> = {
  'the room': (page) => page.goto('/room'),
  'the room as a list': (page) => page.goto('/room?view=list'),
  'the room to arrange': (page) => page.goto('/room/arrange'),
  'the care calendar': (page) => page.goto('/room/care'),
  'the stores': (page) => page.goto('/stores'),
  'shelf labels': (page) => page.goto('/stores/labels'),
  'machines in and out': (page) => page.goto('/machines/exchange'),
  'before class': (page) => page.goto('/room/before'),
  'a typed line': async (page) => {
    await page.goto('/room')
    await page.getByRole('button', { name: 'Log' }).click()
    await page.getByLabel('A line for the book').fill('heron needle ballpoint 80 blunt')
  },
  'a room check': async (page) => {
    await openMachine(page, 'Knot')
    await page.goto(`${page.url()}/check?list=room`)
  },
  'the rack': (page) => page.goto('/kits'),
  'a new project': (page) => page.goto('/kits/new'),
  'a sheet': (page) => page.goto('/kits/sheet'),
  'the desk': (page) => page.goto('/kits/desk'),
  'the labels': (page) => page.goto('/kits/labels'),
  'the house rules': (page) => page.goto('/rules'),
  'a new machine': (page) => page.goto('/machines/new'),
  people: (page) => page.goto('/people'),
  'a bag': openBag,
  'a label': async (page) => {
    await openBag(page)
    await page.goto(`${page.url()}/print`)
  },
  'a book': (page) => openMachine(page, 'Knot'),
  ...Object.fromEntries(
    ['needle', 'check', 'swatch', 'traits', 'fault', 'curve', 'print'].map((part) => [
      `a machine’s ${part}`,
      async (page: Page) => {
        await openMachine(page, 'Knot')
        await page.goto(`${page.url()}/${part}`)
      },
    ]),
  ),
  'the lab': (page) => page.goto('/lab'),
  'the trainer': (page) => page.goto('/lab/trainer'),
  'what comes back': (page) => page.goto('/room/patterns'),
  'the sessions': (page) => page.goto('/sessions'),
  'new sessions': (page) => page.goto('/sessions/new'),
  'a run sheet': openSession,
  ...Object.fromEntries(
    ['bench', 'people'].map((part) => [
      `a session’s ${part}`,
      async (page: Page) => {
        await openSession(page)
        await page.goto(`${page.url()}/${part}`)
      },
    ]),
  ),
  'a course week by week': async (page) => {
    await page.goto('/sessions')
    await page.getByRole('link', { name: /week by week/ }).click()
    await expect(page.getByRole('heading', { level: 1, name: /week by week/ })).toBeVisible()
  },
  'nothing here': (page) => page.goto('/nowhere'),
}

async function openSession(page: Page) {
  await page.goto('/sessions')
  await page.getByRole('link', { name: /^Thu / }).first().click()
  await expect(page.getByRole('heading', { level: 1, name: /^Camp Kit, Thu/ })).toBeVisible()
}

async function openBag(page: Page) {
  await page.goto('/kits')
  await page.getByRole('link', { name: /Bram/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Bram/ })).toBeVisible()
}

async function findsNothing(page: Page) {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([])
}

for (const scheme of ['light', 'dark'] as const) {
  test.describe(`in the ${scheme} theme axe finds nothing in`, () => {
    test.use({ storageState: stateFile('coordinator'), colorScheme: scheme })
    for (const [view, open] of Object.entries(VIEWS)) {
      test(view, async ({ page }) => {
        await open(page)
        await findsNothing(page)
      })
    }
  })
}

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
      await findsNothing(page)
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

  test('no view is wider than a phone', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await page.goto('/room')
    const machine = await page.getByRole('link', { name: /Heron/ }).last().getAttribute('href')
    await page.goto('/sessions')
    const session = await page.getByRole('link', { name: /^Thu / }).first().getAttribute('href')
    for (const view of [
      '/room',
      '/room/before',
      '/room/care',
      '/stores',
      '/kits',
      '/kits/desk',
      '/kits/sheet',
      '/kits/labels',
      '/rules',
      machine!,
      `${machine}/needle`,
      `${machine}/check`,
      `${machine}/swatch`,
      `${machine}/fault`,
      '/lab',
      '/lab/trainer',
      '/stores',
      '/sessions',
      '/sessions/new',
      session!,
      `${session}/bench`,
      `${session}/people`,
    ]) {
      await page.goto(view)
      expect([view, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([view, 390])
    }
  })
})
