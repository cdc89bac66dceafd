import { v5 as uuidOf } from 'uuid'
import { TRAIT_NAMES, TRAITS, type TraitName } from '@/core/knowledge/machine/trait'
import { checkDial, checkLengthMarks, checkSpan } from '@/core/schema/dial'
import { inRows } from '@/core/room/free-place'
import { INSTRUCTOR_TABLE, TABLE, tableInTheWay, type Place, type TableSize } from '@/core/room/table'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import type { Dial } from '@/core/units/dial'
import type { LengthMarks } from '@/core/units/length-marks'
import { traitWords } from '@/core/machine/trait-words'
import { startBook, writeLine } from '../machine/book'
import { INSTRUCTOR, placeOrNextFree, tablesBut } from '../machine/tables'
import { readMachine, readMachines, type Machine } from '../machine/machines'
import { notFound, Refused } from '../refused'
import { mustBeFreeName } from './put-away'
import { command, type CommandCall } from './command'

/** Checks a trait's value beyond what JSON Schema can say. */
export function checkTrait(trait: TraitName, value: unknown, path: string): unknown {
  try {
    const checked: unknown = check(TRAITS[trait], value)
    if (trait === 'tensionDial') checkDial(checked as Dial, 'value')
    if (trait === 'lengthMarks') checkLengthMarks(checked as LengthMarks, 'value')
    if (trait === 'lengthMm' || trait === 'needleNm') checkSpan(checked as { min: number; max: number }, 'value')
    return checked
  } catch (error) {
    if (!(error instanceof Invalid)) throw error
    const below = error.path.replace(/^value\.?/, '')
    throw new Invalid(error.code, error.message, [path, below].filter(Boolean).join('.'))
  }
}

export const addMachine = command('add-machine', async (call, body) => {
  const { tx, actor, now } = call
  const traits = Object.entries(body.traits as Record<string, unknown>).map(([trait, value]) => {
    if (!TRAIT_NAMES.includes(trait as TraitName)) {
      throw new Invalid(
        'invalid',
        `"traits.${trait}" is no trait; allowed are ${TRAIT_NAMES.join(', ')}`,
        `traits.${trait}`,
      )
    }
    return { trait, value: checkTrait(trait as TraitName, value, `traits.${trait}`) }
  })
  await mustBeFreeName(tx, actor.siteId, body)
  const place = await placeOrNextFree(tx, actor.siteId, body.place)
  await tx
    .insertInto('machine')
    .values({
      site_id: actor.siteId,
      machine_id: body.machineId,
      name: body.name,
      number: body.number,
      notes: body.notes ?? '',
      place_x: place.x,
      place_y: place.y,
    })
    .execute()
  await startBook(tx, actor.siteId, body.machineId)
  if (traits.length === 0) return
  await tx
    .insertInto('trait')
    .values(
      traits.map(({ trait, value }) => ({
        site_id: actor.siteId,
        machine_id: body.machineId,
        trait,
        value: JSON.stringify(value),
        source: body.unchecked?.includes(trait as TraitName) ? 'template' : body.source,
        learnt_by: actor.personId,
        learnt_at: now,
      })),
    )
    .execute()
})

export const setTrait = command('set-trait', async (call, { machineId, trait, value, source: learntFrom }) => {
  const { tx, actor, now } = call
  const checked = checkTrait(trait, value, 'value')
  await mustHaveMachine(call, machineId)
  const row = { value: JSON.stringify(checked), source: learntFrom, learnt_by: actor.personId, learnt_at: now }
  await tx
    .insertInto('trait')
    .values({ site_id: actor.siteId, machine_id: machineId, trait, ...row })
    .onConflict((conflict) => conflict.columns(['site_id', 'machine_id', 'trait']).doUpdateSet(row))
    .execute()
  await writeLine(tx, actor, machineId, {
    kind: 'trait-learnt',
    body: { trait, words: traitWords(checked).slice(0, 500), source: learntFrom },
    eventId: call.commandId,
    happenedAt: now.toISOString(),
    personId: actor.personId,
  })
})

