import { eventBody, type BodyOf, type EventKind, type MachineEvent } from '@/core/machine/event'
import { saidIn } from '@/core/machine/said'
import { needleMisfit } from '@/core/machine/needle-misfit'
import type { CommandBody } from '@/core/wire/commands'
import { may } from '@/core/wire/permission'
import { check } from '@/core/schema/validate'
import { Invalid } from '@/core/schema/invalid'
import { callForStop, callRaisedBy } from '@/core/people/help-call'
import { readTraits } from '../machine/machines'
import { openCall } from '../calls/open-call'
import { readLine, writeLine } from '../machine/book'
import { readSite } from '../site/site'
import { seatOf } from '../project/projects'
import { notFound, Refused } from '../refused'
import { command, type CommandCall } from './command'

/** Clocks of tablets run a little ahead; more than this is a mistake. */
const AHEAD_MS = 2 * 60_000

/** Writes one line in a machine's book; the command's id is the line's id. */
export const log = command('log', async (call, { machineId, happenedAt, kind, body }) => {
  await writeHappened(call, machineId, await checkedLine(call, { happenedAt, kind, body }))
})

/** What was sent as a line of this person, of the schema of its kind. */
export const checkedLine = async (
  call: CommandCall,
  { happenedAt, kind, body }: Pick<CommandBody<'log'>, 'happenedAt' | 'kind' | 'body'>,
): Promise<MachineEvent> =>
  ({
    eventId: call.commandId,
    happenedAt: new Date(happenedAt).toISOString(),
    personId: call.actor.personId,
    kind,
    body: await withDuty(call, kind, checkedBody(kind, body)),
  }) as MachineEvent

/** Writes it under every law of a line that somebody writes themselves, and calls whom it calls. */
export async function writeHappened(call: CommandCall, machineId: string, line: MachineEvent): Promise<void> {
  checkAhead(call, line)
  await checkSeat(call, machineId)
  await checkLearner(call, machineId, line)
  await checkNeedle(call, machineId, line)
  if (line.kind === 'correction') await checkCorrection(call, machineId, line.body)
  await checkProject(call, line)
  const states = await writeLine(call.tx, call.actor, machineId, line)
  const raised = callRaisedBy(line) ?? callForStop(call.actor.role, line, states, call.now.getTime())
  if (raised) await openCall(call, machineId, raised.about, raised.found)
}

export function checkAhead({ now }: CommandCall, { happenedAt }: MachineEvent): void {
  if (Date.parse(happenedAt) > now.getTime() + AHEAD_MS)
    throw new Invalid(
      'invalid',
      '"happenedAt" lies in the future; it must be now or earlier',
      'happenedAt',
      'its moment lies in the future',
    )
}

/**
 * Chair time counts as much as the room says. The share is written into the line, so that a later change of the rule does not
 * change what was sewn before it.
 */
async function withDuty({ tx, actor }: CommandCall, kind: EventKind, body: unknown): Promise<unknown> {
  if (kind !== 'used') return body
  const used = body as BodyOf<'used'>
  if (used.use.chairMinutes === undefined || used.use.duty !== undefined) return body
  const { duty } = (await readSite(tx, actor.siteId)).houseRules
  return { ...used, use: { ...used.use, duty } }
}

function checkedBody(kind: EventKind, body: unknown): unknown {
  try {
    return check(eventBody(kind), body)
  } catch (error) {
    if (error instanceof Invalid)
      throw new Invalid(error.code, error.message, ['body', error.path].filter(Boolean).join('.'))
    throw error
  }
}

/** What a learner writes is about now: of the turn they have, and no more than a person does in a minute. */
const LEARNER = { backMs: 12 * 3_600_000, lines: 20, windowMs: 60_000, beforeKitMs: 5 * 60_000 } as const

