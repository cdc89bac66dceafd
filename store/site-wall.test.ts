import { sql } from 'kysely'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Store } from './connect'
import { ofEveryVenue, SITE_TABLES } from './site-wall'
import { freshStore } from './testing/store'

let store: Store
let end: () => Promise<void>
beforeAll(async () => {
  ;({ store, end } = await freshStore())
})
afterAll(() => end())

/** A database's own tables; those of the sign-in library and of the migrator belong to no venue. */
const OF_NO_VENUE = /^(sign_in_|kysely_|night_work$)/
/** Found by who somebody is or what they hold, before it is known of which venue. */
const DOORS = ['site', 'membership', 'access_key', 'invitation']

describe('every table of a venue', () => {
  const tables = async () =>
    (
      await sql<{ name: string }>`select table_name as name from information_schema.tables
        where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`.execute(store)
    ).rows
      .map(({ name }) => name)
      .filter((name) => !OF_NO_VENUE.test(name))

  it('is behind the wall, or is a door to it', async () => {
    expect((await tables()).filter((name) => !DOORS.includes(name))).toEqual([...SITE_TABLES].sort())
  })

  it('carries site_id, never empty, first in its key and in every index but those by which a door is found', async () => {
    const { rows } = await sql<{ table: string; index: string; first: string }>`
      select t.relname as table, i.relname as index, a.attname as first
      from pg_index x join pg_class t on t.oid = x.indrelid join pg_class i on i.oid = x.indexrelid
        join pg_attribute a on a.attrelid = t.oid and a.attnum = x.indkey[0]
      where t.relnamespace = 'public'::regnamespace`.execute(store)
    const bare = rows
      .filter(({ table, first }) => !OF_NO_VENUE.test(table) && first !== 'site_id')
      .map(({ index }) => index)
    expect(bare.sort()).toEqual(['access_key_secret_digest_key', 'invitation_code_digest_key', 'site_code_key'])
    for (const table of await tables())
      expect([table, rows.some((row) => row.table === table && row.first === 'site_id')]).toEqual([table, true])
  })

  it('points to another table by site_id and an id together, so that no row names another venue’s', async () => {
    const { rows } = await sql<{ name: string; columns: string[]; to: string }>`
      select conname as name, confrelid::regclass::text as to,
        array(select attname::text from pg_attribute a where a.attrelid = conrelid and a.attnum = any(conkey)) as columns
      from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace`.execute(store)
    const loose = rows.filter(({ columns, to }) => !columns.includes('site_id') && !to.startsWith('sign_in_'))
    expect(loose).toEqual([])
  })
})

describe('the wall', () => {
  const siteId = uuid()
  const refused = (work: Promise<unknown>) => expect(work).rejects.toThrow('without saying of which venue')

  it('refuses what reaches into a venue without naming it: read, joined, changed, taken away, put in, by hand', async () => {
    await refused(store.selectFrom('machine').select('name').execute())
    await refused(store.selectFrom('machine as m').select('name').where('m.machine_id', '=', uuid()).execute())
    // The one table is held, the one beside it is not.
    await refused(
      store
        .selectFrom('project')
        .innerJoin('enrolment', 'enrolment.enrolment_id', 'project.enrolment_id')
        .select('project.name')
        .where('project.site_id', '=', siteId)
        .execute(),
    )
    await refused(
      store
        .selectFrom('course')
        .select((course) => [
          course
            .selectFrom('session')
            .select((session) => session.fn.countAll().as('count'))
            .whereRef('session.course_id', '=', 'course.course_id')
            .as('sessions'),
        ])
        .where('site_id', '=', siteId)
        .execute(),
    )
    await refused(store.updateTable('machine').set({ name: 'x' }).where('machine_id', '=', uuid()).execute())
    await refused(store.deleteFrom('pin').where('person_id', '=', uuid()).execute())
    await refused(
      store
        .insertInto('person')
        .values({ person_id: uuid(), name: 'x' } as never)
        .execute(),
    )
    await refused(sql`update session set called_off = 'x'`.execute(store))
    await refused(sql`select name from ${sql.table('person')}`.execute(store))
  })

  it('lets through what names it, and what is done for every venue and says so', async () => {
    await store
      .selectFrom('project')
      .innerJoin('enrolment', (join) =>
        join
          .onRef('enrolment.site_id', '=', 'project.site_id')
          .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
      )
      .select('project.name')
      .where('project.site_id', '=', siteId)
      .execute()
    await store.selectFrom('machine as m').select('name').where('m.site_id', '=', siteId).execute()
    await store.selectFrom('sign_in_user').select('id').execute()
    await sql`select count(*) from person where site_id = ${siteId}`.execute(store)
    await ofEveryVenue(store).selectFrom('machine').select('name').execute()
    // Questions written by hand inside another each say it for their own tables, and for those alone.
    const count = sql<number>`(select count(*)::int from ${sql.table('machine')} where site_id = ${siteId})`
    await store.selectFrom('site').select(count.as('machines')).where('site_id', '=', siteId).execute()
    const bare = sql<number>`(select count(*)::int from ${sql.table('machine')})`
    await refused(store.selectFrom('site').select(bare.as('machines')).where('site_id', '=', siteId).execute())
    await refused(store.selectFrom('person').select(count.as('machines')).execute())
    await refused(
      store
        .selectFrom('site')
        .select(sql<number>`(select 1 from person limit 1)`.as('one'))
        .where('site_id', '=', siteId)
        .execute(),
    )
    // A transaction is behind the wall as well.
    await refused(store.transaction().execute((tx) => tx.selectFrom('machine').select('name').execute()))
  })
})
