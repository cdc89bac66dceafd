import { expect, openMachine, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

test('a machine is put away and stands in no plan of the room; its book is read, and it comes back', async ({
  page,
}) => {
  await openMachine(page, 'Knot')
  const book = page.url()
  await page.getByText('Its name, or put it away').click()
  await page.getByLabel('Why (may stay empty)').fill('lent to the school')
  await page.getByRole('button', { name: 'Put Knot away' }).click()
  await expect(page.getByText('Put away since')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Change needle' })).toHaveCount(0)
  await page.goto('/room')
  await expect(page.getByRole('link', { name: /^Heron, / }).first()).toBeVisible()
  await expect(page.getByRole('link', { name: /^Knot, / })).toHaveCount(0)
  await page.getByRole('link', { name: 'Put away' }).click()
  await expect(page.getByText('lent to the school')).toBeVisible()
  await page.getByRole('link', { name: /^Knot, no/ }).click()
  await expect(page).toHaveURL(book)
  const line = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem').first()
  await expect(line).toContainText('lent to the school')

  // Somebody named the school, which nobody needs to read for years.
  await line.getByRole('button', { name: /^Take the words out of/ }).click()
  await line.getByRole('button', { name: 'Take them out' }).click()
  await expect(page.getByText('lent to the school')).toHaveCount(0)
  await page.getByRole('button', { name: 'Take it out again' }).click()
  await expect(page.getByRole('link', { name: 'Change needle' })).toBeVisible()
  await page.goto('/room')
  await expect(page.getByRole('link', { name: /^Knot, / }).first()).toBeVisible()
})

test('a bag is renamed and put away, a learner goes with theirs, and both come back', async ({ page }) => {
  await page.goto('/kits')
  await page.getByRole('link', { name: /Bram/ }).click()
  await page.getByText('Its name and whose it is, or put it away').click()
  await page.getByLabel('What is made').fill('blue sunhat')
  await page.getByRole('button', { name: 'Rename it' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Bram: blue sunhat' })).toBeVisible()
  await page.getByRole('button', { name: 'Put this bag away' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Kits' })).toBeVisible()
  await expect(page.getByRole('link', { name: /Bram/ })).toHaveCount(0)

  await page.goto('/kits/classes')
  await page.getByRole('button', { name: 'Learners …' }).click()
  await page.getByRole('button', { name: 'Put Chidi away' }).click()
  await expect(page.getByRole('button', { name: 'Put Chidi away' })).toHaveCount(0)
  await page.goto('/put-away')
  await page.getByRole('button', { name: 'Take Chidi out' }).click()
  await page.getByRole('button', { name: 'Take blue sunhat out' }).click()
  await expect(page.getByText('Nothing is put away')).toBeVisible()
  await page.goto('/kits')
  await expect(page.getByRole('link', { name: /Bram/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /Chidi/ }).first()).toBeVisible()
})

test('a new project shows its kit while it is filled in', async ({ page }) => {
  await page.goto('/kits/new')
  const would = page.getByRole('region', { name: 'What it would get' })
  await expect(would.getByText(/^universal \d/)).toBeVisible()
  await page.getByLabel('It is most like').selectOption('denim')
  await expect(would.getByText(/denim|jeans/i).first()).toBeVisible()
})
