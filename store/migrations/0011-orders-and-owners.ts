import { sql, type Kysely } from 'kysely'

/**
 * Plans and shelves are in the order in which the database took them, whatever a clock says; a venue goes whole, with what
 * hangs on it; a line that came in by a file says who brought it; needles on the shelf belong to a system.
 */
const STATEMENTS = [
  ...['attendance', 'person_need', 'seat_pair', 'session_plan'].map(
    (table) => `alter table ${table} add foreign key (site_id) references site on delete cascade`,
  ),
  `alter table session_plan add column landed bigserial`,
  `drop index session_plan_newest`,
  `create index session_plan_newest on session_plan (site_id, session_id, landed desc)`,
  `alter table stock_move add column landed bigserial`,
  `drop index stock_move_item`,
  `create index stock_move_item on stock_move (site_id, item_key, landed)`,
  `alter table kit_given add column landed bigserial`,
  // A kit that was given too early is taken back while nothing was sewn with it; its row stays.
  `alter table kit_given add column taken_back_at timestamptz(3)`,
  `alter table kit_given add column taken_back_by uuid`,
  `alter table machine_event add column imported_by uuid`,
  // What the shelves and the sum of needles read of every book; all other lines are left alone.
  `create index machine_event_needles on machine_event (site_id, happened_at)
     where kind in ('needle-changed', 'needle-broke', 'pieces-found', 'fault-run', 'correction')`,
  // A stand-in scale and gauge are for practice, and only where a venue is for that.
  `alter table site add column practice boolean not null default false`,
  // Until now a shelf held household needles only, so that is what they are.
  `update stock_move set item = item || '{"system": "130/705 H"}' where item->>'kind' = 'needle'`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
