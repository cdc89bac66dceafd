import { sql, type Kysely, type Transaction } from 'kysely'
import type { Database } from '../database'
import { readAhead } from './ahead'

type Reader = Kysely<Database> | Transaction<Database>

/** Texts that change whenever what they stand for does. */
export interface SeatVersion {
  /** where somebody sits, and whether they still do: the kit last given to them, and who was given that machine since */
  readonly seat: string
  /** that, the book of the machine, and what is planned, moved or said for the sessions of the venue to come */
  readonly whole: string
  /** where they sit; absent while it is nowhere, or while somebody else was given that machine since */
  readonly machineId?: string
  /** every machine that they were ever given, this one too */
  readonly sat: readonly string[]
}

/**
 * For each learner who is at work, in one reading, however many watch.
 * @param personId of one person only
 */
export async function readSeatVersions(
  store: Reader,
  siteId: string,
  now: Date,
  personId?: string,
): Promise<ReadonlyMap<string, SeatVersion>> {
  const [seats, ahead] = await Promise.all([
    store
      .selectFrom('enrolment')
      .innerJoin('project', (join) =>
        join
          .onRef('project.site_id', '=', 'enrolment.site_id')
          .onRef('project.enrolment_id', '=', 'enrolment.enrolment_id'),
      )
      .leftJoinLateral(
        (lateral) =>
          lateral
            .selectFrom('kit_given')
            .select(['kit_given_id', 'kit_given.machine_id', 'landed'])
            .whereRef('kit_given.site_id', '=', 'project.site_id')
            .whereRef('kit_given.project_id', '=', 'project.project_id')
            .where('kit_given.taken_back_at', 'is', null)
            .orderBy('landed', 'desc')
            .limit(1)
            .as('given'),
        (join) => join.onTrue(),
      )
      .leftJoin('machine_state', (join) =>
        join
          .onRef('machine_state.site_id', '=', 'project.site_id')
          .onRef('machine_state.machine_id', '=', 'given.machine_id'),
      )
      .leftJoinLateral(
        (lateral) =>
          lateral
            .selectFrom('kit_given as there')
            .select((of) => of.fn.max('there.landed').as('last'))
            .whereRef('there.site_id', '=', 'project.site_id')
            .whereRef('there.machine_id', '=', 'given.machine_id')
            .where('there.taken_back_at', 'is', null)
            .as('there'),
        (join) => join.onTrue(),
      )
      .leftJoinLateral(
        (lateral) =>
          lateral
            .selectFrom('kit_given as ever')
            .select((of) => sql<string[] | null>`array_agg(distinct ${of.ref('ever.machine_id')})`.as('machines'))
            .whereRef('ever.site_id', '=', 'project.site_id')
            .whereRef('ever.project_id', '=', 'project.project_id')
            .as('ever'),
        (join) => join.onTrue(),
      )
      .select(['enrolment.person_id', 'project.project_id', 'given.kit_given_id', 'there.last', 'ever.machines'])
      .select(['given.machine_id', 'given.landed'])
      // Each write of a row gives it another version.
      .select(sql<string | null>`machine_state.xmin::text || machine_state.ctid::text`.as('book'))
      .where('enrolment.site_id', '=', siteId)
      .where('enrolment.put_away_at', 'is', null)
      .where('project.put_away_at', 'is', null)
      .$if(personId !== undefined, (query) => query.where('enrolment.person_id', '=', personId!))
      .orderBy('given.landed', (landed) => landed.asc().nullsFirst())
      .orderBy('project.project_id')
      .execute(),
    readAhead(store, siteId, now),
  ])
  const versions = new Map<string, SeatVersion>()
  // What was given last is read last.
  for (const { person_id, project_id, kit_given_id, machine_id, landed, last, machines, book } of seats) {
    const before = versions.get(person_id)
    const seat = [project_id, kit_given_id, last].join(' ')
    versions.set(person_id, {
      seat,
      whole: [before?.whole ?? ahead, seat, book].join(' '),
      ...(machine_id !== null && landed === last && { machineId: machine_id }),
      sat: [...(before?.sat ?? []), ...(machines ?? [])],
    })
  }
  return versions
}
