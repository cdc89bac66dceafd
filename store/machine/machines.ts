import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import type { MachineState } from '@/core/machine/state'
import { TRAITS, type TraitName, type Traits } from '@/core/knowledge/machine/trait'
import type { TraitSource } from '@/core/machine/trait-source'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'
import { DATABASE_RUN } from '../database-run'
import { STATE, stateOf } from './book'
import { STANDS_HERE } from './stands-here'

type Reader = Kysely<Database> | Transaction<Database>

/** Where a trait was learnt, shown on the card. */
export interface TraitProof {
  readonly source: TraitSource
  readonly learntAt: Date
  readonly learntBy: string
}

export interface Machine {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly notes: string
  /** tenths of a metre from the room's corner */
  readonly place: { readonly x: number; readonly y: number }
  readonly traits: Traits
  readonly state: MachineState
}

/** A machine with where each of its traits was learnt. */
export interface ProvenMachine extends Machine {
  readonly proofs: Readonly<Partial<Record<TraitName, TraitProof>>>
}

/** A machine without what is known of its kind: enough to say where it stands and whether somebody can sit down. */
export type RoomMachine = Pick<Machine, 'machineId' | 'name' | 'number' | 'place' | 'state'>

/** States by machine, each with the version of its row: whoever reads a room asks for the versions and only for what is new. */
const SEEN = new Map<string, { readonly version: string; readonly state: MachineState }>()
/** A cache, checked at every reading; when it has grown past this it is begun again. */
const MOST_SEEN = 20_000

/** All machines of a room by number, read at once however many there are. */
export async function readRoom(store: Reader, siteId: string): Promise<RoomMachine[]> {
  const rows = await store
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .select(['machine.machine_id', 'name', 'number', 'place_x', 'place_y'])
    // Each write of a row gives it another version, in this run of this database.
    .select(sql<string>`concat(machine_state.xmin, machine_state.ctid, ' ', ${DATABASE_RUN})`.as('version'))
    .where('machine.site_id', '=', siteId)
    .where(STANDS_HERE)
    .orderBy('number')
    .execute()
  if (SEEN.size > MOST_SEEN) SEEN.clear()
  const key = (machineId: string) => `${siteId}/${machineId}`
  const fresh = rows.filter((row) => SEEN.get(key(row.machine_id))?.version !== row.version)
  const states = new Map<string, MachineState>()
  if (fresh.length > 0) {
    const changed = await store
      .selectFrom('machine_state')
      .select(['machine_id', 'state'])
      .where('site_id', '=', siteId)
      .where(
        'machine_id',
        'in',
        fresh.map((row) => row.machine_id),
      )
      .execute()
    for (const row of changed) states.set(row.machine_id, row.state as MachineState)
    for (const row of fresh) {
      const state = states.get(row.machine_id)
      if (state) SEEN.set(key(row.machine_id), { version: row.version, state })
    }
  }
  return rows.flatMap((row) => {
    const state = states.get(row.machine_id) ?? SEEN.get(key(row.machine_id))?.state
    if (!state) return []
    return [
      {
        machineId: row.machine_id,
        name: row.name,
        number: row.number,
        place: { x: row.place_x, y: row.place_y },
        state,
      },
    ]
  })
}

/** The first so many machines of a room by number: no more than where to find them. */
export async function readMachineIds(store: Reader, siteId: string, most: number): Promise<string[]> {
  const rows = await store
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .select('machine.machine_id')
    .where('machine.site_id', '=', siteId)
    .where(STANDS_HERE)
    .orderBy('number')
    .limit(most)
    .execute()
  return rows.map(({ machine_id }) => machine_id)
}

/** Some traits of some machines, by machine id. */
export async function readTraits(
  store: Reader,
  siteId: string,
  machineIds: readonly string[],
  wanted: readonly TraitName[],
): Promise<ReadonlyMap<string, Traits>> {
  if (machineIds.length === 0) return new Map()
  const rows = await store
    .selectFrom('trait')
    .select(['machine_id', 'trait', 'value'])
    .where('site_id', '=', siteId)
    .where('machine_id', 'in', machineIds)
    .where('trait', 'in', wanted)
    .execute()
  const known = new Map<string, Record<string, unknown>>()
  for (const row of rows) {
    const own = known.get(row.machine_id) ?? {}
    own[row.trait] = check(TRAITS[row.trait as TraitName], row.value)
    known.set(row.machine_id, own)
  }
  return known
}

const isTrait = (name: string): name is TraitName => name in TRAITS

/** As one value of its machine's row: hundreds of rows of a room would take longer to read than to find. */
const TRAITS_OF_MACHINE = sql<Record<string, unknown> | null>`(
  select json_object_agg(trait.trait, trait.value) from trait
  where trait.site_id = machine.site_id and trait.machine_id = machine.machine_id)`

/**
 * The room's machines by number, each with its traits and its state.
 * @param which one machine only, wherever it is; or those that are put away instead
 */
export async function readMachines(
  store: Reader,
  siteId: string,
  which: { readonly machineId?: string; readonly putAway?: true } = {},
): Promise<Machine[]> {
  const { machineId: only, putAway = false } = which
  const machines = await store
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .select(['machine.machine_id', 'name', 'number', 'notes', 'place_x', 'place_y', ...STATE])
    .select(TRAITS_OF_MACHINE.as('traits'))
    .where('machine.site_id', '=', siteId)
    .$if(only !== undefined, (query) => query.where('machine.machine_id', '=', only!))
    .$if(only === undefined, (query) => query.where(putAway ? sql<SqlBool>`not ${STANDS_HERE}` : STANDS_HERE))
    .orderBy('number')
    .execute()
  return machines.map((row) => ({
    machineId: row.machine_id,
    name: row.name,
    number: row.number,
    notes: row.notes,
    place: { x: row.place_x, y: row.place_y },
    traits: Object.fromEntries(
      Object.entries(row.traits ?? {}).flatMap(([name, value]) =>
        isTrait(name) ? [[name, check(TRAITS[name], value)]] : [],
      ),
    ),
    state: stateOf(row),
  }))
}

/** One machine, or undefined when the site has none of that id. */
export async function readMachine(
  store: Reader,
  siteId: string,
  machineId: string,
): Promise<ProvenMachine | undefined> {
  const [[machine], learnt] = await Promise.all([
    readMachines(store, siteId, { machineId }),
    store
      .selectFrom('trait')
      .select(['trait', 'source', 'learnt_at', 'learnt_by'])
      .where('site_id', '=', siteId)
      .where('machine_id', '=', machineId)
      .execute(),
  ])
  if (!machine) return undefined
  const proofs: Partial<Record<TraitName, TraitProof>> = {}
  for (const { trait, source, learnt_at, learnt_by } of learnt)
    if (isTrait(trait)) proofs[trait] = { source: source as TraitSource, learntAt: learnt_at, learntBy: learnt_by }
  return { ...machine, proofs }
}
