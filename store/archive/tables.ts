/**
 * Tables that are no part of a venue's life: the migrator's own, what a server did at night, and marks of wrong tries, which time
 * takes away by itself.
 */
const LEFT_OUT = [
  'kysely_migration',
  'kysely_migration_lock',
  'night_work',
  'sign_in_rate_limit',
  'sign_in_verification',
]

/**
 * Every table of an archive in an order in which none names a row of a later one.
 * @param ask puts a question to the database and gives its rows
 * @param column only tables that have it
 */
export async function tablesInOrder(
  ask: <Row>(question: string) => Promise<readonly Row[]>,
  column?: 'site_id',
): Promise<string[]> {
  const tables = await ask<{ name: string }>(
    `select table_name as name from information_schema.tables t
     where table_schema = 'public' and table_type = 'BASE TABLE' ${
       column
         ? `and exists (select 1 from information_schema.columns c where c.table_schema = 'public'
              and c.table_name = t.table_name and c.column_name = '${column}')`
         : ''
     } order by table_name`,
  )
  const links = await ask<{ from: string; to: string }>(
    `select distinct conrelid::regclass::text as from, confrelid::regclass::text as to
     from pg_constraint where contype = 'f' and conrelid <> confrelid`,
  )
  const waiting = new Set(tables.map(({ name }) => name).filter((name) => !LEFT_OUT.includes(name)))
  const ordered: string[] = []
  while (waiting.size > 0) {
    const free = [...waiting].filter((name) => !links.some(({ from, to }) => from === name && waiting.has(to)))
    if (free.length === 0) throw new Error(`These tables name each other in a ring: ${[...waiting].join(', ')}`)
    for (const name of free) waiting.delete(name)
    ordered.push(...free)
  }
  return ordered
}
