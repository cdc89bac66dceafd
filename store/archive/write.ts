import { createHash } from 'node:crypto'
import type { Writable } from 'node:stream'
import { finished } from 'node:stream/promises'
import { Zip, ZipDeflate } from 'fflate'
import type pg from 'pg'
import { validate } from 'uuid'
import { to as copyTo } from 'pg-copy-streams'
import { tablesInOrder } from './tables'

/** What stands at the end of an archive: how to read the rest, and how to know that it is whole. */
export interface Manifest {
  readonly orthodex: 'archive'
  readonly version: 1
  readonly madeAt: string
  /** absent: every venue of the server */
  readonly venue?: { readonly siteId: string; readonly name: string }
  /** the tables' shape: the migrations that had run */
  readonly migrations: readonly string[]
  readonly tables: readonly { readonly name: string; readonly rows: number; readonly sha256: string }[]
}

export const MANIFEST = 'manifest.json'
export const fileOf = (table: string): string => `tables/${table}.jsonl`

/** COPY's own escapes would change what JSON means: with these two characters, which JSON never holds raw, it writes none. */
export const RAW = `format csv, quote E'\\x01', delimiter E'\\x02'`

/**
 * Writes a whole database as an archive: a zip of JSON Lines, a file a table, each line a row by its column names. One snapshot,
 * read and written as it streams, so that a million lines need no more memory than a hundred.
 * @param siteId of one venue only, with the sign-ins of its people but not where they are signed in
 * @throws Error when there is no such venue
 */
export async function writeArchive(
  client: pg.ClientBase,
  out: Writable,
  now: Date,
  siteId?: string,
): Promise<Manifest> {
  let failed: Error | undefined
  let wake = () => {}
  // A disk that is full fails this archive, and nothing else of the process that makes it.
  out.on('error', (error) => {
    failed ??= error
    wake()
  })
  out.on('close', () => {
    if (!out.writableFinished) failed ??= new Error('Whoever took it went away')
    wake()
  })
  /** The disk may be slower than the database. */
  const drained = () =>
    new Promise<void>((resolve) => {
      wake = resolve
      out.once('drain', resolve)
    })
  const zip = new Zip((error, chunk, last) => {
    if (error) failed = error
    else {
      out.write(chunk)
      if (last) out.end()
    }
  })
  const tables: Manifest['tables'][number][] = []
  let migrations: string[] = []
  let venue: Manifest['venue']
  await client.query('begin isolation level repeatable read read only')
  try {
    if (siteId !== undefined) venue = await venueOf(client, siteId)
    for (const name of await tablesInOrder(
      async <Row>(question: string) => (await client.query(question)).rows as Row[],
    )) {
      const rowsOf = venue ? await rowsOfVenue(client, name, venue.siteId) : ''
      if (rowsOf === undefined) continue
      const entry = new ZipDeflate(fileOf(name), { level: 6 })
      zip.add(entry)
      const hash = createHash('sha256')
      let rows = 0
      const lines = client.query(
        copyTo(
          `copy (select row_to_json(t) from (select * from ${name} ${rowsOf} order by 1, 2) t) to stdout with (${RAW})`,
        ),
      )
      for await (const chunk of lines as AsyncIterable<Buffer>) {
        hash.update(chunk)
        for (const byte of chunk) if (byte === 10) rows += 1
        entry.push(chunk)
        if (!failed && out.writableNeedDrain) await drained()
        if (failed) throw failed
      }
      entry.push(new Uint8Array(0), true)
      tables.push({ name, rows, sha256: hash.digest('hex') })
    }
    const ran = await client.query<{ name: string }>('select name from kysely_migration order by name')
    migrations = ran.rows.map(({ name }) => name)
    await client.query('commit')
  } catch (error) {
    out.destroy()
    await client.query('rollback')
    throw error
  }
  const manifest: Manifest = {
    orthodex: 'archive',
    version: 1,
    madeAt: now.toISOString(),
    ...(venue && { venue }),
    migrations,
    tables,
  }
  const entry = new ZipDeflate(MANIFEST)
  zip.add(entry)
  entry.push(new TextEncoder().encode(JSON.stringify(manifest, null, 2)), true)
  zip.end()
  if (failed) throw failed
  await finished(out)
  return manifest
}

async function venueOf(client: pg.ClientBase, siteId: string): Promise<NonNullable<Manifest['venue']>> {
  const { rows } = await client.query<{ name: string }>('select name from site where site_id = $1', [siteId])
  if (!rows[0]) throw new Error('There is no such venue')
  return { siteId, name: rows[0].name }
}

/** The condition for the rows of one venue; undefined where a table has none of them. COPY takes no parameters: an id is checked by its form. */
async function rowsOfVenue(client: pg.ClientBase, table: string, siteId: string): Promise<string | undefined> {
  if (!validate(siteId)) throw new Error('This is no id of a venue')
  const { rowCount } = await client.query(
    `select 1 from information_schema.columns where table_schema = 'public' and table_name = $1 and column_name = 'site_id'`,
    [table],
  )
  if (rowCount) return `where site_id = '${siteId}'`
  const users = `(select user_id from membership where site_id = '${siteId}')`
  if (table === 'sign_in_user') return `where id in ${users}`
  if (table === 'sign_in_account' || table === 'sign_in_passkey') return `where "userId" in ${users}`
  return undefined
}
