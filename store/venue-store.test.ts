import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql, type Kysely } from 'kysely'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { startCluster } from '@/bin/serve/private-cluster'
import type { Actor } from './actor'
import { runCommand } from './commands/run'
import { connect, type Store } from './connect'
import type { Database } from './database'
import { migrate } from './migrate'
import { readMembership } from './site/people'
import { ofEveryVenue } from './site-wall'
import { aProject, aVenue, freshStore } from './testing/store'

let store: Store
let url: string
let end: () => Promise<void>
let ours: Actor
let theirs: Actor

const machineAt = async ({ siteId }: Actor) =>
  store.selectFrom('machine').select('machine_id').where('site_id', '=', siteId).executeTakeFirstOrThrow()

/** A venue with a row in most of its tables. */
async function aRoomAtWork(code: string): Promise<Actor> {
  const actor = await aVenue(store, code)
  const say = (name: string, body: unknown) => runCommand(store, actor, name, { commandId: uuid(), body })
  const machineId = uuid()
  const place = { x: 10, y: 10 }
  await say('add-machine', { machineId, name: 'Heron', number: 1, place, traits: {}, source: 'manual' })
  await say('log', {
    machineId,
    happenedAt: new Date().toISOString(),
    kind: 'used',
    body: { use: { load: 'ordinary', motorMinutes: 10 }, finishedProject: false },
  })
  const courseId = uuid()
  await say('open-course', { courseId, name: 'Bags', classCode: `${code}bags` })
  await say('add-project', { ...aProject('Mika'), courseId })
  return actor
}

beforeAll(async () => {
  ;({ store, url, end } = await freshStore())
  ours = await aRoomAtWork('ours')
  theirs = await aRoomAtWork('theirs')
})
afterAll(() => end())

/** Whoever asks in a venue's name and says nothing else: no word of a query is left that could hold them back. */
const bare = (siteId: string): Kysely<never> => ofEveryVenue(store.ofVenue(siteId)) as unknown as Kysely<never>

const backendOfOwner = async () =>
  (await sql<{ who: string }>`select current_user::text as who`.execute(ofEveryVenue(store))).rows[0]!

const tablesOfVenues = async () =>
  (
    await sql<{ name: string }>`select distinct table_name as name from information_schema.columns
      where table_schema = 'public' and column_name = 'site_id' order by 1`.execute(ofEveryVenue(store))
  ).rows.map(({ name }) => name)

