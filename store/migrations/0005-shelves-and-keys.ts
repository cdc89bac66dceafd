import { sql, type Kysely } from 'kysely'

/** Shelves become a ledger of what came, went and was counted; keys let a calendar or a device in without a person. */
const STATEMENTS = [
  `create table stock_move (
    site_id uuid not null references site on delete cascade,
    move_id uuid not null,
    item_key text not null,
    item jsonb not null,
    kind text not null check (kind in ('received', 'counted', 'taken', 'adjusted')),
    count integer not null,
    because text,
    happened_at timestamptz(3) not null,
    person_id uuid not null,
    primary key (site_id, move_id),
    foreign key (site_id, person_id) references person
  )`,
  `create index stock_move_item on stock_move (site_id, item_key, happened_at, move_id)`,
  `insert into stock_move (site_id, move_id, item_key, item, kind, count, happened_at, person_id)
   select site_id, stock_entry_id,
     case item->>'kind'
       when 'needle' then concat_ws(':', 'needle', item->>'point', item->>'sizeNm', coalesce(item->>'gapMm', ''))
       else concat_ws(':', 'thread', item->>'tex', item->>'fibre', item->>'use') end,
     item, 'counted', count, written_at, written_by
   from stock_entry`,
  `drop table stock_entry`,
  `create table access_key (
    site_id uuid not null references site on delete cascade,
    key_id uuid not null,
    purpose text not null check (purpose in ('care-feed', 'run-meter')),
    machine_id uuid,
    name text not null,
    secret_digest text not null unique,
    made_by uuid not null,
    made_at timestamptz not null,
    ended_at timestamptz,
    primary key (site_id, key_id),
    foreign key (site_id, machine_id) references machine on delete cascade,
    foreign key (site_id, made_by) references person,
    check ((purpose = 'run-meter') = (machine_id is not null))
  )`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
