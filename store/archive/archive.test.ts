import { ofEveryVenue } from '@/store/site-wall'
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strToU8, unzipSync, zipSync } from 'fflate'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { Migrator } from 'kysely'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { connect } from '../connect'
import { MIGRATIONS, pendingMigrations } from '../migrate'
import { readSite } from '../site/site'
import { runCommand } from '../commands/run'
import { aProject, aVenue, freshStore } from '../testing/store'
import { checkArchive, restoreArchive } from './read'
import { MANIFEST, writeArchive, type Manifest } from './write'

const folder = mkdtempSync(join(tmpdir(), 'orthodex-archive-'))
const file = join(folder, 'room.zip')
const ends: (() => Promise<void>)[] = []
let url: string
let made: Manifest

async function withClient<Answer>(of: string, work: (client: pg.Client) => Promise<Answer>): Promise<Answer> {
  const client = new pg.Client({ connectionString: of })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}
/** Every row of every table of an archive, as text, table by table. */
const everything = (of: string) =>
  withClient(of, async (client) => {
    const rows: Record<string, string[]> = {}
    for (const { name } of made.tables) {
      const found = await client.query<{ text: string }>(`select t::text as text from ${name} t order by 1`)
      rows[name] = found.rows.map(({ text }) => text)
    }
    return rows
  })
/** A database without a single table. */
const emptyDatabase = async () => {
  const name = `empty_${uuid().replaceAll('-', '')}`
  const admin = url.replace(/\/[^/]*$/, '/postgres')
  await withClient(admin, (client) => client.query(`create database ${name}`))
  ends.unshift(async () => {
    await withClient(admin, (client) => client.query(`drop database ${name} with (force)`))
  })
  return url.replace(/\/[^/]*$/, `/${name}`)
}
const fresh = async () => {
  const { url: of, end } = await freshStore()
  ends.push(end)
  return of
}

beforeAll(async () => {
  const { store, url: of, end } = await freshStore()
  url = of
  ends.push(end)
  const who = await aVenue(store, 'room')
  const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
  const [machineId, courseId] = [uuid(), uuid()]
  await run('add-machine', {
    machineId,
    name: 'Heron',
    number: 1,
    place: { x: 1, y: 1 },
    traits: ORDINARY_TRAITS,
    source: 'manual',
  })
  await run('open-course', { courseId, name: 'Thursdays' })
  const project = aProject('Zoë “the needle” O’Hara')
  await run('add-project', { courseId, ...project })
  await run('give-kit', { projectId: project.projectId, machineId })
  for (const text of [
    'a \\ backslash, a "quote", a tab\tand a line\nbreak',
    '\u0001\u0002 raw',
    'ﷺ 𝄞 emoji 🧵',
    '{"json":true}',
  ])
    await run('log', { machineId, happenedAt: new Date().toISOString(), kind: 'noted', body: { text } })
  await run('receive-stock', { item: { kind: 'foot', foot: 'standard' }, count: 3 })
  made = await withClient(url, (client) => writeArchive(client, createWriteStream(file), new Date()))
})
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  for (const end of ends) await end()
})

