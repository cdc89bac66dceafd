import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import type { Happening, MachineEvent } from '@/core/machine/event'
import { applyCorrections, inOrder } from '@/core/machine/fold'
import type { Database } from '../database'
import { asLine, LINE } from './book'

type Reader = Kysely<Database> | Transaction<Database>

/** A line as it counts: what was written, or what was put in its place. */
export interface StandingLine {
  readonly machineId: string
  readonly event: MachineEvent
  readonly happening: Happening
}

const NAMED_LINE = [...LINE, 'machine_id'] as const

/** Lines of which kinds, of whose, and of when; the moments are those of the lines themselves. */
interface Which<Kind extends Happening['kind']> {
  readonly kinds: readonly Kind[]
  readonly machineIds?: readonly string[]
  readonly personId?: string
  readonly since?: Date
  readonly before?: Date
  /** of those that were written as such, the newest only; what was put in another line's place before them is left out as well */
  readonly newest?: number
}

/**
 * Lines of certain kinds in the books of a venue, newest first, as they count by the book's own rule: one that was taken back is
 * left out, one whose correction was taken back stands, and one that was corrected into such a kind is among them.
 */
export async function readStanding<Kind extends Happening['kind']>(
  store: Reader,
  siteId: string,
  which: Which<Kind>,
): Promise<(StandingLine & { readonly happening: Extract<Happening, { kind: Kind }> })[]> {
  const { kinds, machineIds, personId, since, before, newest } = which
  const narrowed = () =>
    store
      .selectFrom('machine_event')
      .select(NAMED_LINE)
      .where('site_id', '=', siteId)
      .$if(machineIds !== undefined, (only) => only.where('machine_id', 'in', machineIds!))
      .$if(personId !== undefined, (only) => only.where('person_id', '=', personId!))
      .$if(since !== undefined, (only) => only.where('happened_at', '>=', since!))
      .$if(before !== undefined, (only) => only.where('happened_at', '<', before!))
  if (machineIds?.length === 0) return []
  const rows = await store
    .withRecursive('chain', (query) =>
      // Two questions, each with an index of its own: a book of years is not read whole for the few lines that were put in another's place.
      query
        .selectFrom(
          narrowed()
            .where('kind', 'in', kinds)
            .$if(newest !== undefined, (only) =>
              only.orderBy('happened_at', 'desc').orderBy('event_id', 'desc').limit(newest!),
            )
            .as('written'),
        )
        .select(NAMED_LINE)
        .union(
          narrowed().where('event_id', 'in', (into) =>
            into
              .selectFrom('machine_event as put')
              .select(sql<string>`(put.body->>'corrects')::uuid`.as('corrects'))
              .where('put.site_id', '=', siteId)
              .where('put.kind', '=', 'correction')
              .where(sql<SqlBool>`put.body->'replacement'->>'kind' = any(${kinds as readonly string[]})`),
          ),
        )
        .union((union) =>
          union
            .selectFrom('machine_event as later')
            .innerJoin('chain', (join) => join.on(sql`later.body->>'corrects'`, '=', sql`chain.event_id::text`))
            .select(NAMED_LINE.map((column) => `later.${column}` as const))
            .where('later.site_id', '=', siteId)
            .where('later.kind', '=', 'correction'),
        ),
    )
    .selectFrom('chain')
    .select(NAMED_LINE)
    .execute()
  const machines = new Map(rows.map((row) => [row.event_id, row.machine_id]))
  const isOne = ({ kind }: { readonly kind: string }) => (kinds as readonly string[]).includes(kind)
  const lines = rows.map(asLine)
  const written = lines.filter(isOne).sort(inOrder)
  // A line that was put in its own place may be older than the newest that were asked for.
  const from = newest === undefined ? undefined : written.at(-newest)
  return applyCorrections(lines)
    .flatMap(({ event, happening }) =>
      happening && isOne(happening) && !(from && inOrder(event, from) < 0)
        ? [
            {
              machineId: machines.get(event.eventId)!,
              event,
              happening: happening as Extract<Happening, { kind: Kind }>,
            },
          ]
        : [],
    )
    .reverse()
}
