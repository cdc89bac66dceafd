import { sql } from 'kysely'
import type { EventKind, MachineEvent } from '@/core/machine/event'
import { saidIn } from '@/core/machine/said'
import { callsSomebody } from '@/core/people/calling'
import { Invalid } from '@/core/schema/invalid'
import { STAFF_ROLES } from '@/core/room/role'
import { may } from '@/core/wire/permission'
import { writeLine } from '../machine/book'
import { notFound, Refused } from '../refused'
import { command, type CommandCall } from './command'
import { checkAhead, checkCorrection, checkNeedle, checkedLine, writeHappened } from './log'
import { mustHaveMachine } from './machine'
import { isErased } from './people'

/** More than anybody writes in an evening without a network. */
const MOST_OPEN = 60

/** What refuses a line for what has happened meanwhile, and not for what it is. */
const MEANWHILE: ReadonlySet<string> = new Set(['not-yours', 'put-away', 'locked', 'invalid'])

/**
 * A learner's line that waited on their device and was not taken: it lands if it can by now, and else it is staff's to take or
 * to drop. What they may not write at all, or what is no line, is refused as ever.
 */
export const leaveLine = command('leave-line', async (call, { machineId, happenedAt, kind, body }) => {
  const { tx, actor } = call
  if (!may(actor.role, `log:${kind}`))
    throw new Refused(403, 'not-allowed', 'This is no line that waits for staff', 'kind')
  await mustHaveMachine(call, machineId)
  const line = await checkedLine(call, { happenedAt, kind, body })
  if (callsSomebody(line))
    throw new Refused(409, 'no-call', 'Whoever calls somebody does not wait: call again, or go and fetch somebody')
  await checkOwnProject(call, line)
  if (line.kind === 'correction') {
    // What stands in its place is a line of its own, and not lost with it: such a correction needs the line in its book.
    if (!line.body.replacement && (await withdrawn(call, line.body.corrects))) return
    await checkCorrection(call, machineId, line.body)
  }
  // What a refusal had begun to write is undone; the command goes on.
  await sql`savepoint tried`.execute(tx)
  try {
    await writeHappened(call, machineId, line)
    return
  } catch (error) {
    if (!(error instanceof Invalid) || !MEANWHILE.has(error.code)) throw error
    await sql`rollback to savepoint tried`.execute(tx)
    // In a person's words, without the name of a field.
    await keepLeft(call, machineId, line, error.what ?? error.message)
  }
})

/**
 * A line that somebody else wrote on a device without a network, and that has waited there since for them to sign in again: they may
 * have gone home, or have left. Whoever of staff holds the device hands it over, so that it is decided by whoever knows of it.
 */
export const handOverLine = command(
  'hand-over-line',
  async (call, { lineId, personId, machineId, happenedAt, kind, body }) => {
    const { actor } = call
    await mustHaveMachine(call, machineId)
    if (kind === 'redacted') throw new Refused(403, 'not-allowed', 'Words are taken out by whoever decides so', 'kind')
    const writer = { ...call, commandId: lineId, actor: { ...actor, personId } }
    const line = await checkedLine(writer, { happenedAt, kind, body })
    checkAhead(call, line)
    // Of whoever is erased nothing is written any more, and nobody waits for it.
    if (await isErased(call, personId)) return
    if (await isHereAlready(call, lineId)) return
    await keepLeft(writer, machineId, line, 'it waited on a device on which they have not signed in since')
  },
)

/** It may have landed when it was sent, and the answer was lost; or was handed over before. */
async function isHereAlready({ tx, actor }: CommandCall, lineId: string): Promise<boolean> {
  const landed = await tx
    .selectFrom('command')
    .select('command_id')
    .where('site_id', '=', actor.siteId)
    .where('command_id', '=', lineId)
    .executeTakeFirst()
  const left = await tx
    .selectFrom('left_line')
    .select('line_id')
    .where('site_id', '=', actor.siteId)
    .where('line_id', '=', lineId)
    .executeTakeFirst()
  return landed !== undefined || left !== undefined
}

