import { expect, openMachine, stateFile, test } from './people'

test.describe('a helper at a machine', () => {
  test.use({ storageState: stateFile('helper') })

  test('sewing time, a note, a broken needle and its release', async ({ page }) => {
    await openMachine(page, 'Turnstone')
    const lines = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem')
    await page.getByRole('button', { name: 'Sewn for …' }).click()
    await page.getByLabel('Minutes in the chair').fill('80')
    await page.getByText('dense, coated, denim').click()
    await page.getByRole('button', { name: 'Write it down' }).click()
    // 80 chair minutes × 0.15 × 1.5 are 0.3 hours of needle.
    await expect(lines.first()).toContainText('Sewn, 0.3 needle hours')

    await page.getByRole('button', { name: 'Note …' }).click()
    await page.getByLabel('Note', { exact: true }).fill('The lamp flickers at full speed')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(lines.first()).toContainText('The lamp flickers at full speed')

    await page.getByRole('button', { name: 'Needle broke …' }).click()
    await expect(page.getByText('Find point, blade and shank')).toBeVisible()
    await page.getByLabel('What happened (if known)').fill('hit a zip')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByText('A needle broke (hit a zip) and not every piece is found')).toBeVisible()
    await page.goto('/room')
    await expect(page.getByRole('link', { name: /^Turnstone, stopped: A needle broke/ })).toBeVisible()

    await openMachine(page, 'Turnstone')
    await page.getByRole('button', { name: 'All pieces found' }).click()
    await expect(page.getByText('No needle is known to be in it')).toBeVisible()
    await expect(page.getByRole('button', { name: 'All pieces found' })).toHaveCount(0)
  })

  test('a fault that was written down is there until somebody says what cured it', async ({ page }) => {
    await openMachine(page, 'Plover')
    await page.getByRole('button', { name: 'Fault …' }).click()
    await page.getByLabel('What kind').selectOption('feeding')
    await page.getByLabel('What was seen, heard or smelt').fill('it creeps to the left')
    await page.getByRole('button', { name: 'Write it down' }).click()
    const open = page.getByRole('region', { name: 'Open faults' })
    await expect(open).toContainText('Fault open: feeding, it creeps to the left')
    await open.getByRole('button', { name: 'Cured: feeding …' }).click()
    await open.getByLabel('What cured it').fill('foot pressure up one')
    await open.getByRole('button', { name: 'Write it down' }).click()
    await expect(open).toHaveCount(0)
    const lines = page.getByRole('list', { name: 'Lines of the book, newest first' }).getByRole('listitem')
    await expect(lines.first()).toContainText('Cured: feeding')
    await expect(lines.first()).toContainText('foot pressure up one')

    // Whoever finds it by the finder says there what was the same thing.
    await page.getByRole('button', { name: 'Fault …' }).click()
    await page.getByLabel('What kind').selectOption('jam')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(open).toContainText('Fault open: jam')
    await page.getByRole('link', { name: 'Something is wrong' }).click()
    await page.getByRole('button', { name: 'A nest underneath at the start' }).click()
    await page.getByRole('button', { name: 'That was it' }).click()
    await page.getByLabel('Fault open: jam').check()
    await page.getByRole('button', { name: 'Yes, it is cured' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Plover' })).toBeVisible()
    await expect(lines.first()).toContainText('A nest underneath at the start: cured')
    await expect(open).toHaveCount(0)
  })

  test('a machine that wants its room check first leads on to it', async ({ page }) => {
    await page.goto('/room')
    await page
      .getByRole('link', { name: /Room check first/ })
      .first()
      .click()
    await page.getByRole('navigation', { name: 'Next' }).getByRole('link', { name: 'Room check' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Room check' })).toBeVisible()
  })

  test('cannot lift a red tag, nor take it back as a mistake', async ({ page }) => {
    await openMachine(page, 'Godwit')
    await expect(page.getByText('Pedal cord is frayed').first()).toBeVisible()
    await expect(page.getByRole('button', { name: 'Lift red tag …' })).toHaveCount(0)
    await expect(page.getByRole('button', { name: 'Correct: Red tag on' })).toHaveCount(0)
  })
})

test.describe('a coordinator', () => {
  test.use({ storageState: stateFile('coordinator') })

  test('what waits for a technician stands at the machine and in the care, until one was there', async ({ page }) => {
    await openMachine(page, 'Plover')
    await page.getByRole('link', { name: 'Something is wrong' }).click()
    await page.getByRole('button', { name: 'A bang or pop at each stitch' }).click()
    await page.getByRole('button', { name: 'For a technician' }).click()
    const open = page.getByRole('region', { name: 'Open faults' })
    await expect(open).toContainText('For a technician: A bang or pop at each stitch')
    await page.goto('/room/before')
    const stop = page.getByRole('list', { name: 'Machines in walking order' }).getByRole('listitem')
    const plover = stop.filter({ has: page.getByRole('heading', { name: 'Plover' }) })
    await expect(plover).toContainText('For a technician: A bang or pop at each stitch')
    await expect(plover).not.toContainText('as it should be')
    // What somebody else does is no thing to do tonight; when it was done, it is written down at the machine.
    await plover.getByRole('link', { name: 'When it was done …' }).click()
    await expect(page.getByRole('button', { name: 'Serviced …' })).toBeVisible()
    await page.goto('/room/care')
    const service = page.getByRole('article').filter({ hasText: 'Service by a technician' })
    await expect(service).toContainText('for a bang or pop at each stitch')
    await service.getByRole('link', { name: 'Plover' }).click()
    await page.getByRole('button', { name: 'Serviced …' }).click()
    await page.getByLabel('By whom').fill('a technician')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByText('Service written down')).toBeVisible()
    await expect(open).toHaveCount(0)
  })

  test('stops a machine, lets it run again with a reason, and answers a trait at the machine', async ({ page }) => {
    await openMachine(page, 'Plover')
    await page.getByRole('button', { name: 'Red tag …' }).click()
    await page.getByLabel('Why', { exact: true }).fill('A smell of hot dust')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByRole('main')).toContainText('stopped')
    await page.getByRole('button', { name: 'Lift red tag …' }).click()
    await page.getByLabel('Why it may run again').fill('The lamp was dusty; wiped by a licensed repairer')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByText('Red tag off').first()).toBeVisible()
    await page.getByRole('link', { name: 'Answer or change a trait' }).click()
    await page.getByRole('button', { name: 'Change: Which way does the hand wheel turn?' }).click()
    await page.getByText('away', { exact: true }).click()
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByText('away (trying it out)')).toBeVisible()
    await page.goBack()
    await page.goto(`${page.url()}/check?only=all`)
    await expect(page.getByText('Turn the hand wheel away from you one whole turn')).toBeVisible()
  })
})

