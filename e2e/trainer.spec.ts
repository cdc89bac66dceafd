import type { Locator, Page } from '@playwright/test'
import { SPOKEN_QUESTIONS } from '@/core/knowledge/tension/spoken'
import { expect, stateFile, test } from './people'
import { foundIn } from './views'

/** How tight a swatch is by what its faces are said to show, the loosest lowest. */
async function tightness(swatch: Locator): Promise<number> {
  const faces = await swatch.getByRole('img', { name: /^(Top|Underside): / }).all()
  const says = (await Promise.all(faces.map((each) => each.getAttribute('aria-label')))).join(' ')
  if (/lies along it/.test(says)) return 2
  if (/dots of the bobbin/.test(says)) return 1
  if (/loops of/.test(says)) return -2
  return /dots of the top/.test(says) ? -1 : 0
}

const next = (page: Page) => page.getByRole('button', { name: /^(Next|Done)$/ })

test.describe('a learner', () => {
  test.use({ storageState: stateFile('learner') })

  test('trains the eye: which is looser, five in order, and each comes again next week', async ({ page }) => {
    await page.goto('/lab/trainer')
    await expect(page.getByText('Worth another look: bad threading')).toBeVisible()
    await expect(page.locator('[aria-current=step]')).toHaveCount(1)
    await page.getByRole('button', { name: /^Which is looser/ }).click()
    for (let task = 1; task <= 5; task += 1) {
      await expect(page.getByText(`${task} of 5`)).toBeVisible()
      const [a, b] = [
        await tightness(page.getByLabel('A', { exact: true })),
        await tightness(page.getByLabel('B', { exact: true })),
      ]
      const wrong = task === 1
      await page.getByRole('button', { name: a < b !== wrong ? 'A' : 'B', exact: true }).click()
      await expect(page.getByText(wrong ? 'Not quite.' : 'Yes.')).toBeVisible()
      await next(page).click()
    }
    await expect(page.getByText('4 of 5: well done')).toBeVisible()

    await page.getByRole('button', { name: /^Sort five/ }).click()
    for (let task = 1; task <= 2; task += 1) {
      await expect(page.getByText(`${task} of 2`)).toBeVisible()
      const rows = page.getByRole('list', { name: 'Swatches, the loosest first' }).getByRole('listitem')
      await expect(rows).toHaveCount(5)
      for (let pass = 0; pass < 4; pass += 1) {
        for (let at = 0; at < 4; at += 1) {
          if ((await tightness(rows.nth(at))) <= (await tightness(rows.nth(at + 1)))) continue
          const moved = (await rows
            .nth(at)
            .getByRole('button', { name: /^Swatch / })
            .textContent())!
          await page.getByRole('button', { name: `${moved} down`, exact: true }).click()
          await expect(rows.nth(at + 1).getByRole('button', { name: `Swatch ${moved}` })).toBeVisible()
        }
      }
      if (task === 1) expect(await foundIn(page)).toEqual([])
      await page.getByRole('button', { name: 'That is the order' }).click()
      await expect(page.getByText('Yes.')).toBeVisible()
      await next(page).click()
    }
    await expect(page.getByText('8 of 8: well done')).toBeVisible()
    await page.reload()
    for (const done of [/^Which is looser/, /^Sort five/]) {
      await expect(page.getByRole('button', { name: done })).toContainText('✓ done · again on')
    }
  })
})

test.describe('an instructor', () => {
  test.use({ storageState: stateFile('instructor') })

  test('is told who confuses what, shows it to all, and asks aloud before signing off', async ({ page }) => {
    await page.goto('/lab/progress')
    await expect(
      page.getByText('Chidi takes bad threading for a top thread that pulls too little: 2 of the last 3.'),
    ).toBeVisible()
    const several = page.getByRole('region', { name: 'What several mix up' })
    await expect(several).toContainText('take bad threading for a top thread that pulls too little.')
    await several.getByRole('link', { name: 'Show “Out of the discs” to all' }).first().click()
    await expect(page.getByRole('heading', { name: 'Out of the discs' })).toBeVisible()

    await page.goto('/lab/progress')
    await page.getByRole('button', { name: 'Sign off Lotta …' }).click()
    const form = page.getByRole('form', { name: 'Sign off Lotta' })
    for (const { ask } of SPOKEN_QUESTIONS.tension.slice(0, 3)) await form.getByLabel(ask).check()
    await form.getByRole('button', { name: 'I have seen it' }).click()
    await expect(page.getByText('answered 3 questions well')).toBeVisible()
    expect(await foundIn(page)).toEqual([])
  })
})
