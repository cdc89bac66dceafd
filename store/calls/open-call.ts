import type { Kysely } from 'kysely'
import { afterAnother, LAPSES_AFTER_MS } from '@/core/people/call-wait'
import type { CallFound, HelpCall } from '@/core/people/help-call'
import type { CommandCall } from '../commands/command'
import type { Database } from '../database'

/**
 * A second call from the same seat is the same call with what was found since, as long as it may still be answered; its place in
 * the row stays. To whom somebody is on the way unasked, and who calls meanwhile, that one is coming; and where they called, whoever
 * visits goes to that call.
 * @param machineId undefined: from no machine
 * @param personId whose seat it is; of a visit, not the one who writes
 */
export async function openCall(
  { tx, actor, commandId, now }: CommandCall,
  machineId: string | undefined,
  about: HelpCall['about'],
  found: CallFound,
  personId: string = actor.personId,
): Promise<void> {
  const going = about === 'visit' ? { going_at: now, going_by: actor.personId } : {}
  const open = await tx
    .selectFrom('help_call')
    .select(['call_id', 'machine_id', 'about', 'called_at', 'seen_at', 'going_at'])
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('ended_at', 'is', null)
    .orderBy('called_at')
    .forUpdate()
    .execute()
  const updateCall = (callId: string) =>
    tx.updateTable('help_call').where('site_id', '=', actor.siteId).where('call_id', '=', callId)
  let isOpen = false
  for (const call of open) {
    const becomes = afterAnother(asRaised(call), { about, machineId }, now.getTime())
    if (becomes === 'beside') continue
    if (becomes === 'goes-on') {
      isOpen = true
      await updateCall(call.call_id)
        .set(about === 'visit' ? going : { about, found: JSON.stringify(found) })
        .execute()
      continue
    }
    await updateCall(call.call_id).set({ ended_at: now, ended_by: actor.personId, ended_how: becomes }).execute()
  }
  if (isOpen) return
  await tx
    .insertInto('help_call')
    .values({
      site_id: actor.siteId,
      call_id: commandId,
      machine_id: machineId ?? null,
      person_id: personId,
      about,
      found: JSON.stringify(found),
      called_at: now,
      ...going,
      ...(about === 'visit' && { seen_at: now, seen_by: actor.personId }),
    })
    .execute()
}

const asRaised = (row: {
  machine_id: string | null
  about: string
  called_at: Date
  seen_at: Date | null
  going_at: Date | null
}) => ({
  machineId: row.machine_id ?? undefined,
  about: row.about as HelpCall['about'],
  calledAt: row.called_at.toISOString(),
  ...(row.seen_at && { seen: {} }),
  ...(row.going_at && { going: { at: row.going_at.toISOString() } }),
})

/**
 * Calls that nobody ended on their day are over. That somebody was hurt is not: staff say when it is.
 * @returns how many
 */
export async function lapseCalls(store: Kysely<Database>, now: Date): Promise<number> {
  let lapsed = 0
  for (const { site_id } of await store.selectFrom('site').select('site_id').execute()) {
    const { numUpdatedRows } = await store
      .updateTable('help_call')
      .set({ ended_at: now, ended_how: 'lapsed' })
      .where('site_id', '=', site_id)
      .where('about', '<>', 'hurt')
      .where('called_at', '<', new Date(now.getTime() - LAPSES_AFTER_MS))
      .where('ended_at', 'is', null)
      .executeTakeFirst()
    lapsed += Number(numUpdatedRows)
  }
  return lapsed
}