test.describe('an instructor at a machine', () => {
  test.use({ storageState: stateFile('instructor') })

  test('what a technician and a licensed tester did is written down by a tap, and a test that is overdue stops the machine until the next', async ({
    page,
    browser,
  }) => {
    await openMachine(page, 'Dunlin')
    const care = page.getByRole('region', { name: 'Care' })
    const book = page.getByRole('list', { name: 'Lines of the book, newest first' })
    const tested = async (next: string) => {
      await care.getByRole('button', { name: 'Electrical test …' }).click()
      await care.getByLabel('By whom').fill('the county tester')
      await care.getByLabel('Next by').fill(next)
      await care.getByRole('button', { name: 'Write it down' }).click()
      await expect(book.getByRole('listitem').first()).toContainText(`By the county tester. Next by ${next}.`)
    }
    await tested('2026-01-15')
    await expect(
      page.getByText('Its electrical safety test was due by 2026-01-15: not until it is tested'),
    ).toBeVisible()
    await tested('2038-01-15')
    await expect(page.getByText('Its electrical safety test was due')).toHaveCount(0)
    await expect(care.getByText('Electrical safety test')).toBeVisible()

    await care.getByRole('button', { name: 'Serviced …' }).click()
    await care.getByLabel('By whom').fill('a technician')
    await care.getByLabel('What was done').fill('timing set')
    await care.getByRole('button', { name: 'Write it down' }).click()
    await expect(book.getByRole('listitem').first()).toContainText('timing set')

    // A helper does not say so.
    const helper = await (await browser.newContext({ storageState: stateFile('helper') })).newPage()
    await helper.goto(page.url())
    await expect(helper.getByRole('region', { name: 'Care' })).toBeVisible()
    await expect(helper.getByRole('button', { name: 'Serviced …' })).toHaveCount(0)
    await helper.context().close()
  })
})
