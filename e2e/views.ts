import axe from 'axe-core'
import type { Page } from '@playwright/test'
import { expect, openMachine } from './people'

const addresses = new Map<(page: Page) => Promise<void>, string>()

/** Every main view, and how to come to it. */
export const VIEWS: Readonly<Record<string, (page: Page) => Promise<unknown>>> = {
  'the room': (page) => page.goto('/room'),
  'the room as a list': (page) => page.goto('/room?view=list'),
  'the room to arrange': (page) => page.goto('/room/arrange'),
  'the care calendar': (page) => page.goto('/room/care'),
  'the stores': (page) => page.goto('/stores'),
  'shelf labels': (page) => page.goto('/stores/labels'),
  'stores in and out': (page) => page.goto('/stores/sheet'),
  'machines in and out': (page) => page.goto('/machines/exchange'),
  'before class': (page) => page.goto('/room/before'),
  'the room now': (page) => page.goto('/room/now'),
  'the wall': (page) => page.goto('/room/wall'),
  'a typed line': async (page) => {
    await page.goto('/room')
    await page.getByRole('button', { name: 'Log' }).click()
    await page.getByLabel('A line for the book').fill('heron needle ballpoint 80 blunt')
  },
  'a room check': partOf(openKnot, '/check?list=room'),
  'the rack': (page) => page.goto('/kits'),
  'a new project': (page) => page.goto('/kits/new'),
  'a sheet': (page) => page.goto('/kits/sheet'),
  'the desk': (page) => page.goto('/kits/desk'),
  'the labels': (page) => page.goto('/kits/labels'),
  'the house rules': (page) => page.goto('/rules'),
  'a new machine': (page) => page.goto('/machines/new'),
  people: (page) => page.goto('/people'),
  'what is kept': (page) => page.goto('/people/kept'),
  'who did what': (page) => page.goto('/people/deeds'),
  'the venue': (page) => page.goto('/venue'),
  'put away': (page) => page.goto('/put-away'),
  classes: (page) => page.goto('/kits/classes'),
  oneself: (page) => page.goto('/you'),
  'getting ready': (page) => page.goto('/begin'),
  'a code': (page) => page.goto('/join?code=zzzz'),
  'a page that is not here': (page) => page.goto('/away'),
  'a forgotten password': (page) => page.goto('/forgotten'),
  'a bag': openBag,
  'a label': partOf(openBag, '/print'),
  'a book': openKnot,
  ...Object.fromEntries(
    ['needle', 'check', 'swatch', 'traits', 'fault', 'curve', 'print'].map((part) => [
      `a machine’s ${part}`,
      partOf(openKnot, `/${part}`),
    ]),
  ),
  'the lab': (page) => page.goto('/lab'),
  'the trainer': (page) => page.goto('/lab/trainer'),
  'which cloth': (page) => page.goto('/lab/cloth'),
  'the demonstration': (page) => page.goto('/lab/demonstration'),
  'the hand-out': (page) => page.goto('/lab/hand-out'),
  'the wall chart': (page) => page.goto('/lab/hand-out?sheet=chart'),
  'the words': (page) => page.goto('/lab/words'),
  'what comes back': (page) => page.goto('/room/patterns'),
  'the sessions': (page) => page.goto('/sessions'),
  'new sessions': (page) => page.goto('/sessions/new'),
  'a run sheet': openSession,
  ...Object.fromEntries(
    ['bench', 'changeover', 'people', 'close'].map((part) => [`a session’s ${part}`, partOf(openSession, `/${part}`)]),
  ),
  'a course week by week': async (page) => {
    await page.goto('/sessions')
    await page.getByRole('link', { name: /week by week/ }).click()
    await expect(page.getByRole('heading', { level: 1, name: /week by week/ })).toBeVisible()
  },
  'nothing here': (page) => page.goto('/nowhere'),
}

/** A page below another: whoever has been at that one knows its address. Every copy of the demo has the same ones. */
function partOf(open: (page: Page) => Promise<void>, part: string) {
  return async (page: Page) => {
    let address = addresses.get(open)
    if (!address) {
      await open(page)
      address = new URL(page.url()).pathname
      addresses.set(open, address)
    }
    await page.goto(`${address}${part}`)
  }
}

async function openKnot(page: Page) {
  await openMachine(page, 'Knot')
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

/** What axe finds in the page as it stands, each with the first place. @param rules those alone; absent: all */
export async function foundIn(page: Page, rules?: readonly string[]): Promise<string[]> {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  // While a page is drawn anew its title comes last.
  await expect(page).toHaveTitle(/\S/)
  // Read once a page, and asked again of what it holds by then.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  // Where everything stands that is well is not asked.
  const options: axe.RunOptions = {
    resultTypes: ['violations'],
    selectors: false,
    ...(rules && { runOnly: [...rules] }),
  }
  const { violations } = await page.evaluate(
    (asked) => (window as unknown as { axe: typeof axe }).axe.run(document, asked),
    options,
  )
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)
}
