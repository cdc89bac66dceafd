import { expect, stateFile, test } from './people'

test.use({ storageState: stateFile('newcomer') })

test('an empty venue, a machine typed in by its traits, a cloth by its numbers', async ({ page }) => {
  await page.goto('/room')
  await expect(page.getByRole('heading', { name: 'No machine stands here yet' })).toBeVisible()
  await page.getByRole('link', { name: 'Add a machine' }).click()
  await page.getByLabel('A short name people say aloud').fill('Petrel')
  const answer = (question: string) => page.getByRole('group', { name: question })
  const choose = async (question: string, ...words: string[]) => {
    for (const each of words) await answer(question).getByText(each, { exact: true }).click()
  }
  const numbers = async (question: string, values: Record<string, string>) => {
    for (const [name, value] of Object.entries(values))
      await answer(question).getByLabel(name, { exact: true }).fill(value)
  }
  await page.getByText(/^All else that can be known of it/).click()
  await page.getByLabel('Which needle system does its manual or plate name?').fill('HA x 1')
  await numbers('Finest and thickest needle it takes (1/100 mm)', { lowest: '65', highest: '100' })
  await choose('Which way does the flat of the needle’s shank face?', 'right')
  await choose('Which way is the eye threaded?', 'left to right')
  await choose('How does the bobbin go in?', 'side')
  await choose('Does the bobbin run like a P or like a 9?', '9')
  await page.getByLabel('How many spools can it hold?').fill('1')
  await numbers('Tension: lowest, highest and normal mark, and the step between marks', {
    lowest: '0',
    highest: '18',
    'normal mark': '8',
    'step between marks': '1',
  })
  await choose('How does the take-up lever hold the thread?', 'closed eye')
  await choose('Can foot pressure be adjusted?', 'fixed')
  await choose('Which stitches does it have?', 'straight', 'zigzag')
  await page.getByLabel('Widest zigzag (mm)').fill('4')
  await numbers('Shortest and longest stitch (mm)', { lowest: '1', highest: '3' })
  await choose('How is stitch length marked?', 'backwards')
  await choose('Which feet are there for it?', 'standard')
  await choose('Does it have built-in even feed?', 'no')
  await page.getByLabel('Greatest stack under its foot (mm)').fill('5')
  await page.getByLabel('Greatest stack of leather it pierces (mm)').fill('2')
  await choose('Which way does the hand wheel turn?', 'away')
  await page.getByRole('button', { name: 'Put it in the room' }).click()

  await expect(page.getByRole('heading', { level: 1, name: 'Petrel' })).toBeVisible()
  await expect(
    page.getByRole('img', { name: 'Seen from above: flat to the right, threaded from left to right' }),
  ).toBeVisible()
  await expect(page.getByRole('img', { name: 'Tension dial from 0 to 18, normal 8, set to 8' })).toBeVisible()
  await expect(page.getByText('No needle is known to be in it')).toBeVisible()

  await page.getByRole('link', { name: 'Kits', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'No bags hang here yet' })).toBeVisible()
  await page.getByRole('link', { name: 'Add a project' }).click()
  await page.getByLabel('Name of the class').fill('First Thursdays')
  await page.getByRole('button', { name: 'Open the class' }).click()
  await page.getByLabel('Learner’s first name').fill('Sefa')
  await page.getByLabel('What is made').fill('a lining')
  await page.getByLabel('Mass (g/m²)').fill('66')
  await page.getByLabel('Thickness of one layer (mm)').fill('0.14')
  await page.getByRole('button', { name: 'Hang the bag' }).click()
  // The page of the new project shows a kit too.
  await expect(page.getByRole('heading', { level: 1, name: 'Sefa: a lining' })).toBeVisible()

  const kit = page.getByRole('article', { name: 'Kit' })
  await expect(kit).toContainText('microtex (sharp) 65/9')
  await expect(kit).toContainText('straight 1.9 mm')
  // One number of an ordinary dial is two marks here: normal 8, sheer −1.
  await expect(page.getByRole('img', { name: 'Tension dial from 0 to 18, normal 8, set to 6' })).toBeVisible()
  await expect(kit).toContainText('Footstandard')
  await expect(kit).toContainText('Foot pressurenormal')
  await page.getByLabel('What is done').selectOption('buttonhole')
  await expect(page.getByText('This job needs a buttonhole stitch and the machine has straight, zigzag.')).toBeVisible()
  await page.getByLabel('What is done').selectOption('seam')
  await page.getByRole('button', { name: 'Give this kit' }).click()
  await expect(page.getByText('This kit was given.')).toBeVisible()

  await page.goto('/room')
  await page
    .getByRole('link', { name: /^Petrel, due/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Seat check' }).click()
  for (const words of [
    'The flat side of the shank faces right on this machine.',
    'Thread the eye from left to right',
    'hangs like a 9',
    'closed eye of the take-up lever',
    'This length dial runs backwards',
    'away from you one whole turn',
    'Turn the tension dial to 6; this machine’s normal mark is 8.',
  ]) {
    await expect(page.getByText(words)).toBeVisible()
  }
})
