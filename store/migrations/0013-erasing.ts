import { sql, type Kysely } from 'kysely'

/** A book stays append-only, but for the words of somebody who is erased: then the transaction says so, and only bodies change. */
const STATEMENTS = [
  `create or replace function machine_event_is_append_only() returns trigger language plpgsql as $$
   begin
     if current_setting('orthodex.erasing', true) = 'yes'
       and (new.site_id, new.machine_id, new.event_id, new.happened_at, new.kind, new.person_id)
         = (old.site_id, old.machine_id, old.event_id, old.happened_at, old.kind, old.person_id) then
       return new;
     end if;
     raise exception 'machine_event is append-only: correct a line by another that names it';
   end $$`,
  `alter table person add column erased_at timestamptz(3)`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
