import { sql, type SqlBool } from 'kysely'

/** Of a kept state joined as `machine_state`: the machine is not put away. */
export const STANDS_HERE = sql<SqlBool>`machine_state.state->'putAway' is null`
