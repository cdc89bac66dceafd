import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { expect, stateFile, test } from './people'

/** Names as people have them: without a gap, with emoji, written from the right. */
test.use({ storageState: stateFile('newcomer') })

const NAMES = [
  'Hexenhausnähmaschinenschnellstichwunderwerkstattmaschineeins',
  '🧵🪡✂️🧷🧶 the one by the window with the long wobbly arm',
  'מכונת התפירה הגדולה שליד החלון בחדר הגדול של המועדון',
]

/** Nothing of the page lies beyond its edge. */
const isWithin = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth <= document.documentElement.clientWidth)

test('long names break no map, no list, no page and no print', async ({ page }) => {
  const ids: string[] = []
  for (const [index, name] of NAMES.entries()) {
    const machineId = randomUUID()
    ids.push(machineId)
    const place = { x: 300, y: 300 + index * 20 }
    const answer = await page.request.post('/api/commands/add-machine', {
      data: {
        commandId: randomUUID(),
        body: { machineId, name, number: 9001 + index, place, traits: ORDINARY_TRAITS, source: 'manual' },
      },
    })
    expect(answer.status(), await answer.text()).toBe(200)
  }

  await page.goto('/room')
  const plan = page.getByRole('group', { name: 'Plan of the room, seen from above' })
  await expect(plan.getByRole('link', { name: new RegExp(`^${NAMES[0]}, `) })).toBeVisible()
  const beyond = await plan.locator('a').evaluateAll((tables) =>
    tables.flatMap((table) => {
      const right = table.querySelector('rect')!.getBoundingClientRect().right
      return [...table.querySelectorAll('text')]
        .filter((text) => text.getBoundingClientRect().right > right + 1)
        .map((text) => text.textContent)
    }),
  )
  expect(beyond).toEqual([])

  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 800 })
    for (const path of [
      '/room',
      '/room?view=list',
      '/room/arrange',
      '/room/before',
      `/machines/${ids[0]!}`,
      `/machines/${ids[2]!}`,
    ]) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      expect([path, width, await isWithin(page)]).toEqual([path, width, true])
    }
  }

  await page.setViewportSize({ width: 1280, height: 800 })
  for (const id of ids) {
    await page.goto(`/machines/${id}/print`)
    await page.emulateMedia({ media: 'print' })
    await expect(page.locator('.paper')).toBeVisible()
    const file = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
    expect(file.match(/MediaBox/g)).toHaveLength(1)
    await page.emulateMedia({ media: null })
  }
})
