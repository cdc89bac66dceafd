import { ofEveryVenue } from '@/store/site-wall'
import { Migrator, sql } from 'kysely'
import { v7 as uuid } from 'uuid'
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { foldMachine, UNSEEN } from '@/core/machine/fold'
import { needlesOf } from '@/core/machine/needle-history'
import { runCommand } from './commands/run'
import { connect, type Store } from './connect'
import { readBook } from './machine/book'
import { readMachine, readRoom } from './machine/machines'
import { migrate, MIGRATIONS } from './migrate'
import { aVenue, freshStore } from './testing/store'

const NAMES = Object.keys(MIGRATIONS)

let store: Store
let url: string
let end: () => Promise<void>
beforeEach(async () => {
  ;({ store, url, end } = await freshStore())
  await nothing()
})
afterEach(() => end())

async function nothing() {
  await sql`drop schema public cascade`.execute(store)
  await sql`create schema public`.execute(store)
}

/** The tables as they were once the migration of that name had landed. */
const upTo = async (name: string) => {
  const migrator = new Migrator({
    db: ofEveryVenue(store),
    provider: { getMigrations: () => Promise.resolve(MIGRATIONS) },
  })
  const { error } = await migrator.migrateTo(name)
  if (error) throw error as Error
}

/** Every table with its columns, their kinds, and every index and constraint: what a database is, as text. */
async function shape(of = store): Promise<string[]> {
  const { rows } = await sql<{ line: string }>`
    select format('%s.%s %s %s', table_name, column_name, data_type, is_nullable) as line
      from information_schema.columns where table_schema = 'public'
    union all select indexdef from pg_indexes where schemaname = 'public'
    union all select format('%s %s', conrelid::regclass, pg_get_constraintdef(oid)) from pg_constraint
      where connamespace = 'public'::regnamespace
    order by line`.execute(of)
  return rows.map(({ line }) => line).filter((line) => !line.includes('kysely_'))
}

describe('a database', () => {
  /** What one is that was made today in one go. */
  let madeToday: string[]
  beforeAll(async () => {
    const made = await freshStore()
    madeToday = await shape(made.store)
    await made.end()
  })

  it('comes from nothing to the newest tables in one go, and stays as it is from then on', async () => {
    expect(await migrate(store)).toEqual(NAMES)
    expect(await shape()).toEqual(madeToday)
    expect(await migrate(store)).toEqual([])
    expect(await shape()).toEqual(madeToday)
    expect(await aVenue(store, 'room')).toMatchObject({ role: 'coordinator' })
  })

  it('is brought up once when two copies of the program start at the same moment', async () => {
    const other = connect(url)
    const ran = await Promise.all([migrate(store), migrate(other)])
    await other.destroy()
    expect(ran.map(({ length }) => length).sort((a, b) => a - b)).toEqual([0, NAMES.length])
  })

  it('that was brought up step by step, or was left at the first for years, ends as one that was made today', async () => {
    await upTo(NAMES[0]!)
    expect(await migrate(store)).toEqual(NAMES.slice(1))
    expect(await shape()).toEqual(madeToday)
    await nothing()
    for (const name of NAMES.slice(0, -1)) await upTo(name)
    expect(await migrate(store)).toEqual(NAMES.slice(-1))
    expect(await shape()).toEqual(madeToday)
  })

  it('begins every key with the venue, so that no question can reach into another one', async () => {
    await migrate(store)
    const { rows } = await sql<{ table: string; first: string }>`
      select c.conrelid::regclass::text as table, a.attname as first
        from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
       where c.contype = 'p' and c.connamespace = 'public'::regnamespace`.execute(store)
    const ours = rows.filter(({ table }) => !/^(sign_in_|kysely_|night_work$)/.test(table))
    expect(ours.length).toBeGreaterThan(15)
    for (const { table, first } of ours) expect(`${table} ${first}`).toBe(`${table} site_id`)
  })
})

describe('a room with years in its books', () => {
  it('whose upgrade was cut short heals at the next start, and loses no line', async () => {
    await migrate(store)
    const who = await aVenue(store, 'room')
    const machineId = uuid()
    const run = (name: string, body: object) => runCommand(store, who, name, { commandId: uuid(), body })
    await run('add-machine', {
      machineId,
      name: 'Heron',
      number: 1,
      place: { x: 1, y: 1 },
      traits: {},
      source: 'manual',
    })
    const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString()
    for (let index = 0; index < 12; index += 1) {
      const needle = { system: '130/705 H', point: 'universal', sizeNm: index % 2 ? 80 : 90, condition: 'new' }
      const put = { machineId, happenedAt: at(2 * index), kind: 'needle-changed', body: { in: needle } }
      const use = { use: { load: 'ordinary', motorMinutes: 6 * index }, finishedProject: false }
      await run('log', put)
      await run('log', { machineId, happenedAt: at(2 * index + 1), kind: 'used', body: use })
    }
    const lines = await readBook(store, who.siteId, machineId)

    // Killed after the tables were brought up and before the books were folded again.
    const blank = JSON.stringify({ ...UNSEEN, fitting: undefined })
    await sql`update machine_state set fold_version = 0, needles_before = '[]', state = ${blank}`.execute(
      ofEveryVenue(store),
    )

    expect(await migrate(store)).toEqual([])
    const machine = (await readMachine(store, who.siteId, machineId))!
    expect(machine.state).toEqual(JSON.parse(JSON.stringify(foldMachine(lines))))
    expect(needlesOf(machine.state).map(({ effectiveHours }) => Math.round(effectiveHours * 10))).toEqual([
      3, 4, 5, 6, 7, 8, 9, 10, 11,
    ])
    expect(await readBook(store, who.siteId, machineId)).toEqual(lines)
    // The room as a whole is read without them: it is asked for far more often.
    expect((await readRoom(store, who.siteId))[0]!.state.needlesBefore).toBeUndefined()
  })
})
