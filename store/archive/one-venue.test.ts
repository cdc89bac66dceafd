import {
  createReadStream,
  createWriteStream,
  mkdtempSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { sql } from 'kysely'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readProjects } from '../project/projects'
import { removeSite } from '../site/remove-site'
import { ofEveryVenue } from '../site-wall'
import { aProject, aVenue, freshStore } from '../testing/store'
import { restoreArchive } from './read'
import { seal, unseal } from './sealed'
import { writeArchive, type Manifest } from './write'

const folder = mkdtempSync(join(tmpdir(), 'orthodex-venue-'))
const file = join(folder, 'loft.zip')
let here: Awaited<ReturnType<typeof freshStore>>
let there: Awaited<ReturnType<typeof freshStore>>
let loft: Actor
let yard: Actor
let made: Manifest

const inVenue = async (store: Store, who: Actor, learner: string, number = 1) => {
  const courseId = uuid()
  const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
  await run('open-course', { courseId, name: 'Thursdays' })
  await run('add-project', { courseId, ...aProject(learner) })
  await run('add-machine', {
    machineId: uuid(),
    name: `Heron ${number}`,
    number,
    place: { x: 1, y: 1 },
    traits: {},
    source: 'plate',
  })
}
async function takeOut(siteId: string): Promise<Manifest> {
  const client = new pg.Client({ connectionString: here.url })
  await client.connect()
  try {
    return await writeArchive(client, createWriteStream(file), new Date(), siteId)
  } finally {
    await client.end()
  }
}
/** Everybody who signs in has a passkey, called by their address. */
const withPasskeys = (store: Store) =>
  sql`insert into sign_in_passkey (id, "userId", name, "publicKey", "credentialID", counter, "deviceType", "backedUp")
      select id, id, email, 'key', id, 0, 'multiDevice', true from sign_in_user`.execute(ofEveryVenue(store))

/** How many rows a server holds of a venue, table by table. */
const rowsOf = async ({ store }: { store: Store }, siteId: string) =>
  Promise.all(
    (['person', 'membership', 'course', 'project', 'machine', 'command'] as const).map(async (table) => {
      const rows = await ofEveryVenue(store).selectFrom(table).selectAll().where('site_id', '=', siteId).execute()
      return rows.length
    }),
  )

beforeAll(async () => {
  here = await freshStore()
  there = await freshStore()
  loft = await aVenue(here.store, 'loft')
  yard = await aVenue(here.store, 'yard')
  await inVenue(here.store, loft, 'Ida of the loft')
  await inVenue(here.store, yard, 'Jon of the yard')
  await aVenue(there.store, 'hall')
  await withPasskeys(here.store)
  made = await takeOut(loft.siteId)
})
afterAll(async () => {
  await here.end()
  await there.end()
  rmSync(folder, { recursive: true, force: true })
})

describe('one venue of several', () => {
  it('is taken out alone, comes to another server beside what is there, and everything of it with it', async () => {
    expect(made.venue).toEqual({ siteId: loft.siteId, name: 'loft' })
    await restoreArchive(file, there.url)
    expect(await rowsOf(there, loft.siteId)).toEqual(await rowsOf(here, loft.siteId))
    expect(await rowsOf(there, yard.siteId)).toEqual([0, 0, 0, 0, 0, 0])
    expect((await readProjects(there.store, loft.siteId)).map(({ learner }) => learner)).toEqual(['Ida of the loft'])
    const emails = await ofEveryVenue(there.store).selectFrom('sign_in_user').select('email').orderBy('email').execute()
    expect(emails.map(({ email }) => email)).toEqual(['ada@hall.example', 'ada@loft.example'])
    const passkeys = await ofEveryVenue(there.store).selectFrom('sign_in_passkey').select('name').execute()
    expect(passkeys).toEqual([{ name: 'ada@loft.example' }])
    // It works on there.
    await inVenue(there.store, loft, 'Kim', 2)
  })

  it('is refused where it is already, or where its words or addresses are taken, and nothing is changed', async () => {
    await expect(restoreArchive(file, there.url)).rejects.toThrow('This venue is here already')
    const other = await freshStore()
    try {
      const ada = await aVenue(other.store, 'barn')
      await ofEveryVenue(other.store).updateTable('sign_in_user').set({ email: 'ada@loft.example' }).execute()
      await expect(restoreArchive(file, other.url)).rejects.toThrow('signs in with the address')
      expect(await rowsOf(other, loft.siteId)).toEqual([0, 0, 0, 0, 0, 0])
      expect((await rowsOf(other, ada.siteId))[0]).toBe(1)
    } finally {
      await other.end()
    }
  })

  it('is removed to the last row, and of the others not one', async () => {
    const before = await rowsOf(here, yard.siteId)
    await here.store.transaction().execute((tx) => removeSite(tx, loft.siteId))
    expect(await rowsOf(here, loft.siteId)).toEqual([0, 0, 0, 0, 0, 0])
    expect(await rowsOf(here, yard.siteId)).toEqual(before)
    const emails = await ofEveryVenue(here.store).selectFrom('sign_in_user').select('email').execute()
    expect(emails).toEqual([{ email: 'ada@yard.example' }])
    await expect(takeOut(loft.siteId)).rejects.toThrow('no such venue')
  })
})

describe('an archive that a passphrase closes', () => {
  const [plain, closed, opened] = ['plain', 'plain.age', 'opened'].map((name) => join(folder, name)) as [
    string,
    string,
    string,
  ]
  const close = async () => {
    writeFileSync(plain, Buffer.alloc(300_000, 'a row of a book '))
    await pipeline(await seal(createReadStream(plain), 'a long passphrase', 10), createWriteStream(closed))
  }

  it('holds nothing that can be read, and opens to the passphrase alone, byte for byte', async () => {
    await close()
    expect(readFileSync(closed).includes('a row of a book')).toBe(false)
    await unseal(closed, 'a long passphrase', opened)
    expect(readFileSync(opened).equals(readFileSync(plain))).toBe(true)
    await expect(unseal(closed, 'another passphrase', opened)).rejects.toThrow('does not open it')
  })

  it('is refused when it was cut off', async () => {
    await close()
    truncateSync(closed, 200_000)
    await expect(unseal(closed, 'a long passphrase', opened)).rejects.toThrow(/cut off/)
    await expect(unseal(plain, 'a long passphrase', opened)).rejects.toThrow(/cut off|not closed/)
  })
})
