import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import type { Happening, MachineEvent } from '@/core/machine/event'
import { applyCorrections } from '@/core/machine/fold'
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

/**
 * Lines of certain kinds in the books of a venue, newest first, as they count by the book's own rule: one that was taken back is
 * left out, one whose correction was taken back stands, and one that was corrected into such a kind is among them.
 * @param which the moments are those of the lines themselves
 */
export async function readStanding<Kind extends Happening['kind']>(
  store: Reader,
  siteId: string,
  which: {
    readonly kinds: readonly Kind[]
    readonly machineId?: string
    readonly personId?: string
    readonly since?: Date
    readonly before?: Date
  },
): Promise<(StandingLine & { readonly happening: Extract<Happening, { kind: Kind }> })[]> {
  const { kinds, machineId, personId, since, before } = which
  const rows = await store
    .withRecursive('chain', (query) => {
      const narrowed = () =>
        query
          .selectFrom('machine_event')
          .select(NAMED_LINE)
          .where('site_id', '=', siteId)
          .$if(machineId !== undefined, (only) => only.where('machine_id', '=', machineId!))
          .$if(personId !== undefined, (only) => only.where('person_id', '=', personId!))
          .$if(since !== undefined, (only) => only.where('happened_at', '>=', since!))
          .$if(before !== undefined, (only) => only.where('happened_at', '<', before!))
      // Two questions, each with an index of its own: a book of years is not read whole for the few lines that were put in another's place.
      return narrowed()
        .where('kind', 'in', kinds)
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
        )
    })
    .selectFrom('chain')
    .select(NAMED_LINE)
    .execute()
  const machines = new Map(rows.map((row) => [row.event_id, row.machine_id]))
  return applyCorrections(rows.map(asLine))
    .flatMap(({ event, happening }) =>
      happening && (kinds as readonly string[]).includes(happening.kind)
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
