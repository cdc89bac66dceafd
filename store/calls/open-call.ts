import type { CallFound, HelpCall } from '@/core/people/help-call'
import type { CommandCall } from '../commands/command'

/**
 * A second call from the same seat is the same call with what was found since; its place in the row stays. To whom somebody is
 * on the way unasked, and who calls meanwhile, that one is coming.
 */
export async function openCall(
  { tx, actor, commandId, now }: CommandCall,
  machineId: string,
  about: HelpCall['about'],
  found: CallFound,
): Promise<void> {
  const { numUpdatedRows } = await tx
    .updateTable('help_call')
    .set({ about, found: JSON.stringify(found) })
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', actor.personId)
    .where('machine_id', '=', machineId)
    .where('about', 'in', about === 'help' ? ['help', 'visit'] : [about])
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (numUpdatedRows > 0n) return
  await tx
    .insertInto('help_call')
    .values({
      site_id: actor.siteId,
      call_id: commandId,
      machine_id: machineId,
      person_id: actor.personId,
      about,
      found: JSON.stringify(found),
      called_at: now,
    })
    .execute()
}