describe('PostgreSQL itself', () => {
  it('shows a venue no row of another, in any table, though the query asks for all', async () => {
    const filled: string[] = []
    for (const table of await tablesOfVenues()) {
      const seen = await sql<{ site_id: string }>`select site_id from ${sql.table(table)}`.execute(bare(ours.siteId))
      expect([table, seen.rows.filter(({ site_id }) => site_id !== ours.siteId)]).toEqual([table, []])
      const all = await sql<{ site_id: string }>`select site_id from ${sql.table(table)}`.execute(ofEveryVenue(store))
      expect([table, seen.rows.length]).toEqual([
        table,
        all.rows.filter(({ site_id }) => site_id === ours.siteId).length,
      ])
      if (all.rows.some(({ site_id }) => site_id === theirs.siteId)) filled.push(table)
    }
    expect(filled).toEqual(
      expect.arrayContaining(['site', 'membership', 'machine', 'machine_event', 'project', 'command']),
    )
  })

  it('takes no row of another venue, changes none and takes none away', async () => {
    const { machine_id } = await machineAt(theirs)
    const nobodys = [
      sql`update machine set name = 'Mine' where machine_id = ${machine_id}`,
      sql`update site set name = 'Mine' where site_id = ${theirs.siteId}`,
      sql`delete from machine where machine_id = ${machine_id}`,
      sql`delete from membership where site_id = ${theirs.siteId} or user_id = ''`,
    ]
    const before = await ofEveryVenue(store)
      .selectFrom('membership')
      .selectAll()
      .where('site_id', '=', theirs.siteId)
      .execute()
    for (const each of nobodys) expect((await each.execute(bare(ours.siteId))).numAffectedRows).toBe(0n)
    for (const into of [theirs.siteId, uuid()])
      await expect(
        sql`insert into person (site_id, person_id, name) values (${into}, ${uuid()}, 'Nobody')`.execute(
          bare(ours.siteId),
        ),
      ).rejects.toThrow('row-level security')
    await expect(sql`update machine set site_id = ${theirs.siteId}`.execute(bare(ours.siteId))).rejects.toThrow(
      'row-level security',
    )
    expect(
      await ofEveryVenue(store).selectFrom('membership').selectAll().where('site_id', '=', theirs.siteId).execute(),
    ).toEqual(before)
    expect((await machineAt(theirs)).machine_id).toBe(machine_id)
  })

  it('holds every command to the venue of whoever gave it', async () => {
    const client = new pg.Client({ connectionString: url })
    await client.connect()
    // Whatever a command writes is looked at as it lands.
    await client.query(`create function seen_in_venue() returns trigger language plpgsql as $$ begin
      if current_user <> 'orthodex_venue' or current_setting('orthodex.site', true) is distinct from new.site_id::text then
        raise exception 'written by % for %', current_user, current_setting('orthodex.site', true);
      end if;
      return new;
    end $$`)
    const tables = (await tablesOfVenues()).filter((table) => table !== 'site')
    for (const table of tables)
      await client.query(
        `create trigger seen_in_venue before insert or update on ${table} for each row execute function seen_in_venue()`,
      )
    try {
      await expect(
        store.insertInto('person').values({ site_id: ours.siteId, person_id: uuid(), name: 'Z' }).execute(),
      ).rejects.toThrow('written by')
      const { machine_id: machineId } = await machineAt(ours)
      const body = { machineId, happenedAt: new Date().toISOString(), kind: 'noted', body: { text: 'hums' } }
      for (const from of [store, store.ofVenue(ours.siteId), store.ofVenue(theirs.siteId)])
        expect((await runCommand(from, ours, 'log', { commandId: uuid(), body })).landed).toBe('now')
    } finally {
      for (const table of tables) await client.query(`drop trigger seen_in_venue on ${table}`)
      await client.query('drop function seen_in_venue')
      await client.end()
    }
  })

  it('gives a connection back with no venue on it, after an answer, an error and a transaction of either end', async () => {
    const one = connect(`${url}?application_name=one`)
    const inVenue = one.ofVenue(ours.siteId)
    const whoAsks = async (db: Kysely<never>) =>
      (
        await sql<{ who: string; site: string | null }>`select current_user::text as who,
        nullif(current_setting('orthodex.site', true), '') as site`.execute(db)
      ).rows[0]
    const owner = await whoAsks(ofEveryVenue(one) as never)
    const works: (() => Promise<unknown>)[] = [
      () => sql`select 1`.execute(inVenue),
      () => sql`select 1 / 0`.execute(inVenue).catch(() => {}),
      () => inVenue.transaction().execute((tx) => sql`select 1`.execute(tx)),
      () =>
        inVenue
          .transaction()
          .execute((tx) => sql`select 1 / 0`.execute(tx))
          .catch(() => {}),
    ]
    for (const work of works) {
      await work()
      expect(await whoAsks(ofEveryVenue(inVenue) as never)).toEqual({ who: 'orthodex_venue', site: ours.siteId })
      // As many questions at once as there are connections: none of them is left in a venue.
      for (const found of await Promise.all(Array.from({ length: 10 }, () => whoAsks(ofEveryVenue(one) as never))))
        expect(found).toEqual(owner)
    }
    await one.destroy()
  })

  it('keeps what one question alone writes, and nothing of one that fails', async () => {
    const personId = uuid()
    const person = (id: string) => ({ site_id: ours.siteId, person_id: id, name: 'Noor' })
    await store.ofVenue(ours.siteId).insertInto('person').values(person(personId)).execute()
    const twice = store
      .ofVenue(ours.siteId)
      .insertInto('person')
      .values([person(uuid()), person(personId)])
      .execute()
    await expect(twice).rejects.toThrow('duplicate key')
    const kept = await store
      .selectFrom('person')
      .select('person_id')
      .where('site_id', '=', ours.siteId)
      .where('name', '=', 'Noor')
      .execute()
    expect(kept).toEqual([{ person_id: personId }])
  })

  it('is asked by nobody in the name of what is no venue', () => {
    expect(() => store.ofVenue(`${ours.siteId}'; drop table site; --`).selectFrom('site')).toThrow("no venue's id")
  })
})

