import { sql } from 'kysely'
import { Refused } from '@/store/refused'
import { answering } from '../../_server/answer'
import { everyVenue } from '../../_server/every-venue'
import { ofProcess } from '../../_server/of-process'

export const dynamic = 'force-dynamic'

/** Whoever watches is answered within this time, though the database is frozen. */
const LONGEST_MS = 1_500

const held = ofProcess<{ asking: Promise<unknown> | undefined }>()

/** Whether this copy can reach its database. Several that ask at once ask once, so that asking never eats the connections. */
export const GET = (request: Request): Promise<Response> =>
  answering(request, async () => {
    held.asking ??= sql`select 1`.execute(everyVenue()).finally(() => (held.asking = undefined))
    const asked = held.asking.then(
      () => true,
      () => false,
    )
    const late = new Promise<false>((resolve) => setTimeout(() => resolve(false), LONGEST_MS).unref())
    if (!(await Promise.race([asked, late]))) throw new Refused(503, 'away', 'The database does not answer')
    return { ok: true }
  })
