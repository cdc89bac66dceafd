import { sql, type Kysely, type Transaction } from 'kysely'
import { eventBody, type EventKind, type MachineEvent } from '@/core/machine/event'
import { FOLD_VERSION, foldMachine, foldNext, UNSEEN } from '@/core/machine/fold'
import type { MachineState } from '@/core/machine/state'
import { TAKEN_OUT, withFreeText } from '@/core/people/free-text'
import { cannotHappen } from '@/core/machine/put-away'
import { callRaisedBy } from '@/core/people/help-call'
import { cannotLift } from '@/core/people/lifting'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'
import type { Actor } from '../actor'
import { notFound, Refused } from '../refused'
import { ofEveryVenue } from '../site-wall'
import { standAtFreeTable } from './tables'

type Reader = Kysely<Database> | Transaction<Database>

/** A line of the book as people read it: what happened, and when it was written down. */
export type BookLine = MachineEvent & { readonly recordedAt: Date }

export const asLine = (row: {
  event_id: string
  happened_at: Date
  kind: string
  body: unknown
  person_id: string
  recorded_at: Date
}): BookLine => {
  const kind = row.kind as EventKind
  return {
    eventId: row.event_id,
    happenedAt: row.happened_at.toISOString(),
    personId: row.person_id,
    recordedAt: row.recorded_at,
    kind,
    body: check(eventBody(kind), row.body),
  } as BookLine
}

export const LINE = ['event_id', 'happened_at', 'kind', 'body', 'person_id', 'recorded_at'] as const

/** All lines of one machine's book, oldest first. */
export async function readBook(store: Reader, siteId: string, machineId: string): Promise<BookLine[]> {
  const rows = await store
    .selectFrom('machine_event')
    .select(LINE)
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .orderBy('happened_at')
    .orderBy('event_id')
    .execute()
  return rows.map(asLine)
}

/** Part of a book: some of its lines, and those without which they cannot be read. */
export interface BookPart {
  readonly lines: readonly BookLine[]
  /** corrections that name them, and lines that they name as corrections */
  readonly around: readonly BookLine[]
  /** whether there are more before them */
  readonly older: boolean
}

/**
 * The newest lines of one machine's book, newest first; a book of years is never read whole to show a page of it.
 * @param which how many, and of which kinds only
 */
export async function readNewest(
  store: Reader,
  siteId: string,
  machineId: string,
  which: { readonly limit: number; readonly kinds?: readonly EventKind[] | undefined },
): Promise<BookPart> {
  const { limit, kinds } = which
  const rows = await store
    .withRecursive('newest', (query) =>
      query
        .selectFrom('machine_event')
        .select(LINE)
        .where('site_id', '=', siteId)
        .where('machine_id', '=', machineId)
        .$if(kinds !== undefined, (only) => only.where('kind', 'in', kinds!))
        .orderBy('happened_at', 'desc')
        .orderBy('event_id', 'desc')
        .limit(limit + 1),
    )
    .withRecursive('page', (query) =>
      query.selectFrom('newest').select(LINE).orderBy('happened_at', 'desc').orderBy('event_id', 'desc').limit(limit),
    )
    // The lines, whatever corrects them, and what corrects that in turn.
    .withRecursive('chain', (query) =>
      query
        .selectFrom('page')
        .select(LINE)
        .union((union) =>
          union
            .selectFrom('machine_event as later')
            .innerJoin('chain', (join) => join.on(sql`later.body->>'corrects'`, '=', sql`chain.event_id::text`))
            .select(LINE.map((column) => `later.${column}` as const))
            .where('later.site_id', '=', siteId)
            .where('later.kind', '=', 'correction'),
        ),
    )
    .withRecursive('named', (query) =>
      query
        .selectFrom('page')
        .innerJoin('machine_event as line', (join) =>
          join.on('line.site_id', '=', siteId).on('line.event_id', '=', sql<string>`(page.body->>'corrects')::uuid`),
        )
        .select(LINE.map((column) => `line.${column}` as const))
        .where('page.kind', '=', 'correction'),
    )
    .selectFrom('newest')
    .select(LINE)
    .select(sql`false`.as('around'))
    .union((union) =>
      union
        .selectFrom((all) =>
          all.selectFrom('chain').select(LINE).unionAll(all.selectFrom('named').select(LINE)).as('near'),
        )
        .select(LINE)
        .select(sql`true`.as('around'))
        .where('event_id', 'not in', (own) => own.selectFrom('page').select('event_id')),
    )
    .orderBy('happened_at', 'desc')
    .orderBy('event_id', 'desc')
    .execute()
  const newest = rows.filter(({ around }) => !around)
  return {
    lines: newest.slice(0, limit).map(asLine),
    around: rows.filter(({ around }) => around).map(asLine),
    older: newest.length > limit,
  }
}

