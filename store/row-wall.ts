import { sql, type Kysely } from 'kysely'
import pRetry from 'p-retry'
import type { Database } from './database'
import { ofEveryVenue } from './site-wall'

/** Who asks for one venue: owns no table and signs in nowhere, so that PostgreSQL holds it to the rows of that venue. */
export const VENUE_ROLE = 'orthodex_venue'
/** The venue of a transaction, as the rows' policy reads it. */
export const VENUE_SETTING = 'orthodex.site'

/**
 * Makes PostgreSQL hold every venue to its own rows: a role that `ofVenue` takes on, and on each table with a `site_id` the policy
 * that it sees and writes those of the venue it names. Whoever owns the tables is not held (a copy of the database, the night's
 * work, an upgrade). Does nothing where it stands already.
 * @throws where the database's user may make no role, with what its administrator has to say
 */
export async function raiseRowWall(store: Kysely<Database>): Promise<void> {
  const raise = () =>
    ofEveryVenue(store)
      .transaction()
      .execute(async (tx) => {
        await sql`select pg_advisory_xact_lock(hashtext('orthodex row wall'))`.execute(tx)
        await makeRole(tx)
        await sql.raw(WALL).execute(tx)
      })
  await pRetry(raise, {
    retries: 5,
    minTimeout: 50,
    shouldRetry: ({ error }) => MADE_MEANWHILE.has((error as { readonly code?: string }).code ?? ''),
  })
}

/**
 * The role is the server's, and no lock reaches beyond a database: where two begin in one moment, the second is told that it is
 * there, or that its row changed under it, and finds it when it looks again.
 */
const MADE_MEANWHILE: ReadonlySet<string> = new Set(['42710', '23505', 'XX000'])

async function makeRole(tx: Kysely<Database>): Promise<void> {
  const { rows } = await sql<{ there: boolean; taken: boolean | null; user: string }>`
    select exists (select from pg_roles where rolname = ${VENUE_ROLE}) as there, current_user::text as "user",
      (select pg_has_role(current_user, oid,
        case when current_setting('server_version_num')::int >= 160000 then 'SET' else 'MEMBER' end)
       from pg_roles where rolname = ${VENUE_ROLE}) as taken`.execute(tx)
  const { there, taken, user } = rows[0]!
  if (taken) return
  const steps = [...(there ? [] : [`create role ${VENUE_ROLE} nologin`]), `grant ${VENUE_ROLE} to ${quoted(user)}`]
  try {
    for (const step of steps) await sql.raw(step).execute(tx)
  } catch (error) {
    // Whatever else went wrong is no matter of rights.
    if ((error as { readonly code?: string }).code !== '42501') throw error
    throw new Error(
      `The database's user ${user} may not make the role that holds each venue to its own rows. ` +
        `Let an administrator of PostgreSQL say once:  ${steps.map((step) => `${step};`).join(' ')}`,
      { cause: error },
    )
  }
}

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`

/** The sign-in library's tables belong to no venue; a command that invites somebody or ends their sign-in writes them. */
const SHARED = ['sign_in_user', 'sign_in_account', 'sign_in_session', 'sign_in_passkey', 'sign_in_rate_limit']
/** What the server itself did is seen from every venue and written from none. */
const SEEN = ['night_work']

/** The venue's id is read once a query, not once a row. */
const WALL = `do $$
declare
  each record;
begin
  for each in
    select c.oid, c.relname as name, c.relrowsecurity as held,
      exists (select from pg_policy p where p.polrelid = c.oid and p.polname = 'of_one_venue') as said
    from pg_class c
    where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')
      and exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'site_id' and not a.attisdropped)
  loop
    if not each.said then
      execute format($policy$create policy of_one_venue on %I to ${VENUE_ROLE}
        using (site_id = (select nullif(current_setting('${VENUE_SETTING}', true), '')::uuid))$policy$, each.name);
    end if;
    if not each.held then
      execute format('alter table %I enable row level security', each.name);
    end if;
    if not has_table_privilege('${VENUE_ROLE}', each.oid, 'insert') then
      execute format('grant select, insert, update, delete on %I to ${VENUE_ROLE}', each.name);
    end if;
  end loop;
  for each in select unnest(array[${SHARED.map((name) => `'${name}'`).join(', ')}]) as name loop
    if not has_table_privilege('${VENUE_ROLE}', each.name, 'insert') then
      execute format('grant select, insert, update, delete on %I to ${VENUE_ROLE}', each.name);
    end if;
  end loop;
  for each in select unnest(array[${SEEN.map((name) => `'${name}'`).join(', ')}]) as name loop
    if not has_table_privilege('${VENUE_ROLE}', each.name, 'select') then
      execute format('grant select on %I to ${VENUE_ROLE}', each.name);
    end if;
  end loop;
  grant usage on schema public to ${VENUE_ROLE};
  grant usage on all sequences in schema public to ${VENUE_ROLE};
end $$`
