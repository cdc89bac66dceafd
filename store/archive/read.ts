import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { once } from 'node:events'
import { stat } from 'node:fs/promises'
import { Unzip, UnzipInflate } from 'fflate'
import { Migrator, type Kysely } from 'kysely'
import pg from 'pg'
import { from as copyFrom, type CopyStreamQuery } from 'pg-copy-streams'
import { connect } from '../connect'
import type { Database } from '../database'
import { migrate, MIGRATIONS, pendingMigrations } from '../migrate'
import { hasVenue } from '../site/setup'
import { ofEveryVenue } from '../site-wall'
import { BadArchive } from './bad-archive'
import { fileOf, MANIFEST, RAW, type Manifest } from './write'

/** Text of rows packs some twenty times smaller; what swells a thousand times was made to. */
const MOST_SWOLLEN = 300
const LONGEST_LINE = 64_000_000

/** Goes through the files of an archive as they stream, each chunk in turn. */
async function eachChunk(
  path: string,
  take: (file: string, chunk: Uint8Array, last: boolean) => Promise<void> | void,
): Promise<void> {
  const { size } = await stat(path)
  const queue: { file: string; chunk: Uint8Array; last: boolean }[] = []
  let swollen = 0
  let failed: Error | undefined
  /** what went wrong with whoever takes the chunks, and not with the zip */
  let takers: Error | undefined
  const unzip = new Unzip((entry) => {
    entry.ondata = (error, chunk, last) => {
      if (error) failed = new BadArchive(`${entry.name} is damaged: ${error.message}`)
      else queue.push({ file: entry.name, chunk, last })
    }
    entry.start()
  })
  unzip.register(UnzipInflate)
  try {
    for await (const part of createReadStream(path, { highWaterMark: 256 * 1024 }) as AsyncIterable<Buffer>) {
      unzip.push(part)
      for (let next = queue.shift(); next; next = queue.shift()) {
        swollen += next.chunk.length
        if (swollen > size * MOST_SWOLLEN + 1_000_000)
          throw new BadArchive('It swells to far more than an archive of rows does; nothing of it was read')
        try {
          await take(next.file, next.chunk, next.last)
        } catch (error) {
          takers = error as Error
          throw error
        }
      }
      if (failed) throw failed
    }
    unzip.push(new Uint8Array(0), true)
  } catch (error) {
    if (takers) throw takers
    throw error instanceof BadArchive ? error : new BadArchive(`It is no whole zip: ${(error as Error).message}`)
  }
}

/**
 * Reads an archive to its end and says whether it is whole: every file there, every line JSON, every sum right.
 * @throws BadArchive with the file and the line
 */
export async function checkArchive(path: string): Promise<Manifest> {
  const seen = new Map<string, { rows: number; sha256: string }>()
  const open = new Map<string, { hash: ReturnType<typeof createHash>; rows: number; rest: Buffer }>()
  let manifest = ''
  await eachChunk(path, (file, chunk, last) => {
    if (file === MANIFEST) {
      manifest += Buffer.from(chunk).toString('utf8')
      return
    }
    const at = open.get(file) ?? { hash: createHash('sha256'), rows: 0, rest: Buffer.alloc(0) }
    open.set(file, at)
    at.hash.update(chunk)
    let rest = Buffer.concat([at.rest, chunk])
    for (let end = rest.indexOf(10); end >= 0; end = rest.indexOf(10)) {
      at.rows += 1
      try {
        JSON.parse(rest.subarray(0, end).toString('utf8'))
      } catch {
        throw new BadArchive(`${file}, line ${at.rows}: this is not JSON`)
      }
      rest = rest.subarray(end + 1)
    }
    if (rest.length > LONGEST_LINE) throw new BadArchive(`${file}, line ${at.rows + 1}: no row is that long`)
    at.rest = Buffer.from(rest)
    if (last) {
      if (at.rest.length > 0) throw new BadArchive(`${file}, line ${at.rows + 1}: it ends in the middle`)
      seen.set(file, { rows: at.rows, sha256: at.hash.digest('hex') })
    }
  })
  if (manifest === '') throw new BadArchive('It has no manifest.json: it is half a file, or no archive of Orthodex')
  let said: Manifest
  try {
    said = JSON.parse(manifest) as Manifest
  } catch {
    throw new BadArchive('Its manifest.json is not JSON')
  }
  if (said.orthodex !== 'archive') throw new BadArchive('It is no archive of Orthodex')
  const unknown =
    said.version !== 1 ? `version ${said.version as number}` : said.migrations.find((each) => !(each in MIGRATIONS))
  if (unknown) throw new BadArchive(`It was made by a newer Orthodex (${unknown}): bring this one up to date first`)
  for (const { name, rows, sha256 } of said.tables) {
    const found = seen.get(fileOf(name))
    if (!found) throw new BadArchive(`${fileOf(name)} is missing`)
    if (found.rows !== rows) throw new BadArchive(`${fileOf(name)} has ${found.rows} lines, and ${rows} were written`)
    if (found.sha256 !== sha256) throw new BadArchive(`${fileOf(name)} was changed since it was written`)
  }
  return said
}

