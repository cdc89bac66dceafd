import type { Transaction } from 'kysely'
import { freePlace } from '@/core/room/free-place'
import { INSTRUCTOR_TABLE, TABLE, tableInTheWay, type Place } from '@/core/room/table'
import type { Database } from '../database'
import { STANDS_HERE } from './stands-here'

export const INSTRUCTOR = 'instructor'

/** Every table of the room but one, those of machines that are put away left out; the room is held while one is placed, so that two never land on one spot. */
export async function tablesBut(tx: Transaction<Database>, siteId: string, but?: string) {
  const site = await tx
    .selectFrom('site')
    .select(['instructor_x', 'instructor_y'])
    .where('site_id', '=', siteId)
    .forUpdate()
    .executeTakeFirstOrThrow()
  const machines = await tx
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .select(['machine.machine_id', 'name', 'place_x', 'place_y'])
    .where('machine.site_id', '=', siteId)
    .where(STANDS_HERE)
    .execute()
  const { instructor_x: x, instructor_y: y } = site
  return [
    ...machines.map((row) => ({
      id: row.machine_id,
      name: row.name,
      place: { x: row.place_x, y: row.place_y },
      size: TABLE,
    })),
    ...(x !== null && y !== null
      ? [{ id: INSTRUCTOR, name: 'The instructor’s table', place: { x, y }, size: INSTRUCTOR_TABLE }]
      : []),
  ].filter(({ id }) => id !== but)
}

/** Where a new machine stands: where it was said to, or at the next free table when something stands there already. */
export async function placeOrNextFree(tx: Transaction<Database>, siteId: string, asked: Place): Promise<Place> {
  const tables = await tablesBut(tx, siteId)
  return tableInTheWay(asked, TABLE, tables) ? freePlace(tables) : asked
}

/** A machine that comes back stands where it stood, or at the next free table when something stands there by now. */
export async function standAtFreeTable(tx: Transaction<Database>, siteId: string, machineId: string): Promise<void> {
  const own = await tx
    .selectFrom('machine')
    .select(['place_x', 'place_y'])
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .executeTakeFirstOrThrow()
  const tables = await tablesBut(tx, siteId, machineId)
  const before = { x: own.place_x, y: own.place_y }
  const { x, y } = tableInTheWay(before, TABLE, tables) ? freePlace(tables) : before
  await tx
    .updateTable('machine')
    .set({ place_x: x, place_y: y })
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .execute()
}
