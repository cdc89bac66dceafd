import pg from 'pg'
import { expect, LEARNER, openMachine, stateFile, test } from './people'

test.use({ storageState: stateFile('instructor') })

test('a learner’s call reaches staff on whatever page they are, and the learner sees who comes', async ({
  page,
  browser,
  demo,
}) => {
  const learner = await (
    await browser.newContext({ storageState: stateFile('learner'), viewport: { width: 390, height: 844 } })
  ).newPage()
  await page.goto('/stores')
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await expect(calls.getByRole('listitem')).toHaveCount(0)

  await learner.goto('/station/fault')
  await learner.getByRole('button', { name: 'A nest underneath at the start' }).click()
  await learner.getByRole('button', { name: 'Not that' }).click()
  await learner.getByRole('button', { name: 'Call staff' }).first().click()

  // Nobody loads the page anew: it comes by itself, with who, where, since when and what was found.
  const call = calls.getByRole('listitem')
  await expect(call).toContainText(/Chidi calls at Curlew, no\. 2, since \d\d:\d\d/)
  await expect(call).toContainText('A nest underneath at the start · looked at: tails held at the start: not that')
  const own = learner.getByRole('region', { name: 'Your call' })
  await expect(own).toContainText(/Called at \d\d:\d\d, on a screen of staff since \d\d:\d\d/)
  // A screen is no eye: who has waited for minutes, and nobody says that they come, is told.
  const late = own.getByText('Nobody has said yet that they come. Put your hand up')
  await expect(late).toBeHidden()
  /** Four minutes go by for whoever waits, since they called or since somebody said that they come. */
  const wait = async (since: 'called_at' | 'going_at') => {
    const client = new pg.Client({ connectionString: demo.databaseUrl })
    await client.connect()
    await client.query(`update help_call set ${since} = ${since} - interval '4 minutes' where ended_at is null`)
    await client.end()
  }
  await wait('called_at')
  await expect(late).toBeVisible()

  // The room shows it at the machine, too.
  await page.goto('/room')
  await expect(page.getByRole('link', { name: /^Chidi calls\. Curlew/ })).toBeVisible()
  await calls.getByRole('button', { name: /I am going/ }).click()
  await expect(calls).toContainText('You are going')
  await expect(own).toContainText('Tobias is coming to you')
  await expect(late).toBeHidden()
  // Whoever said that they come may have been kept, or have been there: a further call is a new one on every screen.
  const kept = own.getByText('Tobias is not with you yet? Put your hand up, and call again.')
  await expect(kept).toBeHidden()
  await wait('going_at')
  await expect(kept).toBeVisible()
  await expect(calls).toContainText('You are going (4 minutes). Been there? Tap Done.')
  await learner.getByRole('button', { name: 'Call somebody' }).click()
  await expect(own).toContainText(/Called at \d\d:\d\d, on a screen of staff since/)
  // Nobody said of the first that it was done, and nor does the page.
  await expect(own.getByText(/^Called at/)).toHaveCount(1)
  await expect(own).not.toContainText('done')
  await expect(calls.getByRole('listitem')).toHaveCount(1)
  await expect(calls).not.toContainText('You are going')
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  await expect(own).toContainText('done')
  await expect(page.getByRole('link', { name: /^Curlew/ })).toBeVisible()

  // A second call is taken back by the one who called.
  await learner.goto('/station/fault')
  await learner.getByRole('button', { name: 'Skipped stitches' }).click()
  await learner.getByRole('button', { name: 'Call staff' }).first().click()
  await expect(calls.getByRole('listitem')).toHaveCount(1)
  await learner.getByRole('button', { name: 'I need nobody any more' }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  await learner.context().close()
})

test('a call that is open is drawn with a page and moves nothing; one that comes takes no tap that was meant for the page', async ({
  page,
  browser,
}) => {
  const learner = await (await browser.newContext({ storageState: stateFile('learner') })).newPage()
  /** Where the page begins: as it was drawn, and as it is. */
  const tops = () =>
    learner.evaluate(() => [
      (window as unknown as { drawnAt: number }).drawnAt,
      document.getElementById('main')!.getBoundingClientRect().top,
    ])
  await learner.addInitScript(() => {
    const drawn = () => document.getElementById('main')?.getBoundingClientRect().top
    document.addEventListener('DOMContentLoaded', () => Object.assign(window, { drawnAt: drawn() }))
  })
  await page.goto('/room/now')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  // What a finger in the middle of the page would hit, each time that the page moves and when it may be hit again.
  await page.evaluate(() => {
    const main = document.getElementById('main')!
    const hit = () => main.contains(document.elementFromPoint(innerWidth / 2, innerHeight / 2))
    const hits = Object.assign(window, { hits: [hit()] }).hits
    new MutationObserver(() => hits.push(hit())).observe(main, { attributes: true, attributeFilter: ['data-moved'] })
  })
  const hits = () => page.evaluate(() => (window as unknown as { hits: boolean[] }).hits)
  await learner.goto('/station/fault')
  await learner.getByRole('button', { name: 'Skipped stitches' }).click()
  await learner.getByRole('button', { name: 'Call staff' }).first().click()
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await expect(calls.getByRole('listitem')).toContainText('Chidi calls')
  await expect.poll(hits).toEqual([true, false, true])

  for (const path of ['/station', '/lab'])
    expect(await (await learner.request.get(path)).text(), path).toContain('Called at')
  for (const path of ['/stores', '/lab'])
    expect(await (await page.request.get(path)).text(), path).toContain('calls</strong> at')
  await learner.goto('/station')
  await calls.getByRole('button', { name: /I am going/ }).click()
  await expect(learner.getByRole('region', { name: 'Your call' })).toContainText('Tobias is coming to you')
  const [drawn, is] = await tops()
  expect(is).toBe(drawn)
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  await learner.context().close()
})

test('a needle that a learner reports broken stops the machine, calls staff, and is the first thing there', async ({
  page,
  browser,
}) => {
  const learner = await (await browser.newContext({ storageState: stateFile('learner') })).newPage()
  await learner.goto('/station/fault')
  await learner.getByRole('button', { name: 'The needle broke' }).click()
  await expect(learner.getByText('Nobody sews on Curlew until each one lies on the table')).toBeVisible()
  await learner.getByRole('button', { name: 'It broke: stop Curlew and call staff' }).click()
  const stopped = learner.getByRole('alert').filter({ hasText: 'Curlew is stopped' })
  await expect(stopped).toBeVisible()
  await expect(learner.getByRole('link', { name: 'Seat check' })).toHaveCount(0)

  await page.goto('/kits')
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await expect(calls.getByRole('listitem')).toContainText('The needle broke')
  await calls.getByRole('link', { name: /Curlew/ }).click()
  const found = page.getByRole('button', { name: 'All pieces found' })
  await expect(found).toBeInViewport()
  await expect(page.getByRole('main')).toContainText('No needle is written down for it')
  await found.click()
  await expect(page.getByText('Released: every piece is found')).toBeVisible()
  // Nobody has to tell the learner to look again.
  await expect(stopped).toHaveCount(0)
  await expect(found).toHaveCount(0)
  await calls.getByRole('button', { name: /^Done/ }).click()

  await page.getByRole('link', { name: 'Change needle' }).click()
  await page.getByRole('button', { name: /^Done: .+ is in$/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Curlew' })).toBeVisible()
  await learner.context().close()
})

test('a learner who smells or sees something electrical stops the machine, and staff are called by it', async ({
  page,
  browser,
}) => {
  const phone = { storageState: stateFile('learner'), viewport: { width: 360, height: 740 } }
  const learner = await (await browser.newContext(phone)).newPage()
  await learner.goto('/station/fault')
  await learner.getByRole('button', { name: 'A smell, a spark, a shock, a damaged cord' }).click()
  const stop = learner.getByRole('button', { name: 'It is unplugged: stop Curlew and call staff' })
  // Its words are all to be read on a phone.
  await expect(stop).toBeInViewport({ ratio: 1 })
  await stop.click()
  await expect(learner.getByRole('region', { name: 'Your call' })).toContainText('Called at')
  await expect(learner.getByRole('alert').filter({ hasText: 'Curlew is stopped' })).toBeVisible()

  await page.goto('/kits')
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await expect(calls.getByRole('listitem')).toHaveCount(1)
  await expect(calls.getByRole('listitem')).toContainText('A smell, a spark, a shock, a damaged cord')
  await calls.getByRole('link', { name: /Curlew/ }).click()
  await expect(page.getByRole('main')).toContainText('Only a coordinator can end its electrical stop')
  const coordinator = await (await browser.newContext({ storageState: stateFile('coordinator') })).newPage()
  await openMachine(coordinator, 'Curlew')
  await coordinator.getByRole('button', { name: 'Licensed repair …' }).click()
  await coordinator.getByLabel('By whom (licensed)').fill('a licensed repairer')
  await coordinator.getByRole('button', { name: 'Write it down' }).click()
  await expect(coordinator.getByText('Licensed repair written down')).toBeVisible()
  await coordinator.context().close()
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  await learner.context().close()
})

test('somebody who is hurt is one tap away, and the machine stops with it', async ({ page, browser }) => {
  const learner = await (await browser.newContext({ storageState: stateFile('learner') })).newPage()
  await openMachine(page, 'Heron')
  await page.getByRole('link', { name: 'Change needle' }).click()
  await page.getByRole('link', { name: 'Somebody is hurt' }).click()
  await expect(page.getByRole('heading', { name: 'Somebody is hurt: first' })).toBeVisible()
  await expect(page.getByText('On the wall beside the boathouse door')).toBeVisible()
  // It came from Heron’s page, so that is the machine which is offered.
  await expect(page.getByRole('button', { name: 'Stop Heron and call staff' })).toBeVisible()

  await learner.goto('/station/check')
  await learner.getByRole('link', { name: 'Somebody is hurt' }).click()
  await learner.getByRole('button', { name: 'Stop Curlew and call staff' }).click()
  await expect(learner.getByRole('heading', { name: /Curlew is stopped, and staff are told/ })).toBeVisible()
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await expect(calls.getByRole('listitem')).toContainText('Somebody is hurt: Chidi')
  await calls.getByRole('button', { name: /^Done/ }).click()
  await openMachine(page, 'Curlew')
  await expect(page.getByText('Somebody was hurt here')).toBeVisible()
  await page.getByRole('button', { name: 'Lift red tag …' }).click()
  await page.getByLabel('Why it may run again').fill('a scratch; the needle was whole')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('list', { name: 'Lines of the book, newest' }).getByText('Red tag off')).toBeVisible()
  await learner.context().close()
})

test('whoever has no machine calls as well, and what hurts somewhere else stops none', async ({
  page,
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
  await context.request.post('/api/sign-in/station', {
    data: { classCode: LEARNER.classCode, firstName: 'Kofi' },
    headers: { origin: baseURL! },
  })
  const kofi = await context.newPage()
  await page.goto('/stores')
  const calls = page.getByRole('region', { name: 'Calls for help' })
  await kofi.goto('/station')
  await expect(kofi.getByRole('heading', { name: 'Hello Kofi' })).toBeVisible()
  await kofi.getByRole('button', { name: 'Call somebody' }).click()
  await expect(calls.getByRole('listitem')).toContainText(/Kofi calls, at no machine, since \d\d:\d\d/)
  await kofi.getByRole('link', { name: 'Somebody is hurt' }).click()
  await kofi.getByRole('link', { name: 'That is done: to the call' }).click()
  await expect(kofi.getByRole('button', { name: 'Call staff', exact: true })).toBeInViewport()
  await kofi.getByLabel('What happened').fill('burnt at the iron')
  await kofi.getByRole('button', { name: 'Call staff', exact: true }).click()
  await expect(kofi.getByRole('heading', { name: 'Staff are told' })).toBeVisible()
  const hurt = calls.getByRole('listitem').first()
  await expect(hurt).toContainText('Somebody is hurt: Kofi, at no machine')
  await expect(hurt).toContainText('burnt at the iron')
  await hurt.getByRole('button', { name: 'I am going to Kofi at no machine' }).click()
  await expect(kofi.getByRole('region', { name: 'Your call' })).toContainText('Tobias is coming to you')
  // Whoever is on the way there is sent to nobody else meanwhile.
  const now = await page.context().newPage()
  await now.goto('/room/now')
  const going = now.getByRole('region', { name: 'You are going to' })
  await expect(going).toContainText('Kofi at no machine')
  await expect(now.getByRole('region', { name: 'Go next to' })).toHaveCount(0)
  await going.getByRole('button', { name: 'I have been there' }).click()
  await expect(going).toHaveCount(0)
  await expect(calls.getByRole('listitem')).toHaveCount(1)
  await now.close()
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  // Whoever has a machine has both ways, and calls from the lab, too.
  const chidi = await (await browser.newContext({ storageState: stateFile('learner') })).newPage()
  await chidi.goto('/hurt')
  await expect(chidi.getByRole('button', { name: 'Stop Curlew and call staff' })).toBeVisible()
  await chidi.getByRole('button', { name: 'It was not at a machine: call staff' }).click()
  await expect(calls.getByRole('listitem')).toContainText('Somebody is hurt: Chidi, at no machine')
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  await openMachine(page, 'Curlew')
  await expect(page.getByText('Somebody was hurt here')).toHaveCount(0)
  await chidi.goto('/lab')
  await chidi.getByRole('button', { name: 'Call somebody' }).click()
  await expect(calls.getByRole('listitem')).toContainText('Chidi calls at Curlew, no. 2')
  await calls.getByRole('button', { name: /^Done/ }).click()
  await expect(calls.getByRole('listitem')).toHaveCount(0)
  await context.close()
  await chidi.context().close()
})