/** Keeps a line of whoever calls for staff to decide about. */
async function keepLeft({ tx, actor, now }: CommandCall, machineId: string, line: MachineEvent, because: string) {
  const { count } = await tx
    .selectFrom('left_line')
    .select((of) => of.fn.countAll<string>().as('count'))
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', actor.personId)
    .where('decided_at', 'is', null)
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST_OPEN)
    throw new Refused(429, 'too-many', 'More lines of one person wait for staff than they can look at: tell them')
  await tx
    .insertInto('left_line')
    .values({
      site_id: actor.siteId,
      line_id: line.eventId,
      machine_id: machineId,
      person_id: actor.personId,
      happened_at: line.happenedAt,
      kind: line.kind,
      body: JSON.stringify(line.body),
      because,
      left_at: now,
    })
    .execute()
}

/** Staff take a left line into its book, of the moment and the person it is of, or drop it. A lock is lifted by no such line. */
export const decideLeftLine = command('decide-left-line', async (call, { lineId, take }) => {
  const { tx, actor, now } = call
  const left = await tx
    .selectFrom('left_line')
    .select(['machine_id', 'person_id', 'happened_at', 'kind', 'body'])
    .where('site_id', '=', actor.siteId)
    .where('line_id', '=', lineId)
    .where('decided_at', 'is', null)
    .forUpdate()
    .executeTakeFirst()
  if (!left) throw notFound('line that waits', 'lineId')
  if (take) {
    const line = {
      eventId: lineId,
      happenedAt: left.happened_at.toISOString(),
      personId: left.person_id,
      kind: left.kind as EventKind,
      body: left.body,
    } as MachineEvent
    checkAhead(call, line)
    await checkNeedle(call, left.machine_id, line)
    const writer = { siteId: actor.siteId, personId: left.person_id, role: 'learner' } as const
    // The line that it names may have been corrected, or its words taken out, since it was left. Whoever was staff corrects what
    // staff may.
    const corrects = (await wasStaff(call, left.person_id)) ? { ...writer, role: actor.role } : writer
    if (line.kind === 'correction') await checkCorrection({ tx, actor: corrects }, left.machine_id, line.body)
    await writeLine(tx, writer, left.machine_id, line)
  }
  await tx
    .updateTable('left_line')
    .set({ decided_at: now, decided_by: actor.personId, taken: take, body: null })
    .where('site_id', '=', actor.siteId)
    .where('line_id', '=', lineId)
    .execute()
})

const wasStaff = async ({ tx, actor }: CommandCall, personId: string): Promise<boolean> =>
  (await tx
    .selectFrom('membership')
    .select('person_id')
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('role', 'in', STAFF_ROLES)
    .executeTakeFirst()) !== undefined

/** A line that was left and that nobody has decided about yet is taken back by whoever left it: it waits for nobody any more. */
async function withdrawn({ tx, actor, now }: CommandCall, lineId: string): Promise<boolean> {
  const { numUpdatedRows } = await tx
    .updateTable('left_line')
    .set({ decided_at: now, decided_by: actor.personId, taken: false, body: null })
    .where('site_id', '=', actor.siteId)
    .where('line_id', '=', lineId)
    .where('person_id', '=', actor.personId)
    .where('decided_at', 'is', null)
    .executeTakeFirst()
  return numUpdatedRows > 0n
}

/** Staff take a line for the seat that has moved on, not for the project of somebody else. */
async function checkOwnProject({ tx, actor }: CommandCall, line: MachineEvent): Promise<void> {
  const said = saidIn(line)
  if (!said || !('projectId' in said.body) || said.body.projectId === undefined) return
  const own = await tx
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .select('project_id')
    .where('project.site_id', '=', actor.siteId)
    .where('project_id', '=', said.body.projectId)
    .where('person_id', '=', actor.personId)
    .executeTakeFirst()
  if (!own) throw new Refused(403, 'not-allowed', 'This is about a project of somebody else', 'body.projectId')
}
