import type { BrowserContextOptions, Page } from '@playwright/test'
import pg from 'pg'
import { randomUUID } from 'node:crypto'
import { serve } from './demo-copy'
import { allAsDrawn, choosePicture, expect, stateFile, test, type Who } from './people'

/** One evening from beginning to end: coordinator, instructor, two learners and a wall, over two copies of the program, part of it without a network. */
test.use({ storageState: stateFile('coordinator'), serviceWorkers: 'allow' })

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }
const TABLET = { viewport: { width: 768, height: 1024 }, hasTouch: true, isMobile: true }

const BLOCK_MINUTES = 10
/** of another class than any bag's */
const OTHER_THREAD = { tex: 120, fibre: 'polyester', use: 'heavy' }

test('an evening: two copies, a phone without a network, a call, a changeover, a line that came too late, and the end', async ({
  page,
  browser,
  demo,
}) => {
  test.setTimeout(600_000)
  const second = await serve(demo.databaseUrl)
  const opened: Page[] = []
  const open = async (who: Who, url: string, options: BrowserContextOptions) => {
    const context = await browser.newContext({ ...options, baseURL: url, storageState: stateFile(who) })
    const at = await context.newPage()
    opened.push(at)
    return at
  }
  try {
    const sessionId = await anEvening(page, demo.databaseUrl)
    const instructor = await open('instructor', second.url, TABLET)
    const wall = await open('helper', second.url, { viewport: { width: 1920, height: 1080 } })
    const chidi = await open('learner', second.url, PHONE)
    const farah = await open('learner', demo.url, PHONE)
    await farah.context().clearCookies()
    await farah.request.post('/api/sign-in/station', {
      data: { classCode: 'salt-boathouse', firstName: 'Farah' },
      headers: { origin: demo.url },
    })
    await instructor.goto('/room/now')
    await wall.goto('/room/wall')
    const onWall = (machine: string) =>
      // Who comes next stands under them.
      wall
        .getByRole('listitem')
        .filter({ has: wall.getByText(machine, { exact: true }) })
        .first()

    // The block begins: the kits are given, and every phone has its seat.
    await page.goto(`/sessions/${sessionId}`)
    await page.getByRole('button', { name: 'Begin: give the kits' }).first().click()
    const allTheSame = page.getByRole('button', { name: 'Give the kits all the same' })
    await expect(allTheSame.or(page.getByRole('button', { name: 'Take them back' }).first())).toBeVisible()
    if (await allTheSame.isVisible()) await allTheSame.click()
    await expect(page.getByRole('button', { name: 'Take them back' }).first()).toBeVisible()
    await expect(onWall('Heron')).toContainText('Farah')
    await chidi.goto('/station')
    await farah.goto('/station')
    await expect(chidi.getByText('You sit at Curlew')).toBeVisible()
    await expect(farah.getByText('You sit at Heron')).toBeVisible()

    // Farah’s network goes; check and swatch are done all the same.
    await expect(farah.locator('html[data-kept]')).toBeAttached()
    await farah.context().setOffline(true)
    await seatCheck(farah)
    await readSwatch(farah)
    await expect(farah.getByRole('region', { name: 'What waits' })).toContainText('2 lines wait for the network')
    await expect(onWall('Heron')).toContainText('Seat check')

    // Chidi checks, reads, and calls; the instructor comes, reads the swatch beside them, and is done there.
    await seatCheck(chidi)
    await expect(onWall('Curlew')).toContainText('Test swatch')
    await chidi.getByRole('button', { name: 'Call somebody' }).click()
    const card = instructor.getByRole('region', { name: 'Go next to' })
    await expect(card).toContainText('Chidi at Curlew')
    await card.getByRole('button', { name: 'I am going' }).click()
    await expect(chidi.getByRole('region', { name: 'Your call' })).toContainText('Tobias is coming to you')
    await card.getByRole('button', { name: 'Read the swatch' }).click()
    const beside = card.getByRole('region', { name: 'Read the swatch' })
    await balanced(beside)
    await beside.getByRole('button', { name: 'Write this swatch down' }).click()
    await expect(onWall('Curlew')).toContainText('Tobias is going')
    await card.getByRole('button', { name: 'I have been there' }).click()
    await expect(onWall('Curlew')).toContainText('Sewing')

    // The network is back: what Farah did lands in its order, once.
    await farah.context().setOffline(false)
    await expect(farah.getByRole('region', { name: 'What waits' })).toHaveCount(0)
    await expect(onWall('Heron')).toContainText('Sewing')

    // Chidi finishes where there is no network.
    await expect(chidi.locator('html[data-kept]')).toBeAttached()
    await chidi.goto('/station')
    await chidi.context().setOffline(true)
    await chidi.getByRole('button', { name: 'My project is finished' }).click()
    await expect(chidi.getByRole('region', { name: 'What waits' })).toContainText('1 line waits for the network')

    // The seam is near: the wall says how far the room is with it, and follows every tick.
    const seam = wall.getByRole('status').filter({ hasText: 'To block 2' })
    await expect(seam).toContainText('0 of 1 machines changed over, still Curlew')
    await page.goto(`/sessions/${sessionId}/changeover`)
    const done = page.getByRole('button', { name: /^Done at Curlew: / })
    await expect(done.first()).toBeVisible()
    for (let left = await done.count(); left > 0; left -= 1) {
      await done.first().click()
      await expect(done).toHaveCount(left - 1)
    }
    await expect(seam).toContainText('every machine is changed over')

    // Bram is given the machine; Chidi’s line comes after that, and is staff’s to take.
    await page.goto(`/sessions/${sessionId}`)
    await page.getByRole('button', { name: 'Begin: give the kits' }).nth(1).click()
    if (await allTheSame.isVisible()) await allTheSame.click()
    await expect(page.getByRole('button', { name: 'Take them back' })).toHaveCount(2)
    await chidi.context().setOffline(false)
    const left = instructor.getByRole('list', { name: 'Lines that wait for you' })
    await expect(left).toContainText('Chidi')
    await left.getByRole('button', { name: /^It was so: / }).click()
    await expect(chidi.getByRole('region', { name: 'Your call' })).toContainText('has put it in the book of Curlew')

    // The end: who finished, the report, and a line that every learner of the class has on their seat.
    await page.goto(`/sessions/${sessionId}/close`)
    const sewed = page.getByRole('region', { name: 'Who sewed, and how far they came' })
    await expect(sewed).toContainText('1 project finished')
    await expect(sewed.getByRole('listitem').filter({ hasText: 'Chidi' })).toContainText('called once')
    const report = await page.request.get(`/api/sessions/${sessionId}/report`)
    const rows = (await report.text()).trim().split('\r\n')
    expect(rows[0]).toMatch(/^block,machine,learner,/)
    expect(rows.find((row) => row.includes('Chidi'))).toMatch(
      /^1,Curlew,Chidi,fleece headband,finished,yes,1,yes,.*,yes$/,
    )
    expect(rows.find((row) => row.includes('Farah'))).toMatch(/^1,Heron,Farah,.*,yes,1,yes,/)
    await page.getByLabel('What they bring or think of').fill('Bring the lining')
    await page.getByRole('button', { name: 'Tell the class' }).click()
    await expect(page.getByText('The class has it on its seats')).toBeVisible()
    for (const phone of [chidi, farah]) {
      await phone.goto('/station')
      await expect(phone.getByRole('region', { name: 'For next time' })).toContainText('Bring the lining')
    }
  } finally {
    for (const each of opened) await each.context().close()
    await second.stop()
  }
})

