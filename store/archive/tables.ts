import type pg from 'pg'

/** Tables that are no part of a venue's life: the migrator's own, and marks of wrong tries, which time takes away by itself. */
const LEFT_OUT = ['kysely_migration', 'kysely_migration_lock', 'sign_in_rate_limit', 'sign_in_verification']

/** Every table of an archive in an order in which none names a row of a later one. */
export async function tablesInOrder(client: pg.ClientBase): Promise<string[]> {
  const { rows: tables } = await client.query<{ name: string }>(
    `select table_name as name from information_schema.tables
     where table_schema = 'public' and table_type = 'BASE TABLE' order by table_name`,
  )
  const { rows: links } = await client.query<{ from: string; to: string }>(
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