/**
 * Reads an archive into a database that holds nothing, in one transaction, then brings its tables up to date. That of one venue
 * may also come to others, where the tables have the shape of its time.
 * @throws BadArchive when it is not whole, the database is not empty, or the venue is here already; then nothing is kept
 */
export async function restoreArchive(path: string, databaseUrl: string): Promise<Manifest> {
  const manifest = await checkArchive(path)
  const store = connect(databaseUrl)
  try {
    const others = (await anyTable(store)) && (await hasVenue(store, 'any'))
    if (others && !manifest.venue) throw new BadArchive('The database holds a venue already: restore into an empty one')
    if (others) await mustFitBeside(store, manifest)
    else await toShapeOf(store, manifest)
    await load(path, manifest, databaseUrl)
    await migrate(store)
  } finally {
    await store.destroy()
  }
  return manifest
}

/** Whether anything was ever made in this database. */
const anyTable = async (store: Kysely<Database>): Promise<boolean> =>
  (await store.introspection.getTables()).some(({ name }) => name === 'site')

/** @throws BadArchive where the venue is, or where the tables have not the very shape that they had when the archive was made */
async function mustFitBeside(store: Kysely<Database>, { migrations, venue }: Manifest): Promise<void> {
  const same = await store.selectFrom('site').select('name').where('site_id', '=', venue!.siteId).executeTakeFirst()
  if (same) throw new BadArchive(`This venue is here already, as ${same.name}`)
  const lacking = await pendingMigrations(store)
  const here = Object.keys(MIGRATIONS).filter((name) => !lacking.includes(name))
  if (here.length !== migrations.length)
    throw new BadArchive(
      'It was made by another version than the one that runs here: bring both servers to the same version, then take it out again',
    )
}

/** What a venue of an archive has in common with what is here, by the index that says so. */
const HERE_ALREADY: Readonly<Record<string, string>> = {
  site: 'Another venue here begins its class codes with the same word',
  sign_in_user: 'Somebody here signs in with the address of somebody of this venue',
}

/** The tables as they were when the archive was made. */
async function toShapeOf(store: Kysely<Database>, { migrations }: Manifest): Promise<void> {
  const provider = { getMigrations: () => Promise.resolve(MIGRATIONS) }
  const migrator = new Migrator({ db: ofEveryVenue(store), provider })
  const ran = (await migrator.getMigrations()).filter(({ executedAt }) => executedAt).map(({ name }) => name)
  if (ran.length > migrations.length)
    throw new BadArchive('The database was brought up to date already: restore an older archive into a new database')
  const { error } = await migrator.migrateTo(migrations.at(-1)!)
  if (error) throw error as Error
}

async function load(path: string, manifest: Manifest, databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const tables = new Set(manifest.tables.map(({ name }) => fileOf(name)))
  try {
    await client.query('begin')
    await client.query('create temporary table archive_line (line json not null) on commit drop')
    let into: CopyStreamQuery | undefined
    await eachChunk(path, async (file, chunk, last) => {
      if (!tables.has(file)) return
      into ??= client.query(copyFrom(`copy archive_line from stdin with (${RAW})`))
      if (chunk.length > 0 && !into.write(chunk)) await once(into, 'drain')
      if (!last) return
      into.end()
      await once(into, 'finish')
      into = undefined
      const name = file.slice('tables/'.length, -'.jsonl'.length)
      await client.query(`insert into ${name} select (json_populate_record(null::${name}, line)).* from archive_line`)
      await client.query('truncate archive_line')
    })
    await catchUpSequences(client)
    await client.query('commit')
  } catch (error) {
    await client.query('rollback').catch(() => undefined)
    const { code, table } = error as { readonly code?: unknown; readonly table?: unknown }
    if (code === '23505' && typeof table === 'string')
      throw new BadArchive(HERE_ALREADY[table] ?? 'Some of this venue is here already')
    throw error
  } finally {
    await client.end()
  }
}

/** Numbers that the database gives go on after the greatest that came in. */
async function catchUpSequences(client: pg.ClientBase): Promise<void> {
  const { rows } = await client.query<{ table: string; column: string; sequence: string }>(
    `select table_name as table, column_name as column, pg_get_serial_sequence(table_name, column_name) as sequence
     from information_schema.columns
     where table_schema = 'public' and pg_get_serial_sequence(quote_ident(table_name), column_name) is not null`,
  )
  for (const { table, column, sequence } of rows)
    await client.query(`select setval($1, greatest((select max(${column}) from ${table}), 1))`, [sequence])
}