describe('an archive', () => {
  it('comes back row for row, and the next row gets the next number', async () => {
    const into = await fresh()
    expect(await restoreArchive(file, into)).toEqual(made)
    expect(await everything(into)).toEqual(await everything(url))
    const next = await withClient(into, async (client) => {
      const { rows } = await client.query<{ most: string; next: string }>(
        `select max(landed) as most, nextval(pg_get_serial_sequence('stock_move', 'landed')) as next from stock_move`,
      )
      return rows[0]!
    })
    expect(Number(next.next)).toBeGreaterThan(Number(next.most))
  })

  it('is open: a zip of JSON Lines, with a list of what is in it', () => {
    const files = unzipSync(readFileSync(file))
    const lines = new TextDecoder().decode(files['tables/machine.jsonl']).trim().split('\n')
    expect(JSON.parse(lines[0]!)).toMatchObject({ name: 'Heron', number: 1 })
    expect(JSON.parse(new TextDecoder().decode(files[MANIFEST]))).toEqual(made)
    expect(made.tables.find(({ name }) => name === 'machine_event')!.rows).toBe(4)
    expect(Object.keys(files)).not.toContain('tables/sign_in_rate_limit.jsonl')
  })

  it('of an older Orthodex comes back in the shape of today, of long ago and of yesterday', async () => {
    const names = Object.keys(MIGRATIONS)
    // Some of the ways there: each step of all of them is held by the migrations' own test.
    const old = names.filter((_, index) => index % 4 === 0 || index >= names.length - 2)
    const from = await emptyDatabase()
    const store = connect(from)
    const migrator = new Migrator({
      db: ofEveryVenue(store),
      provider: { getMigrations: () => Promise.resolve(MIGRATIONS) },
    })
    const siteId = uuid()
    for (const last of old) {
      await migrator.migrateTo(last)
      const into = await emptyDatabase()
      await withClient(from, async (client) => {
        if (last === names[0]) {
          await client.query(
            `insert into site (site_id, code, name, time_zone, house_rules) values ($1, 'old', 'The Old Room', 'UTC', $2)`,
            [siteId, JSON.stringify(DEFAULT_HOUSE_RULES)],
          )
          await client.query(`insert into person (site_id, person_id, name) values ($1, $1, 'Ada')`, [siteId])
        }
        const file = join(folder, 'old.zip')
        const manifest = await writeArchive(client, createWriteStream(file), new Date())
        expect(manifest.migrations).toEqual(names.slice(0, names.indexOf(last) + 1))
        await restoreArchive(file, into)
      })
      const restored = connect(into)
      expect([last, await readSite(restored, siteId)]).toMatchObject([last, { name: 'The Old Room' }])
      expect(await pendingMigrations(restored)).toEqual([])
      await restored.destroy()
    }
    await store.destroy()
  })

  it('that cannot be written says so, and takes nothing else down with it', async () => {
    const into = (path: string) =>
      withClient(url, (client) => writeArchive(client, createWriteStream(path), new Date()))
    await expect(into(join(folder, 'no-such-folder', 'room.zip'))).rejects.toThrow('ENOENT')
    await expect(into('/dev/full')).rejects.toThrow('ENOSPC')
  })

  it('goes into an empty database only', async () => {
    await expect(restoreArchive(file, url)).rejects.toThrow('holds a venue already')
  })

  const files = () => unzipSync(readFileSync(file))
  const zipped = (name: string, of: Record<string, Uint8Array>) => {
    const path = join(folder, name)
    writeFileSync(path, zipSync(of))
    return path
  }
  it.each([
    [
      'half a file',
      () => writeFileSync(join(folder, 'x'), readFileSync(file).subarray(0, 2000)),
      /no manifest|damaged|no whole zip|middle/,
    ],
    ['no zip at all', () => writeFileSync(join(folder, 'x'), 'venue,name'), /no manifest|no whole zip/],
    [
      'a line that was changed',
      () => zipped('x', { ...files(), 'tables/person.jsonl': strToU8('{"name":"Eve"}\n') }),
      /tables\/person.jsonl/,
    ],
    [
      'a line that is no JSON',
      () => zipped('x', { ...files(), 'tables/person.jsonl': strToU8('{"name":"Ada"}\nnot json\n') }),
      'tables/person.jsonl, line 2: this is not JSON',
    ],
    [
      'a file that is gone',
      () => {
        const { 'tables/course.jsonl': _, ...others } = files()
        zipped('x', others)
      },
      'tables/course.jsonl is missing',
    ],
    [
      'a newer version',
      () =>
        zipped('x', {
          ...files(),
          [MANIFEST]: strToU8(JSON.stringify({ ...made, migrations: [...made.migrations, '9999-tomorrow'] })),
        }),
      'made by a newer Orthodex (9999-tomorrow)',
    ],
    ['a bomb', () => zipped('x', { 'tables/person.jsonl': strToU8('1\n'.repeat(15_000_000)) }), 'swells to far more'],
  ] as const)('that is %s is refused whole, and says why', async (_, spoil, why) => {
    spoil()
    await expect(checkArchive(join(folder, 'x'))).rejects.toThrow(why)
    const into = await fresh()
    await expect(restoreArchive(join(folder, 'x'), into)).rejects.toThrow(why)
    expect((await everything(into))['site']).toEqual([])
  })
})
