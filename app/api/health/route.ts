import { sql } from 'kysely'
import { answering } from '../../_server/answer'
import { theStore } from '../../_server/store'

export const dynamic = 'force-dynamic'

/** Whether this copy can reach its database. */
export const GET = (): Promise<Response> =>
  answering(async () => {
    await sql`select 1`.execute(theStore())
    return { ok: true }
  })
