import { expect, openLine, openMachine, stateFile, test } from './people'

test.use({ storageState: stateFile('coordinator') })

test('a line is typed from anywhere, shown before it lands, and undone', async ({ page }) => {
  await page.goto('/kits')
  const line = await openLine(page)
  await line.fill('avo')
  await expect(page.getByRole('button', { name: 'avocet', exact: true })).toBeVisible()
  await page.keyboard.press('Tab')
  await expect(line).toHaveValue('avocet ')
  await line.pressSequentially('bobbin 2')
  const dialog = page.getByRole('dialog', { name: 'What happened?' })
  await expect(dialog).toContainText('Avocet: 2 bobbins wound')
  await line.fill('avocet needle leather 85')
  await expect(dialog).toContainText('"85" is no needle size')
  await expect(dialog.getByRole('button', { name: 'Write it down' })).toBeDisabled()
  await page.reload()
  await page.getByRole('button', { name: 'Log' }).click()
  await expect(line).toHaveValue('avocet needle leather 85')
  await line.fill('avocet needle leather 100 popping')
  await expect(dialog).toContainText('Needle: leather 100/16')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Avocet: Needle: leather 100/16')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Taken back; the book shows both lines')).toBeVisible()
  await openMachine(page, 'Avocet')
  await expect(page.getByRole('region', { name: 'In it now' })).toContainText('leather 110/18')
})

test('before class: machine by machine, only what differs, one tap each', async ({ page }) => {
  await page.goto('/room')
  await page.getByRole('link', { name: 'Before class' }).click()
  const stops = page.getByRole('list', { name: 'Machines in walking order' })
  await expect(stops.getByRole('heading', { level: 2 })).toHaveText([
    'Heron',
    'Curlew',
    'Dunlin',
    'Knot',
    'Plover',
    'Avocet',
    'Godwit',
    'Turnstone',
    'Snipe',
  ])
  await page.getByRole('button', { name: 'Done at Knot: Set back: length 2.5 mm' }).click()
  await expect(page.getByText('Knot: Set back to its baseline')).toBeVisible()
  await expect(page.getByRole('button', { name: /Done at Knot: Set back/ })).toHaveCount(0)
  // The room check in place: all of it is looked at, one tap says so, and the page stays.
  const knot = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Knot' }) })
  await expect(knot.getByRole('list', { name: 'Look at each' })).toContainText('Cord, plug and pedal whole')
  // What is not so is said on the list's own page, thing by thing.
  await knot.getByRole('link', { name: /^Something is not so at Knot/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Room check' })).toBeVisible()
  await page.getByRole('button', { name: /^Something is not so: / }).click()
  await page.getByRole('radiogroup', { name: 'Lamp on' }).getByRole('radio', { name: 'Not yet' }).click()
  await expect(page.getByText('Now:').first()).toBeVisible()
  await page.goto('/room/before')
  const check = knot.getByRole('button', { name: /^Done at Knot: .*[Rr]oom check/ })
  await check.click()
  await expect(check).toHaveCount(0)
})

test('an electrical fault stops a machine until a licensed repair is written down', async ({ page }) => {
  await openMachine(page, 'Plover')
  await page.getByRole('button', { name: 'Fault …' }).click()
  await page.getByLabel('What kind').selectOption('electrical')
  await expect(page.getByText('Unplug it at the wall now')).toBeVisible()
  await page.getByLabel('What was seen, heard or smelt').fill('a smell of burning')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(
    page.getByText('Electrical (a smell of burning): unplugged until a licensed repair is logged'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Licensed repair …' }).click()
  await page.getByLabel('By whom (licensed)').fill('a licensed repairer')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('Licensed repair written down')).toBeVisible()
  await expect(page.getByText('unplugged until a licensed repair')).toBeHidden()
})
