import { Invalid } from '@/core/schema/invalid'
import { openCall } from '../calls/open-call'
import { seatOf } from '../project/projects'
import { readPlannedSeats } from '../session/planned-seats'
import { notFound, Refused } from '../refused'
import { command } from './command'
import { mustHaveMachine } from './machine'

/**
 * Somebody wants staff to come, and has asked the finder nothing; one that was asked calls with its line. A learner calls from where
 * they sit by now, whatever their page still shows, and from no machine where they sit at none: a call is refused to nobody.
 */
export const callStaff = command('call-staff', async (call, { machineId, hurt, found }) => {
  if (hurt && machineId !== undefined)
    throw new Invalid('invalid', 'That somebody is hurt at a machine is a line of its book, which stops it', 'hurt')
  if (machineId !== undefined) await mustHaveMachine(call, machineId)
  const { tx, actor } = call
  if (actor.role !== 'learner' || hurt) return openCall(call, machineId, hurt ? 'hurt' : 'help', found)
  const seat = await seatOf(tx, actor.siteId, actor.personId)
  await openCall(call, seat?.takenOverBy ? undefined : seat?.given?.machineId, 'help', found)
})

/** The one who called needs nobody any more. */
export const takeCallBack = command('take-call-back', async ({ tx, actor, now }, { callId }) => {
  const { numUpdatedRows } = await tx
    .updateTable('help_call')
    .set({ ended_at: now, ended_by: actor.personId, ended_how: 'taken-back' })
    .where('site_id', '=', actor.siteId)
    .where('call_id', '=', callId)
    .where('person_id', '=', actor.personId)
    .where('about', '=', 'help')
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (numUpdatedRows === 0n) throw notFound('open call of yours', 'callId')
})

/** A screen that somebody of staff has before them shows these calls. */
export const seeCalls = command('see-calls', async ({ tx, actor, now }, { callIds }) => {
  await tx
    .updateTable('help_call')
    .set({ seen_at: now, seen_by: actor.personId })
    .where('site_id', '=', actor.siteId)
    .where('call_id', 'in', callIds)
    .where('seen_at', 'is', null)
    .execute()
})

/** Whoever taps this walks over; whoever taps it last is the one who goes. */
export const goToCall = command('go-to-call', async ({ tx, actor, now }, { callId }) => {
  const going = { going_at: now, going_by: actor.personId }
  const { numUpdatedRows } = await tx
    .updateTable('help_call')
    .set((column) => ({
      ...going,
      seen_at: column.fn.coalesce('seen_at', column.val(now)),
      seen_by: column.fn.coalesce('seen_by', column.val(actor.personId)),
    }))
    .where('site_id', '=', actor.siteId)
    .where('call_id', '=', callId)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (numUpdatedRows === 0n)
    throw new Refused(
      409,
      'ended',
      'This call is over: it was taken back or made anew, or somebody has been there',
      'callId',
    )
})

/** People sit down so long before their session begins. */
const EARLY_MS = 30 * 60_000

/** Nobody called; where they did meanwhile, their own call is gone to. One goes to where they sit, by kit or by plan. */
export const visitSeat = command('visit-seat', async (call, { machineId, personId }) => {
  const { tx, actor, now } = call
  await mustHaveMachine(call, machineId)
  const seat = await seatOf(tx, actor.siteId, personId)
  const sits = seat?.given?.machineId === machineId && !seat.takenOverBy
  const planned = async () =>
    (await readPlannedSeats(tx, actor.siteId, personId, now)).some(
      (place) => place.machineId === machineId && place.from.getTime() <= now.getTime() + EARLY_MS,
    )
  if (!sits && !(await planned()))
    throw new Refused(409, 'not-there', 'They do not sit there any more: look where they are now', 'machineId')
  await openCall(call, machineId, 'visit', {}, personId)
})

/** The learner has been helped. */
export const endCall = command('end-call', async ({ tx, actor, now }, { callId }) => {
  await tx
    .updateTable('help_call')
    .set({ ended_at: now, ended_by: actor.personId, ended_how: 'done' })
    .where('site_id', '=', actor.siteId)
    .where('call_id', '=', callId)
    .where('ended_at', 'is', null)
    .execute()
})
