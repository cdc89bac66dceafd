import { createHash } from 'node:crypto'
import type { Writable } from 'node:stream'
import { finished } from 'node:stream/promises'
import { Zip, ZipDeflate } from 'fflate'
import type pg from 'pg'
import { to as copyTo } from 'pg-copy-streams'
import { tablesInOrder } from './tables'

/** What stands at the end of an archive: how to read the rest, and how to know that it is whole. */
export interface Manifest {
  readonly orthodex: 'archive'
  readonly version: 1
  readonly madeAt: string
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
 */
export async function writeArchive(client: pg.ClientBase, out: Writable, now: Date): Promise<Manifest> {
  let failed: Error | undefined
  let wake = () => {}
  // A disk that is full fails this archive, and nothing else of the process that makes it.
  out.on('error', (error) => {
    failed ??= error
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
  await client.query('begin isolation level repeatable read read only')
  try {
    for (const name of await tablesInOrder(client)) {
      const entry = new ZipDeflate(fileOf(name), { level: 6 })
      zip.add(entry)
      const hash = createHash('sha256')
      let rows = 0
      const lines = client.query(
        copyTo(`copy (select row_to_json(t) from (select * from ${name} order by 1, 2) t) to stdout with (${RAW})`),
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
  const manifest: Manifest = { orthodex: 'archive', version: 1, madeAt: now.toISOString(), migrations, tables }
  const entry = new ZipDeflate(MANIFEST)
  zip.add(entry)
  entry.push(new TextEncoder().encode(JSON.stringify(manifest, null, 2)), true)
  zip.end()
  if (failed) throw failed
  await finished(out)
  return manifest
}
