import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { computeKit } from '@/core/kit/kit'
import { kitMachine } from '@/core/kit/kit-machine'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { expect, stateFile, test } from './people'

/** Names as people have them: without a gap, with emoji, written from the right. */
test.use({ storageState: stateFile('newcomer') })

const NAMES = [
  'Hexenhausnähmaschinenschnellstichwunderwerkstattmaschineeins',
  '🧵🪡✂️🧷🧶 the one by the window with the long wobbly arm',
  'מכונת התפירה הגדולה שליד החלון בחדר הגדול של המועדון',
]

/** What makes the page wider than its window; nothing may. */
const tooWide = (page: Page) =>
  page.evaluate(() => {
    const { scrollWidth, clientWidth } = document.documentElement
    if (scrollWidth <= clientWidth) return []
    const beyond = [...document.querySelectorAll('body *')]
      // Its own edge, or that of words that stand out of it.
      .filter((each) => each.getBoundingClientRect().left + each.scrollWidth > clientWidth + 1)
      .map((each) => `${each.tagName} ${each.className.toString()} ${(each.textContent ?? '').slice(0, 40)}`)
      .slice(-4)
    return beyond.length > 0 ? beyond : [`${scrollWidth} in ${clientWidth}`]
  })

test.describe.configure({ mode: 'serial' })
const ids: string[] = []
const projectIds: string[] = []
const courseId = randomUUID()

test('long names break no map, no list, no page and no print', async ({ page }) => {
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
      expect([path, width, await tooWide(page)]).toEqual([path, width, []])
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

const poster = (page: Page) => async (name: string, body: object) => {
  const answer = await page.request.post(`/api/commands/${name}`, { data: { commandId: randomUUID(), body } })
  expect(answer.status(), await answer.text()).toBe(200)
}

test('nor do they on a bag, its label and its card', async ({ page }) => {
  const post = poster(page)
  await post('open-course', { courseId, name: NAMES[0]! })
  const work = {
    fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3 },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  } as const
  const known = kitMachine(ORDINARY_TRAITS)
  if ('missing' in known) throw new Error(known.missing.join())
  const { point, sizeNm } = computeKit({ ...work, machine: known.machine }).kits[0]!.needle
  for (const [index, name] of NAMES.entries()) {
    const projectId = randomUUID()
    projectIds.push(projectId)
    await post('add-project', {
      projectId,
      courseId,
      personId: randomUUID(),
      enrolmentId: randomUUID(),
      learner: name,
      name,
      ...work,
    })
    await post('give-kit', { projectId, machineId: ids[index]!, needle: { point, sizeNm } })
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 800 })
      for (const path of ['/kits', `/kits/${projectId}`]) {
        await page.goto(path)
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
        expect([name, path, width, await tooWide(page)]).toEqual([name, path, width, []])
      }
    }
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(`/kits/${projectId}/print`)
    await expect(page.locator('.paper').first()).toBeVisible()
    await page.emulateMedia({ media: 'print' })
    const sheets = await page.locator('.paper').count()
    const file = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
    expect([name, file.match(/MediaBox/g)?.length]).toEqual([name, sheets])
    await page.emulateMedia({ media: null })
  }
})

test('nor do they on a run sheet, its lists and its print', async ({ page }) => {
  const post = poster(page)
  const sessionId = randomUUID()
  const facts = { startsAt: '2027-02-04T18:00:00.000Z', endsAt: '2027-02-04T20:00:00.000Z', blocks: 2 }
  await post('add-sessions', { courseId, sessions: [{ sessionId, ...facts }] })
  const seats = projectIds.slice(0, 2).map((projectId, index) => ({ projectId, machineId: ids[index]!, block: 1 }))
  await post('set-plan', { sessionId, basedOn: null, plan: { seats, leftOut: [] } })
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 800 })
    for (const path of ['', '/people', '/bench']) {
      await page.goto(`/sessions/${sessionId}${path}`)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      await expect(page.getByText(NAMES[0]!).first()).toBeAttached()
      expect([path, width, await tooWide(page)]).toEqual([path, width, []])
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`/sessions/${sessionId}`)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByText(NAMES[0]!).first()).toBeVisible()
  await page.setViewportSize({ width: 720, height: 1000 })
  expect(await tooWide(page)).toEqual([])
})
