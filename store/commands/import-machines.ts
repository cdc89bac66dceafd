import { MachinesFileSchema, type MachinesFile } from '@/core/exchange/machines-file'
import { eventBody } from '@/core/machine/event'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/vocabulary'
import { rebuildState, startBook } from '../machine/book'
import { Refused } from '../refused'
import { command, type CommandCall } from './command'
import { checkTrait } from './machine'

const CHUNK = 1000

/**
 * Reads machines and their books back as they were written out. What is here already under the same id stays as it is;
 * machines, traits and lines that are not here are added, and each book is folded again.
 */
export const importMachines = command(
  strict({ file: MachinesFileSchema }),
  () => 'import-machines',
  async (call, { file }) => {
    const { tx, actor } = call
    if (file.people.length > 0) {
      await tx
        .insertInto('person')
        .values(file.people.map(({ personId, name }) => ({ site_id: actor.siteId, person_id: personId, name })))
        .onConflict((conflict) => conflict.columns(['site_id', 'person_id']).doNothing())
        .execute()
    }
    for (const [index, machine] of file.machines.entries()) await importMachine(call, machine, `file.machines.${index}`)
  },
)

async function importMachine(
  { tx, actor: { siteId } }: CommandCall,
  machine: MachinesFile['machines'][number],
  path: string,
): Promise<void> {
  const { machineId, name, number } = machine
  const here = await tx
    .selectFrom('machine')
    .select(['machine_id', 'name', 'number'])
    .where('site_id', '=', siteId)
    .where((where) =>
      where.or([where('machine_id', '=', machineId), where('name', '=', name), where('number', '=', number)]),
    )
    .execute()
  const other = here.find((each) => each.machine_id !== machineId)
  if (other) {
    const field = other.name === name ? 'name' : 'number'
    throw new Refused(409, 'taken', `Another machine has the ${field} ${other[field]} already`, `${path}.${field}`)
  }
  if (here.length === 0) {
    await tx
      .insertInto('machine')
      .values({
        site_id: siteId,
        machine_id: machineId,
        name,
        number,
        notes: machine.notes,
        place_x: machine.place.x,
        place_y: machine.place.y,
      })
      .execute()
    await startBook(tx, siteId, machineId)
  }
  if (machine.traits.length > 0) {
    const rows = machine.traits.map((each, at) => ({
      site_id: siteId,
      machine_id: machineId,
      trait: each.trait,
      value: JSON.stringify(checkTrait(each.trait, each.value, `${path}.traits.${at}.value`)),
      source: each.source,
      learnt_by: each.learntBy,
      learnt_at: each.learntAt,
    }))
    await tx
      .insertInto('trait')
      .values(rows)
      .onConflict((conflict) => conflict.columns(['site_id', 'machine_id', 'trait']).doNothing())
      .execute()
  }
  const lines = machine.book.map((line, at) => ({
    site_id: siteId,
    machine_id: machineId,
    event_id: line.eventId,
    happened_at: new Date(line.happenedAt),
    kind: line.kind,
    body: JSON.stringify(checkedBody(line, `${path}.book.${at}.body`)),
    person_id: line.personId,
  }))
  for (let start = 0; start < lines.length; start += CHUNK) {
    await tx
      .insertInto('machine_event')
      .values(lines.slice(start, start + CHUNK))
      .onConflict((conflict) => conflict.columns(['site_id', 'event_id']).doNothing())
      .execute()
  }
  await rebuildState(tx, siteId, machineId)
}

function checkedBody({ kind, body }: MachinesFile['machines'][number]['book'][number], path: string): unknown {
  try {
    return check(eventBody(kind), body)
  } catch (error) {
    if (error instanceof Invalid)
      throw new Invalid(error.code, error.message, [path, error.path].filter(Boolean).join('.'))
    throw error
  }
}
