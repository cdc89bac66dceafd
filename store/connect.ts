import { Kysely, PostgresDialect } from 'kysely'
import pg from 'pg'
import type { Database } from './database'

export type Store = Kysely<Database>

/** bigint as number (rate-limit times stay far below 2⁵³); dates without a time as text. */
const types: pg.CustomTypesConfig = {
  getTypeParser: ((oid: number, format?: 'text' | 'binary') => {
    if (oid === pg.types.builtins.INT8) return Number
    if (oid === pg.types.builtins.DATE) return (text: string) => text
    return pg.types.getTypeParser(oid, format as 'text') as unknown
  }) as pg.CustomTypesConfig['getTypeParser'],
}

/**
 * @param url a PostgreSQL connection string
 * @param onLost told when an idle connection drops; the pool makes a new one at the next question
 */
export function connect(url: string, onLost: (error: Error) => void = () => {}): Store {
  const pool = new pg.Pool({ connectionString: url, types, max: 10 })
  pool.on('error', onLost)
  return new Kysely<Database>({ dialect: new PostgresDialect({ pool }) })
}