export async function readLine(store: Reader, siteId: string, eventId: string) {
  const row = await store
    .selectFrom('machine_event')
    .select([...LINE, 'machine_id'])
    .where('site_id', '=', siteId)
    .where('event_id', '=', eventId)
    .executeTakeFirst()
  return row && { line: asLine(row), machineId: row.machine_id }
}

/** The columns of a kept state, and the state that they are. */
export const STATE = ['state', 'needles_before'] as const
export const stateOf = (row: { readonly state: unknown; readonly needles_before: unknown }): MachineState => ({
  ...(row.state as MachineState),
  needlesBefore: row.needles_before as NonNullable<MachineState['needlesBefore']>,
})
const columnsOf = ({ needlesBefore = [], ...state }: MachineState) => ({
  state: JSON.stringify(state),
  needles_before: JSON.stringify(needlesBefore),
  fold_version: FOLD_VERSION,
})

/**
 * Writes one line and the state that follows from it, in the caller's transaction. The machine's row is held, so that two
 * people writing at once both land, in order; a late line folds in its place. Every way into a book ends here, so its
 * laws are kept here: a line that takes a lock away is written by somebody who may lift it, and nothing happens at a machine
 * that is put away.
 * @returns the machine before and after it
 * @throws Refused 404 when the site has no such machine, 403 when the lock is for somebody else to lift, 409 when it is put away
 */
export async function writeLine(
  tx: Transaction<Database>,
  { siteId, role }: Pick<Actor, 'siteId' | 'role'>,
  machineId: string,
  line: MachineEvent,
): Promise<{ readonly before: MachineState; readonly after: MachineState }> {
  const held = await tx
    .selectFrom('machine_state')
    .select(STATE)
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .forUpdate()
    .executeTakeFirst()
  if (!held) throw notFound('machine', 'machineId')
  const before = stateOf(held)
  const never = cannotHappen(before, line)
  if (never)
    throw new Refused(
      409,
      'put-away',
      never,
      line.kind === 'put-away' || line.kind === 'taken-out' ? 'kind' : 'happenedAt',
    )
  await tx
    .insertInto('machine_event')
    .values({
      site_id: siteId,
      machine_id: machineId,
      event_id: line.eventId,
      happened_at: line.happenedAt,
      kind: line.kind,
      body: JSON.stringify(line.body),
      person_id: line.personId,
    })
    .execute()
  if (line.kind === 'redacted') await takeWordsOut(tx, siteId, machineId, line.body.line)
  const state =
    line.kind === 'redacted'
      ? foldMachine(await readBook(tx, siteId, machineId))
      : (foldNext(before, line) ?? foldMachine(await readBook(tx, siteId, machineId)))
  const barred = cannotLift(role, before, state)
  if (barred) throw new Refused(403, 'locked', barred, line.kind === 'correction' ? 'body.corrects' : 'kind')
  await keepState(tx, siteId, machineId, state)
  // Whatever line brought it back, its table may have been given to another meanwhile.
  if (before.putAway && !state.putAway) await standAtFreeTable(tx, siteId, machineId)
  return { before, after: state }
}

