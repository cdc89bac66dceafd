import { spaced } from '@/core/units/words'
import type { MachinesFile } from '@/core/exchange/machines-file'
import { eventBody, type BodyOf } from '@/core/machine/event'
import { cannotHappen } from '@/core/machine/put-away'
import type { MachineState } from '@/core/machine/state'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { rebuildState, startBook, takeWordsOut } from '../machine/book'
import { readMachine } from '../machine/machines'
import { may } from '@/core/wire/permission'
import type { Role } from '@/core/room/role'
import { withoutErased, type WithoutErased } from '../people/erased'
import { Refused } from '../refused'
import { command, type CommandCall } from './command'
import { placeOrNextFree, standAtFreeTable } from '../machine/tables'
import { checkTrait } from './machine'

const CHUNK = 1000

/**
 * Reads machines and their books back as they were written out. What is here already under the same id stays as it is;
 * machines, traits and lines that are not here are added, and each book is folded again.
 */
export const importMachines = command('import-machines', async (call, { file }) => {
  const { tx, actor } = call
  if (file.people.length > 0) {
    await tx
      .insertInto('person')
      .values(file.people.map(({ personId, name }) => ({ site_id: actor.siteId, person_id: personId, name })))
      .onConflict((conflict) => conflict.columns(['site_id', 'person_id']).doNothing())
      .execute()
  }
  const known = await readAuthors(call, file)
  const without = await withoutErased(tx, actor.siteId, file.people)
  for (const [index, machine] of file.machines.entries()) {
    const path = `file.machines.${index}`
    machine.book.forEach((line, at) => checkLine(call, known, line, `${path}.book.${at}`))
    machine.traits.forEach(({ learntBy }, at) => {
      if (!known.has(learntBy)) throw notNamed(`${path}.traits.${at}.learntBy`)
    })
    await importMachine(call, machine, path, without)
  }
})

/** Clocks of other rooms run a little ahead; more than this is a mistake. */
const AHEAD_MS = 2 * 60_000

const notNamed = (path: string) =>
  new Invalid('invalid', 'Nobody of this id is named in the file, and nobody here has it', path)

/**
 * Whoever a file names as the writer of a line, with the role that they have here; undefined for somebody from elsewhere, for
 * whom the coordinator who brings the file answers.
 */
async function readAuthors(
  { tx, actor }: CommandCall,
  file: MachinesFile,
): Promise<ReadonlyMap<string, Role | undefined>> {
  const here = await tx
    .selectFrom('person')
    .leftJoin('membership', (join) =>
      join.onRef('membership.site_id', '=', 'person.site_id').onRef('membership.person_id', '=', 'person.person_id'),
    )
    .leftJoin('enrolment', (join) =>
      join.onRef('enrolment.site_id', '=', 'person.site_id').onRef('enrolment.person_id', '=', 'person.person_id'),
    )
    .select(['person.person_id', 'membership.role', 'enrolment.enrolment_id'])
    .where('person.site_id', '=', actor.siteId)
    .execute()
  return new Map<string, Role | undefined>([
    ...file.people.map(({ personId }) => [personId, undefined] as const),
    ...here.map(
      ({ person_id, role, enrolment_id }) =>
        [person_id, (role as Role | null) ?? (enrolment_id ? 'learner' : undefined)] as const,
    ),
  ])
}

/** A line of a file is held to what its writer could have written here, and to a time that has been. */
function checkLine(
  { now }: CommandCall,
  known: ReadonlyMap<string, Role | undefined>,
  { personId, happenedAt, kind }: MachinesFile['machines'][number]['book'][number],
  path: string,
): void {
  if (!known.has(personId)) throw notNamed(`${path}.personId`)
  const role = known.get(personId)
  if (role && !may(role, `log:${kind}`))
    throw new Refused(403, 'not-allowed', `A ${role} cannot write “${spaced(kind)}”`, `${path}.personId`)
  if (Date.parse(happenedAt) > now.getTime() + AHEAD_MS)
    throw new Invalid('invalid', 'This line lies in the future', `${path}.happenedAt`)
}

async function importMachine(
  call: CommandCall,
  machine: MachinesFile['machines'][number],
  path: string,
  without: WithoutErased,
): Promise<void> {
  const { tx, actor } = call
  const { siteId, personId: importedBy } = actor
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
    const place = await placeOrNextFree(tx, siteId, machine.place)
    await tx
      .insertInto('machine')
      .values({
        site_id: siteId,
        machine_id: machineId,
        name,
        number,
        notes: without.text(machine.notes),
        place_x: place.x,
        place_y: place.y,
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
    body: JSON.stringify(without.value(checkedBody(line, `${path}.book.${at}.body`), line.personId)),
    person_id: line.personId,
    imported_by: importedBy,
  }))
  const before = (await readMachine(tx, siteId, machineId))!.state
  if (before.putAway) await checkAgainstAway(call, before, machine, path)
  for (let start = 0; start < lines.length; start += CHUNK) {
    await tx
      .insertInto('machine_event')
      .values(lines.slice(start, start + CHUNK))
      .onConflict((conflict) => conflict.columns(['site_id', 'event_id']).doNothing())
      .execute()
  }
  // Words that a line says are taken out are taken out, whatever the file still holds of them.
  for (const { kind, body } of machine.book)
    if (kind === 'redacted') await takeWordsOut(tx, siteId, machineId, (body as BodyOf<'redacted'>).line)
  await rebuildState(tx, siteId, machineId)
  const { state } = (await readMachine(tx, siteId, machineId))!
  if (before.putAway && !state.putAway) await standAtFreeTable(tx, siteId, machineId)
}

/** Nothing happens by a file at a machine that is put away here, unless the file brings it back as well. */
async function checkAgainstAway(
  { tx, actor }: CommandCall,
  before: MachineState,
  { machineId, book }: MachinesFile['machines'][number],
  path: string,
): Promise<void> {
  const rows = await tx
    .selectFrom('machine_event')
    .select('event_id')
    .where('site_id', '=', actor.siteId)
    .where('machine_id', '=', machineId)
    .execute()
  const here = new Set(rows.map(({ event_id }) => event_id))
  const comes = book.filter(({ eventId }) => !here.has(eventId))
  if (comes.some(({ kind }) => kind === 'taken-out')) return
  for (const line of comes) {
    const barred = cannotHappen(before, line)
    if (barred) throw new Refused(409, 'put-away', barred, `${path}.book.${book.indexOf(line)}.happenedAt`)
  }
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