/** A session of two short blocks that has just begun, planned by hand: Chidi at Curlew, then Bram; Farah at Heron. */
async function anEvening(page: Page, databaseUrl: string): Promise<string> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows: bags } = await client.query<{ name: string; project_id: string; course_id: string }>(
    `select person.name, project_id, course_id from project join enrolment using (site_id, enrolment_id)
       join person using (site_id, person_id) where person.name in ('Chidi', 'Farah', 'Bram')`,
  )
  const { rows: machines } = await client.query<{ name: string; machine_id: string }>(
    `select name, machine_id from machine where name in ('Curlew', 'Heron')`,
  )
  await client.end()
  const seat = (who: string, at: string, block: number) => ({
    projectId: bags.find(({ name }) => name === who)!.project_id,
    machineId: machines.find(({ name }) => name === at)!.machine_id,
    block,
  })
  const sessionId = randomUUID()
  const write = async (name: string, body: object) => {
    const answer = await page.request.post(`/api/commands/${name}`, { data: { commandId: randomUUID(), body } })
    expect(answer.status(), await answer.text()).toBe(200)
  }
  const startsAt = Date.now() - 30_000
  const session = {
    sessionId,
    startsAt: new Date(startsAt).toISOString(),
    endsAt: new Date(startsAt + 2 * BLOCK_MINUTES * 60_000).toISOString(),
    blocks: 2,
  }
  await write('add-sessions', { courseId: bags[0]!.course_id, sessions: [session] })
  const seats = [seat('Chidi', 'Curlew', 1), seat('Farah', 'Heron', 1), seat('Bram', 'Curlew', 2)]
  // Both were set for something else in between: there is something to check.
  for (const { machine_id: machineId } of machines) {
    const line = {
      machineId,
      happenedAt: new Date(startsAt).toISOString(),
      kind: 'set-up',
      body: { thread: OTHER_THREAD },
    }
    await write('log', line)
  }
  await write('set-plan', { sessionId, basedOn: null, plan: { seats, leftOut: [] } })
  return sessionId
}

async function seatCheck(at: Page): Promise<void> {
  await at.goto('/station/check')
  await allAsDrawn(at)
  await at.getByRole('button', { name: 'All done' }).click()
  await expect(at.getByRole('heading', { level: 1, name: 'Read your swatch' })).toBeVisible()
}

async function balanced(within: Page | ReturnType<Page['getByRole']>): Promise<void> {
  await choosePicture(within, 'only the dark thread')
  await choosePicture(within, 'only the light thread')
}

async function readSwatch(at: Page): Promise<void> {
  await at.goto('/station/swatch')
  await balanced(at)
  await at.getByRole('button', { name: 'Write this swatch down' }).click()
}