/** The answer goes, the book keeps what it was. */
export const putTraitAway = command('put-trait-away', async (call, { machineId, trait }) => {
  const { tx, actor, now } = call
  await mustHaveMachine(call, machineId)
  const was = await tx
    .deleteFrom('trait')
    .where('site_id', '=', actor.siteId)
    .where('machine_id', '=', machineId)
    .where('trait', '=', trait)
    .returning('value')
    .executeTakeFirst()
  if (!was) throw new Refused(404, 'not-found', 'Nothing is said of that here', 'trait')
  await writeLine(tx, actor, machineId, {
    kind: 'trait-put-away',
    body: { trait, words: traitWords(was.value).slice(0, 500) },
    eventId: call.commandId,
    happenedAt: now.toISOString(),
    personId: actor.personId,
  })
})

/** Only what a template said is confirmed; what somebody has answered meanwhile stays theirs. */
export const confirmTraits = command('confirm-traits', async (call, { machineId, traits }) => {
  const { tx, actor, now } = call
  await mustHaveMachine(call, machineId)
  const rows = await tx
    .updateTable('trait')
    .set({ source: 'tried', learnt_by: actor.personId, learnt_at: now })
    .where('site_id', '=', actor.siteId)
    .where('machine_id', '=', machineId)
    .where('trait', 'in', traits)
    .where('source', '=', 'template')
    .returning(['trait', 'value'])
    .execute()
  for (const { trait, value } of rows)
    await writeLine(tx, actor, machineId, {
      kind: 'trait-learnt',
      body: { trait, words: traitWords(value).slice(0, 500), source: 'tried' },
      eventId: uuidOf(trait, call.commandId),
      happenedAt: now.toISOString(),
      personId: actor.personId,
    })
})

export const placeMachine = command('place-machine', async (call, { machineId, place }) => {
  await mustHaveMachine(call, machineId)
  await mustBeFree(call, place, TABLE, machineId)
  await call.tx
    .updateTable('machine')
    .set({ place_x: place.x, place_y: place.y })
    .where('site_id', '=', call.actor.siteId)
    .where('machine_id', '=', machineId)
    .execute()
})

/** Every machine's table in rows, by number; the instructor's own stays where it is, and no table lies over it. */
export const placeInRows = command('place-in-rows', async ({ tx, actor }, { perRow }) => {
  const tables = await tablesBut(tx, actor.siteId)
  const machines = (await readMachines(tx, actor.siteId)).sort((a, b) => a.number - b.number)
  const others = tables.filter(({ id }) => id === INSTRUCTOR)
  const places = inRows(machines.length, perRow, others)
  if (!places)
    throw new Refused(
      409,
      'no-room',
      `${machines.length} tables in rows of ${perRow} are longer than a hall is here`,
      'perRow',
    )
  for (const [index, { machineId }] of machines.entries())
    await tx
      .updateTable('machine')
      .set({ place_x: places[index]!.x, place_y: places[index]!.y })
      .where('site_id', '=', actor.siteId)
      .where('machine_id', '=', machineId)
      .execute()
})

/** Where the instructor's own table stands: near it is where beginners sit. */
export const placeInstructor = command('place-instructor', async (call, { place }) => {
  const { tx, actor } = call
  await mustBeFree(call, place, INSTRUCTOR_TABLE, INSTRUCTOR)
  await tx
    .updateTable('site')
    .set({ instructor_x: place.x, instructor_y: place.y })
    .where('site_id', '=', actor.siteId)
    .execute()
})

async function mustBeFree(call: CommandCall, place: Place, size: TableSize, id: string): Promise<void> {
  const other = tableInTheWay(place, size, await tablesBut(call.tx, call.actor.siteId, id))
  if (other) throw new Refused(409, 'place-taken', `${other.name} stands there; no table lies over another`, 'place')
}

/** @throws Refused 409 for a machine that is put away */
export function mustStandHere({ name, state }: Pick<Machine, 'name' | 'state'>, path: string): void {
  if (state.putAway)
    throw new Refused(
      409,
      'put-away',
      `${name} is put away since ${state.putAway.since.slice(0, 10)}: take it out first`,
      path,
    )
}

export async function mustHaveMachine({ tx, actor }: CommandCall, machineId: string): Promise<void> {
  const machine = await readMachine(tx, actor.siteId, machineId)
  if (!machine) throw notFound('machine', 'machineId')
  mustStandHere(machine, 'machineId')
}