describe('what a page asks', () => {
  const backend = sql<{
    pid: number
    site: string
  }>`select pg_backend_pid() as pid, current_setting('orthodex.site') as site`
  const asked = async (db: Kysely<Database>) => (await backend.execute(ofEveryVenue(db))).rows[0]!

  it('goes over one connection in its venue’s name, however much is asked at once, and over others beside another page’s', async () => {
    const [one, other] = [store.forPageOf(ours.siteId), store.forPageOf(theirs.siteId)]
    const found = await Promise.all(Array.from({ length: 12 }, (_, index) => asked(index % 2 ? one : other)))
    expect(new Set(found.filter((_, index) => index % 2).map(({ pid }) => pid)).size).toBe(1)
    expect(new Set(found.map(({ pid, site }) => `${pid} ${site}`)).size).toBe(2)
    expect(found.map(({ site }) => site)).toEqual(found.map((_, index) => (index % 2 ? ours.siteId : theirs.siteId)))
    expect(new Set(await Promise.all(Array.from({ length: 12 }, async () => (await backendOfOwner()).who)))).toEqual(
      new Set([(await backendOfOwner()).who]),
    )
  })

  it('sees what was written meanwhile, and writes nothing itself', async () => {
    const page = store.forPageOf(ours.siteId)
    const names = () => page.selectFrom('person').select('name').where('site_id', '=', ours.siteId).execute()
    const before = await names()
    const [, after] = await Promise.all([
      names(),
      store
        .insertInto('person')
        .values({ site_id: ours.siteId, person_id: uuid(), name: 'Late' })
        .execute()
        .then(names),
    ])
    expect(after).toHaveLength(before.length + 1)
    await expect(
      page.updateTable('person').set({ name: 'Else' }).where('site_id', '=', ours.siteId).execute(),
    ).rejects.toThrow('read-only transaction')
    await expect(page.transaction().execute((tx) => sql`select 1`.execute(tx))).rejects.toThrow('only reads')
    expect(await names()).toEqual(after)
  })

  it('is answered after something else that it asked came to grief', async () => {
    const page = store.forPageOf(ours.siteId)
    const grief = sql`select 1 / 0`.execute(page)
    await expect(grief).rejects.toThrow('division by zero')
    expect((await asked(page)).site).toBe(ours.siteId)
  })

  it('gives its connection back: more pages than there are connections are all answered', async () => {
    const pages = Array.from({ length: 40 }, () => store.forPageOf(ours.siteId))
    for (const found of await Promise.all(pages.map((page) => asked(page)))) expect(found.site).toBe(ours.siteId)
    const held = sql<{ count: number }>`select count(*)::int as count from pg_stat_activity
      where datname = current_database() and state like 'idle in transaction%'`
    await vi.waitFor(async () => expect((await held.execute(ofEveryVenue(store))).rows).toEqual([{ count: 0 }]))
  })
})

describe('the wall of rows', () => {
  it('stands about tables that an upgrade brings, and is raised again where it was taken down', async () => {
    await sql`create table later (site_id uuid not null, word text not null)`.execute(ofEveryVenue(store))
    await sql`alter table machine disable row level security`.execute(ofEveryVenue(store))
    await migrate(store)
    await sql`insert into later values (${theirs.siteId}, 'theirs'), (${ours.siteId}, 'ours')`.execute(
      ofEveryVenue(store),
    )
    expect((await sql`select word from later`.execute(bare(ours.siteId))).rows).toEqual([{ word: 'ours' }])
    expect((await sql`select machine_id from machine`.execute(bare(ours.siteId))).rows).toHaveLength(1)
    await sql`drop table later`.execute(ofEveryVenue(store))
  })

  it('is raised about databases of one server that begin in the same moment', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'orthodex-begin-'))
    chmodSync(folder, 0o755)
    const cluster = await startCluster(folder)
    try {
      const urls: string[] = []
      for (const name of ['one', 'two', 'three', 'four']) urls.push(await cluster.database(name))
      const stores = urls.map((each) => connect(each))
      const ends = await Promise.allSettled(stores.map(migrate))
      await Promise.all(stores.map((each) => each.destroy()))
      expect(ends.map(({ status }) => status)).toEqual(urls.map(() => 'fulfilled'))
    } finally {
      await cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    }
  })

  it('says what an administrator has to allow where the database’s user may make no role', async () => {
    const poor = `poor_${uuid().slice(-12)}`
    await sql.raw(`create role ${poor} login password 'word'`).execute(ofEveryVenue(store))
    await sql
      .raw(`grant all on all tables in schema public to ${poor}; grant create on schema public to ${poor}`)
      .execute(ofEveryVenue(store))
    const as = new URL(url)
    as.username = poor
    as.password = 'word'
    const asPoor = connect(as.toString())
    try {
      await expect(migrate(asPoor)).rejects.toThrow(`grant orthodex_venue to "${poor}"`)
    } finally {
      await asPoor.destroy()
      await sql.raw(`drop owned by ${poor}; drop role ${poor}`).execute(ofEveryVenue(store))
    }
  })

  it('leaves the doors open: who somebody is, is found before it is known of which venue', async () => {
    const { user_id } = await ofEveryVenue(store)
      .selectFrom('membership')
      .select('user_id')
      .where('site_id', '=', theirs.siteId)
      .executeTakeFirstOrThrow()
    expect((await readMembership(store, user_id))?.site_id).toBe(theirs.siteId)
  })
})
