import { LESSON } from '@/core/knowledge/tension/lesson'
import { expect, stateFile, test } from './people'

/** Pictures that look like swatches: in the lab, before a class, and on paper. */
test.use({ storageState: stateFile('instructor') })

test('the lab’s faces are pictures that follow the dial, and their diagrams lie over them when asked for', async ({
  page,
}) => {
  await page.goto('/lab')
  const top = page.getByRole('img', { name: /^Top: / })
  await expect(top).toHaveAttribute('data-drawn', 'true')
  const pixels = () => top.locator('canvas').evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL())
  const before = await pixels()
  await page.getByRole('slider', { name: 'Dial' }).fill('8')
  await expect(top).toHaveAccessibleName(/bobbin/)
  await expect.poll(pixels).not.toBe(before)
  await expect(top.locator('svg')).toHaveCount(0)
  await page.getByLabel('The diagram over the picture').check()
  await expect(top.locator('svg')).toBeVisible()
})

test.describe('with what a device keeps for when there is no network', () => {
  test.use({ serviceWorkers: 'allow' })

  test('pictures are drawn all the same, from what was kept too', async ({ page, context }) => {
    await page.goto('/lab')
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
    await expect(page.locator('html[data-kept]')).toBeAttached()
    const top = page.getByRole('img', { name: /^Top: / })
    await expect(top).toHaveAttribute('data-drawn', 'true')
    await page.reload()
    await expect(page.locator('html[data-kept]')).toBeAttached()
    await expect(top).toHaveAttribute('data-drawn', 'true')
    await context.setOffline(true)
    await page.reload()
    await expect(top).toHaveAttribute('data-drawn', 'true')
  })
})

test('the lesson is stepped through by keys, a question first and then its answer', async ({ page }) => {
  await page.goto('/lab/demonstration')
  const board = page.getByRole('region', { name: 'Demonstration' })
  for (const [index, { title, ask, answer }] of LESSON.entries()) {
    await expect(board.getByRole('heading', { level: 1 })).toHaveText(title)
    await expect(board).toContainText(`${index + 1} of ${LESSON.length}`)
    await expect(board).toContainText(ask)
    await expect(board).not.toContainText(answer)
    await page.keyboard.press('Space')
    await expect(board).toContainText(answer)
    await page.keyboard.press('ArrowRight')
  }
  await page.keyboard.press('ArrowLeft')
  await expect(board.getByRole('heading', { level: 1 })).toHaveText(LESSON.at(-2)!.title)
  await expect(board.locator('[data-picture]:not([data-drawn])')).toHaveCount(0)
})

test('the hand-out and the wall chart are one sheet of A4 each, drawn before they are printed', async ({ page }) => {
  for (const [path, size] of [
    ['/lab/hand-out', '210 × 297'],
    ['/lab/hand-out?sheet=chart', '297 × 210'],
  ] as const) {
    await page.goto(path)
    await expect(page.locator('[data-picture]').first()).toBeVisible()
    await expect(page.locator('[data-picture]:not([data-drawn])')).toHaveCount(0)
    const file = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1')
    const mm = (points: string) => Math.round((Number(points) / 72) * 25.4)
    const sizes = [...file.matchAll(/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(
      ([, wide, high]) => `${mm(wide!)} × ${mm(high!)}`,
    )
    expect(sizes, path).toEqual([size])
  }
})
