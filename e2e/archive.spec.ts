import { readFileSync } from 'node:fs'
import pg from 'pg'
import { checkArchive, restoreArchive } from '@/store/archive/read'
import { unseal } from '@/store/archive/sealed'
import { asAdmin, databaseUrl } from './demo-copy'
import { expect, stateFile, test } from './people'
import { connect } from '@/store/connect'
import { noteNightWork } from '@/store/site/night-work'

test.use({ storageState: stateFile('coordinator') })

const AGAIN = 'venue_again'
test.afterAll(() => asAdmin(`drop database if exists ${AGAIN} with (force)`))

/** How many rows of a venue there are, by table, and what they come to. */
async function countOf(url: string, siteId: string): Promise<Record<string, string>> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    const counts: Record<string, string> = {}
    for (const table of [
      'person',
      'machine',
      'machine_event',
      'machine_state',
      'project',
      'kit_given',
      'stock_move',
      'session',
    ])
      counts[table] = (
        await client.query<{ sum: string }>(
          `select count(*) || ' ' || coalesce(sum(hashtextextended(row_to_json(t)::text, 0)), 0) as sum from ${table} t where site_id = $1`,
          [siteId],
        )
      ).rows[0]!.sum
    return counts
  } finally {
    await client.end()
  }
}

test('a venue is taken away by a button, closed by a passphrase, and stands on another server as it stood here', async ({
  page,
  demo,
}, testInfo) => {
  await page.goto('/venue')
  await expect(page.locator('html[data-listening]')).toBeAttached()
  await page.getByLabel('Passphrase, if you like').fill('too short')
  await expect(page.getByText('12 letters at least, or none')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take the copy' })).toBeDisabled()
  await page.getByLabel('Passphrase, if you like').fill('three herons on a mudflat')
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the copy' }).click()
  const download = await coming
  expect(download.suggestedFilename()).toMatch(/^venue-\d{4}-\d{2}-\d{2}\.zip\.age$/)
  const [closed, opened] = [testInfo.outputPath('venue.zip.age'), testInfo.outputPath('venue.zip')]
  await download.saveAs(closed)
  expect(readFileSync(closed).includes('Saltmarsh')).toBe(false)

  await unseal(closed, 'three herons on a mudflat', opened)
  const { venue } = await checkArchive(opened)
  expect(venue!.name).toBe('Saltmarsh Road Toolshed')
  await asAdmin(`create database ${AGAIN}`)
  await restoreArchive(opened, databaseUrl(AGAIN))
  expect(await countOf(databaseUrl(AGAIN), venue!.siteId)).toEqual(await countOf(demo.databaseUrl, venue!.siteId))

  // Who took it is kept.
  await page.goto('/people/deeds')
  await expect(page.getByText(/Take archive/i).first()).toBeVisible()
})

test('a copy that the server could not make for days is told to whoever answers for the venue, where they look first', async ({
  page,
  demo,
  browser,
}) => {
  const store = connect(demo.databaseUrl)
  const daysAgo = (days: number) => new Date(Date.now() - days * 24 * 3_600_000)
  await noteNightWork(store, 'copying', daysAgo(4))
  await noteNightWork(store, 'copying', daysAgo(0), 'full')
  const undone = page.getByRole('region', { name: 'Not done at night' })
  await page.goto('/room')
  await expect(undone).toContainText('The server has made no copy of its books since')
  await expect(undone).toContainText('Its disk is full.')
  const helper = await browser.newContext({ storageState: stateFile('helper') })
  const theirs = await helper.newPage()
  await theirs.goto(new URL('/room', page.url()).href)
  await expect(theirs.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(theirs.getByText('Not done at night')).toBeHidden()
  await helper.close()
  await undone.getByRole('link', { name: 'take a copy yourself' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'The venue' })).toBeVisible()
  await expect(undone).toBeVisible()
  // The disk was tidied, and the next hour it is done.
  await noteNightWork(store, 'copying', new Date())
  await store.destroy()
  await page.reload()
  await expect(page.getByText('The server made its last copy by itself')).toBeVisible()
  await expect(undone).toBeHidden()
})