/** @throws Refused 404 when this book has no such line */
export async function takeWordsOut(
  tx: Transaction<Database>,
  siteId: string,
  machineId: string,
  eventId: string,
): Promise<void> {
  const named = await readLine(tx, siteId, eventId)
  if (!named || named.machineId !== machineId) throw notFound('line in this book', 'body.line')
  await changingWords(tx, () =>
    tx
      .updateTable('machine_event')
      .set({ body: JSON.stringify(withFreeText(named.line.body, () => TAKEN_OUT)) })
      .where('site_id', '=', siteId)
      .where('event_id', '=', eventId)
      .execute(),
  )
  // The call that the line raised says the same words, and so does one that was open already and took them up.
  const found = callRaisedBy(named.line)?.found
  if (found?.what === undefined) return
  await tx
    .updateTable('help_call')
    .set({ found: JSON.stringify(withFreeText(found, () => TAKEN_OUT)) })
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .where(sql<string>`found->>'what'`, '=', found.what)
    .execute()
}

/** A book is append-only: its bodies change only in a transaction that says so, and only while it does. */
export async function changingWords(tx: Transaction<Database>, work: () => Promise<unknown>): Promise<void> {
  await sql`select set_config('orthodex.erasing', 'yes', true)`.execute(tx)
  await work()
  await sql`select set_config('orthodex.erasing', 'no', true)`.execute(tx)
}

async function keepState(tx: Transaction<Database>, siteId: string, machineId: string, state: MachineState) {
  await tx
    .updateTable('machine_state')
    .set(columnsOf(state))
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .execute()
}

/** A new machine starts with an empty book. */
export async function startBook(tx: Transaction<Database>, siteId: string, machineId: string): Promise<void> {
  await tx
    .insertInto('machine_state')
    .values({ site_id: siteId, machine_id: machineId, ...columnsOf(UNSEEN) })
    .execute()
}

/**
 * Folds every machine's book again and keeps the result.
 * @returns how many there are, and those whose kept state was not what their book says
 */
export async function rebuildStates(
  store: Kysely<Database>,
): Promise<{ machines: number; differed: { siteId: string; machineId: string }[] }> {
  const machines = await ofEveryVenue(store).selectFrom('machine_state').select(['site_id', 'machine_id']).execute()
  const differed: { siteId: string; machineId: string }[] = []
  for (const { site_id: siteId, machine_id: machineId } of machines) {
    const changed = await store.transaction().execute((tx) => rebuildState(tx, siteId, machineId))
    if (changed) differed.push({ siteId, machineId })
  }
  return { machines: machines.length, differed }
}

/** Folds the books whose kept state another fold made. */
export async function rebuildOldStates(store: Kysely<Database>): Promise<void> {
  const old = await ofEveryVenue(store)
    .selectFrom('machine_state')
    .select(['site_id', 'machine_id'])
    .where('fold_version', '<>', FOLD_VERSION)
    .execute()
  for (const { site_id: siteId, machine_id: machineId } of old)
    await store.transaction().execute((tx) => rebuildState(tx, siteId, machineId))
}

/**
 * Folds one machine's whole book again and keeps the result.
 * @returns whether the kept state was not what the book says
 */
export async function rebuildState(tx: Transaction<Database>, siteId: string, machineId: string): Promise<boolean> {
  const kept = () =>
    tx
      .selectFrom('machine_state')
      .select(sql<string>`state::text || needles_before::text`.as('state'))
      .where('site_id', '=', siteId)
      .where('machine_id', '=', machineId)
      .forUpdate()
      .executeTakeFirstOrThrow()
  const before = await kept()
  await keepState(tx, siteId, machineId, foldMachine(await readBook(tx, siteId, machineId)))
  return (await kept()).state !== before.state
}