async function checkLearner({ tx, actor, now }: CommandCall, machineId: string, line: MachineEvent): Promise<void> {
  if (actor.role !== 'learner') return
  const happened = saidIn(line)
  if (happened?.kind === 'check-run' && happened.body.list === 'room')
    throw new Refused(403, 'not-allowed', 'The room check is for staff', 'body.list')
  const seat = await seatOf(tx, actor.siteId, actor.personId)
  const at = Date.parse(line.happenedAt)
  const given = seat?.given?.givenAt.getTime() ?? 0
  if (at < Math.max(now.getTime() - LEARNER.backMs, given - LEARNER.beforeKitMs))
    throw new Invalid(
      'invalid',
      '"happenedAt" lies before your turn at this machine',
      'happenedAt',
      'its moment lies before your turn at this machine',
    )
  const { count } = await tx
    .selectFrom('machine_event')
    .select((of) => of.fn.countAll<string>().as('count'))
    .where('site_id', '=', actor.siteId)
    .where('machine_id', '=', machineId)
    .where('person_id', '=', actor.personId)
    .where('happened_at', '>', new Date(now.getTime() - LEARNER.backMs))
    .where('recorded_at', '>', new Date(now.getTime() - LEARNER.windowMs))
    .executeTakeFirstOrThrow()
  if (Number(count) >= LEARNER.lines)
    throw new Refused(429, 'too-many', 'That is more than anybody writes in a minute: wait a little, or call staff')
}

/** Whose project a learner's line is about: after it is told whether they may write such a line at all. */
async function checkProject({ tx, actor }: CommandCall, line: MachineEvent): Promise<void> {
  if (actor.role !== 'learner') return
  const happened = saidIn(line)
  const about = happened && 'projectId' in happened.body ? happened.body.projectId : undefined
  if (about !== undefined && about !== (await seatOf(tx, actor.siteId, actor.personId))?.projectId)
    throw new Refused(403, 'not-yours', 'This is about a project of somebody else', 'body.projectId')
}

/** A needle of another system than the machine's goes into no book. */
export async function checkNeedle({ tx, actor }: CommandCall, machineId: string, line: MachineEvent): Promise<void> {
  const happened = saidIn(line)
  if (happened?.kind !== 'needle-changed' || !happened.body.in) return
  const traits = (await readTraits(tx, actor.siteId, [machineId], ['needleSystem'])).get(machineId) ?? {}
  const misfit = needleMisfit(traits, happened)
  if (misfit === undefined) return
  throw new Invalid(
    'invalid',
    misfit,
    line.kind === 'correction' ? 'body.replacement.body.in.system' : 'body.in.system',
  )
}

/** A learner writes for the machine of their own seat, and no other. */
export async function checkSeat({ tx, actor }: CommandCall, machineId: string): Promise<void> {
  if (actor.role !== 'learner') return
  const seat = await seatOf(tx, actor.siteId, actor.personId)
  if (seat?.takenOverBy && seat.given?.machineId === machineId) {
    throw new Refused(403, 'not-yours', `${seat.takenOverBy} sits there now: your turn at it is over`, 'machineId')
  }
  if (seat?.given?.machineId !== machineId) {
    throw new Refused(403, 'not-yours', 'You can write for the machine of your own seat only', 'machineId')
  }
}

/** A correction names a line of the same machine that this person could have written; a learner's must be their own. */
export async function checkCorrection(
  { tx, actor }: Pick<CommandCall, 'tx' | 'actor'>,
  machineId: string,
  body: Extract<MachineEvent, { kind: 'correction' }>['body'],
): Promise<void> {
  const named = await readLine(tx, actor.siteId, body.corrects)
  if (!named || named.machineId !== machineId) throw notFound('line in this book', 'body.corrects')
  // Words that are gone come back by no correction, and no correction takes any out.
  if (named.line.kind === 'redacted' || body.replacement?.kind === 'redacted')
    throw new Refused(
      409,
      'words-gone',
      'Taking words out is done for good: it is neither corrected nor a correction',
      'body.corrects',
    )
  const mayToo =
    may(actor.role, `log:${named.line.kind}`) && (!body.replacement || may(actor.role, `log:${body.replacement.kind}`))
  const own = actor.role !== 'learner' || named.line.personId === actor.personId
  if (!mayToo || !own)
    throw new Refused(403, 'not-allowed', 'This line is for somebody else to correct', 'body.corrects')
}
