import { sql } from 'kysely'

/**
 * Which run of which database answers: a scalar question, asked along with what a process remembers. Rows that were seen are known
 * again by their versions and counts, and those begin anew in a database that was put back to an earlier hour or whose place a standby
 * took, while this process went on.
 */
export const DATABASE_RUN = sql<string>`(
  select concat(pg_postmaster_start_time(), ' ', oid) from pg_database where datname = current_database()
)`
