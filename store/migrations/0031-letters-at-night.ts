import { sql, type Kysely } from 'kysely'

/** Whether the mail server takes letters is looked at each night, too: whoever waits for one cannot say that none came. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table night_work drop constraint night_work_work_check`.execute(db)
  await sql`alter table night_work add constraint night_work_work_check
    check (work in ('tidying', 'erasing', 'copying', 'letters'))`.execute(db)
}
