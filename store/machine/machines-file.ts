import type { Kysely, Transaction } from 'kysely'
import type { MachinesFile } from '@/core/exchange/machines-file'
import { TRAITS, type TraitName } from '@/core/knowledge/machine/trait'
import type { TraitSource } from '@/core/machine/trait-source'
import type { Database } from '../database'
import { notFound } from '../refused'
import { readNames } from '../site/site'
import { readBook } from './book'

type Reader = Kysely<Database> | Transaction<Database>

/**
 * Machines with their traits and books, to be written out.
 * @param machineId one only; absent: the whole room
 * @throws Refused 404 when there is no such machine
 */
export async function readMachinesFile(store: Reader, siteId: string, machineId?: string): Promise<MachinesFile> {
  const [machines, traits, names] = await Promise.all([
    store
      .selectFrom('machine')
      .selectAll()
      .where('site_id', '=', siteId)
      .$if(machineId !== undefined, (query) => query.where('machine_id', '=', machineId!))
      .orderBy('number')
      .execute(),
    store
      .selectFrom('trait')
      .selectAll()
      .where('site_id', '=', siteId)
      .$if(machineId !== undefined, (query) => query.where('machine_id', '=', machineId!))
      .orderBy('trait')
      .execute(),
    readNames(store, siteId),
  ])
  if (machineId !== undefined && machines.length === 0) throw notFound('machine', 'machine')
  const file: MachinesFile['machines'] = []
  for (const machine of machines) {
    const book = await readBook(store, siteId, machine.machine_id)
    file.push({
      machineId: machine.machine_id,
      name: machine.name,
      number: machine.number,
      notes: machine.notes,
      place: { x: machine.place_x, y: machine.place_y },
      traits: traits
        .filter((each) => each.machine_id === machine.machine_id && each.trait in TRAITS)
        .map((each) => ({
          trait: each.trait as TraitName,
          value: each.value,
          source: each.source as TraitSource,
          learntBy: each.learnt_by,
          learntAt: each.learnt_at.toISOString(),
        })),
      book: book.map(({ eventId, happenedAt, personId, kind, body }) => ({
        eventId,
        happenedAt,
        personId,
        kind,
        body,
      })),
    })
  }
  const named = new Set(
    file.flatMap((each) => [
      ...each.book.map(({ personId }) => personId),
      ...each.traits.map(({ learntBy }) => learntBy),
    ]),
  )
  return {
    orthodex: 'machines',
    version: 1,
    people: [...named].sort().map((personId) => ({ personId, name: names.get(personId) ?? 'somebody' })),
    machines: file,
  }
}
