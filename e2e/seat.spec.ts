import { choosePicture, expect, openLine, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

test('what staff do with a seat is on its learner’s phone at once, and takes nothing out of their hands', async ({
  page,
  browser,
}) => {
  const learner = await (
    await browser.newContext({ storageState: stateFile('learner'), viewport: { width: 390, height: 844 } })
  ).newPage()
  await learner.goto('/station/swatch')
  const look = learner.getByRole('radio', { name: 'only the dark thread' })
  await choosePicture(learner, 'only the dark thread')
  // A page beside their way, which they may have open between two seams.
  const lab = await learner.context().newPage()
  await lab.goto('/lab')
  await learner.bringToFront()

  // Others of staff have the room, and the machine, before them.
  const other = await browser.newContext({ storageState: stateFile('helper') })
  const [plan, card] = [await other.newPage(), await other.newPage()]
  await plan.goto('/room')
  const curlew = plan.getByRole('link', { name: /^Curlew, / }).first()
  await card.goto((await curlew.getAttribute('href'))!)

  await page.goto('/room')
  const stop = async (line: string, at = page) => {
    await (await openLine(at)).fill(line)
    await at.getByRole('button', { name: 'Write it down' }).click()
  }
  // What comes to the head of their page pushes it down: it takes no taps while a finger may be on its way.
  await learner.evaluate(() => {
    scrollTo(0, 0)
    const held = () => (document.documentElement.dataset['held'] = '')
    new MutationObserver(held).observe(document.getElementById('main')!, { attributeFilter: ['data-moved'] })
  })
  await stop('curlew red tag cord is warm')
  await expect(learner.locator('html[data-held]')).toBeAttached()
  const stopped = learner.getByRole('alert').filter({ hasText: 'Curlew is stopped' })
  await learner.evaluate(() => scrollTo(0, document.body.scrollHeight))
  await expect(stopped).toBeInViewport({ ratio: 1 })
  await expect(lab.getByRole('alert').filter({ hasText: 'Curlew is stopped' })).toBeVisible()
  await expect(look).toBeChecked()
  await expect(curlew).toHaveAccessibleName(/stopped/i)
  await expect(card.getByRole('region', { name: 'Why Curlew is stopped' })).toContainText('cord is warm')
  await stop('curlew red tag off cord was changed')
  await expect(stopped).toHaveCount(0)
  await expect(curlew).not.toHaveAccessibleName(/stopped/i)
  await expect(card.getByRole('region', { name: 'Why Curlew is stopped' })).toHaveCount(0)
  await expect(look).toBeChecked()

  // What stops nobody is told where somebody sits all the same, and where staff look whom to go to.
  await lab.goto('/station')
  const next = lab.getByRole('region', { name: 'Next' })
  await expect(next).toContainText('The check and the swatch are good: sew.')
  await stop('curlew fault noise')
  await expect(next).toContainText('Fault open: noise')
  await expect(next).toContainText('Ask your instructor before you sew on it.')
  await expect(next).not.toContainText('sew. When')
  await plan.goto('/room/now')
  const round = plan.getByRole('region', { name: 'Go next to' })
  await expect(round).toContainText('Chidi at Curlew')
  await expect(round).toContainText('Fault open: noise')
  // Its manual wants no oil: nobody is led to it.
  await expect(card.getByRole('button', { name: 'Cleaned', exact: true })).toBeVisible()
  await expect(card.getByRole('button', { name: /^Oiled/ })).toHaveCount(0)
  const faults = card.getByRole('region', { name: 'Open faults' })
  await faults.getByRole('button', { name: 'Cured: noise …' }).click()
  await faults.getByLabel('What cured it').fill('a screw was loose')
  await faults.getByRole('button', { name: 'Write it down' }).click()
  await expect(next).toContainText('The check and the swatch are good: sew.')
  await expect(plan.getByText('Fault open: noise')).toHaveCount(0)
  await plan.goto('/room')
  await lab.goto('/lab')
  await learner.bringToFront()

  // Somebody else is given the machine while they read their swatch.
  const { machines } = (await (await page.request.get('/api/line')).json()) as {
    machines: { machineId: string; name: string }[]
  }
  const idOf = (name: string) => machines.find((each) => each.name === name)!.machineId
  const openBag = async (who: RegExp, machine: string) => {
    await page.goto('/kits')
    await page.getByRole('link', { name: who }).first().click()
    await page.waitForURL(/\/kits\/[0-9a-f-]{36}/)
    await page.goto(`${page.url().split('?')[0]}?machine=${idOf(machine)}`)
  }
  const give = async (who: RegExp, machine: string) => {
    await openBag(who, machine)
    await page.getByRole('button', { name: 'Give this kit' }).click()
    await expect(page.getByText('This kit was given.')).toBeVisible()
  }
  // A bag is open from before its machine was stopped elsewhere: nobody is sent there.
  await openBag(/^Kofi/, 'Turnstone')
  await stop('turnstone red tag the belt slips', plan)
  await page.getByRole('button', { name: 'Give this kit' }).click()
  await expect(page.getByText('Turnstone is stopped: the belt slips', { exact: true }).first()).toBeVisible()
  await give(/^Bram/, 'Curlew')
  const told = learner.getByRole('status').filter({ hasText: 'has changed where you sit' })
  await expect(told).toBeVisible()
  await expect(look).toBeChecked()
  // A stop waits for nobody: neither that of the machine before them, nor that of the one where they are to sit.
  await give(/^Chidi/, 'Heron')
  for (const name of ['Curlew', 'Heron']) {
    await stop(`${name} red tag it smells`)
    const alert = learner.getByRole('alert').filter({ hasText: `${name} is stopped` })
    await expect(alert).toBeVisible()
    await stop(`${name} red tag off looked at`)
    await expect(alert).toHaveCount(0)
  }
  await stop('Dunlin red tag it smells')
  await expect(plan.getByRole('link', { name: /^Dunlin, .*stopped/i }).first()).toBeVisible()
  await expect(learner.getByRole('alert').filter({ hasText: 'is stopped' })).toHaveCount(0)
  await expect(look).toBeChecked()
  await told.getByRole('button', { name: 'Show me' }).click()
  await expect(learner.getByText('You sit at Heron')).toBeVisible()

  // And at the seat's own page what comes stands there by itself.
  await give(/^Bram/, 'Heron')
  await expect(learner.getByText('Bram sits at your last machine now')).toBeVisible()
  await give(/^Chidi/, 'Curlew')
  await expect(learner.getByText('You sit at Curlew')).toBeVisible()
  await other.close()
  await learner.context().close()
})
