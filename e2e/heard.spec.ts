import type { Browser, Page } from '@playwright/test'
import { expect, listens, stateFile, test } from './people'
import { foundIn } from './views'

test.use({ storageState: stateFile('instructor') })

/** A page whose notes and locks on the screen can be counted: what a loudspeaker and a lamp would do. */
async function counted(page: Page): Promise<Page> {
  await page.addInitScript(() => {
    const counts = { notes: 0, awake: 0 }
    const part = () => ({
      connect: (next: unknown) => next,
      gain: { setValueAtTime() {}, linearRampToValueAtTime() {} },
    })
    class Sound {
      state = 'suspended'
      currentTime = 0
      destination = {}
      resume() {
        this.state = 'running'
        return Promise.resolve()
      }
      createGain = part
      createOscillator = () => ({ ...part(), frequency: {}, start: () => (counts.notes += 1), stop() {} })
    }
    const wakeLock = {
      request: () => {
        counts.awake += 1
        return Promise.resolve({ release: () => Promise.resolve() })
      },
    }
    // Whatever looks into a page from outside counts as a touch: only a finger shall.
    const userActivation = { hasBeenActive: false }
    window.addEventListener('pointerdown', () => (userActivation.hasBeenActive = true), true)
    for (const [name, value] of Object.entries({ wakeLock, userActivation }))
      Object.defineProperty(navigator, name, { value })
    Object.assign(window, { counts, AudioContext: Sound })
  })
  return page
}
const countOf = (page: Page, what: 'notes' | 'awake'): Promise<number> =>
  page.evaluate((name) => (window as unknown as { counts: Record<string, number> }).counts[name]!, what)

const somebody = async (browser: Browser, who: 'coordinator' | 'helper' | 'learner') =>
  (await browser.newContext({ storageState: stateFile(who) })).newPage()

test('a call is seen and heard by whoever is near a screen of the room: one in hand, the wall, a tablet that lies there', async ({
  page,
  browser,
  baseURL,
}) => {
  // A tablet of the room that nobody has in hand.
  const desk = await somebody(browser, 'coordinator')
  await desk.goto('/people')
  await desk.getByRole('combobox', { name: 'For', exact: true }).selectOption('room-tablet')
  await desk.getByLabel('Called').fill('on the shelf')
  await desk.getByRole('button', { name: 'Make it' }).click()
  const link = await desk.getByRole('link', { name: /\/tablet#/ }).getAttribute('href')
  const nobody = await browser.newContext({
    baseURL: baseURL!,
    serviceWorkers: 'block',
    storageState: { cookies: [], origins: [] },
  })
  const tablet = await counted(await nobody.newPage())
  await tablet.goto(link!)
  await expect(tablet.getByRole('heading', { name: 'Who has it in hand?' })).toBeVisible()
  await tablet.locator('body').click({ position: { x: 4, y: 700 } })
  const wall = await counted(await somebody(browser, 'helper'))
  await wall.goto('/room/wall')
  await counted(page)
  await page.goto('/room/now')
  await page.getByRole('button', { name: 'Tap to hear calls here' }).click()
  await expect(page.getByRole('button', { name: 'Calls are heard here' })).toBeVisible()
  for (const screen of [page, wall, tablet]) expect(await countOf(screen, 'awake')).toBe(1)
  const tried = await countOf(page, 'notes')
  expect(tried).toBeGreaterThan(0)

  // Whoever sits at no machine, or elsewhere than the plan says, has no place on the board: a call of theirs stands above it.
  const learner = await somebody(browser, 'learner')
  await learner.goto('/hurt')
  await listens(learner)
  await learner.getByRole('button', { name: 'It was not at a machine: call staff' }).click()
  const [onWall, onTablet] = [wall, tablet].map((screen) => screen.getByRole('region', { name: 'Calls for help' }))
  await expect(onWall!).toContainText(/Somebody is hurt: Chidi, at no machine, since \d\d:\d\d/)
  await expect(onTablet!).toContainText(/Somebody is hurt, at no machine, since \d\d:\d\d/)
  for (const screen of [page, tablet]) await expect.poll(() => countOf(screen, 'notes')).toBeGreaterThan(tried)
  // Whoever goes round is led there before anybody at a machine.
  const first = page.getByRole('status').filter({ hasText: 'First to Chidi' })
  await expect(first).toContainText('at no machine: somebody is hurt')
  // Nobody has touched the wall: a browser lets nothing be heard there, and the screen says how it would be.
  expect(await countOf(wall, 'notes')).toBe(0)
  await expect(wall.getByRole('button', { name: 'Tap to hear calls here' })).toBeVisible()
  // The tablet names nobody, since nobody in particular reads it.
  await expect(tablet.getByText('Chidi')).toHaveCount(0)
  expect(await foundIn(tablet)).toEqual([])

  const calls = page.getByRole('region', { name: 'Calls for help' })
  await calls.getByRole('button', { name: /^I am going/ }).click()
  await expect(onWall!).toContainText('Tobias is going')
  await expect(onTablet!).toContainText('Somebody is going')
  await expect(first).toHaveCount(0)
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(onTablet!.getByRole('listitem')).toHaveCount(0)

  // A device that stands in a quiet corner is told to be quiet, and is; the others are not.
  await page.getByRole('button', { name: 'Calls are heard here' }).click()
  await expect(page.getByRole('button', { name: 'Calls are not heard here' })).toBeVisible()
  const before = [await countOf(page, 'notes'), await countOf(tablet, 'notes')]
  await learner.goto('/station')
  await listens(learner)
  await learner.getByRole('button', { name: 'Call somebody' }).click()
  // The board shows that one where Chidi sits, and nothing stands above it.
  const seat = wall.getByRole('listitem').filter({ has: wall.getByText('Curlew', { exact: true }) })
  await expect(seat).toContainText('Calls for help')
  await expect(onWall!.getByRole('listitem')).toHaveCount(0)
  await expect(onTablet!).toContainText(/Somebody calls at Curlew, no\. 2, since \d\d:\d\d/)
  await expect(calls).toContainText('Chidi calls at Curlew')
  await expect.poll(() => countOf(tablet, 'notes')).toBeGreaterThan(before[1]!)
  expect(await countOf(page, 'notes')).toBe(before[0])

  // A tablet that is none of the room's any more is told nothing.
  await desk.reload()
  await listens(desk)
  await desk.getByRole('button', { name: 'End the key on the shelf' }).click()
  await expect.poll(async () => (await nobody.request.get('/api/told?of=calls-unnamed')).status()).toBe(401)
  for (const each of [desk, tablet, wall, learner]) await each.context().close()
})
