import type { CallFound, HelpCall } from '@/core/people/help-call'
import type { CommandCall } from '../commands/command'

/** The open calls of a seat that a further one is one with. */
const JOINS = {
  help: ['help', 'visit'],
  hurt: ['hurt'],
  visit: ['help', 'hurt', 'visit'],
} as const satisfies Readonly<Record<HelpCall['about'], readonly HelpCall['about'][]>>

/**
 * A second call from the same seat is the same call with what was found since; its place in the row stays. To whom somebody is
 * on the way unasked, and who calls meanwhile, that one is coming; and where they called, whoever visits goes to that call.
 * @param personId whose seat it is; of a visit, not the one who writes
 */
export async function openCall(
  { tx, actor, commandId, now }: CommandCall,
  machineId: string,
  about: HelpCall['about'],
  found: CallFound,
  personId: string = actor.personId,
): Promise<void> {
  const going = about === 'visit' ? { going_at: now, going_by: actor.personId } : {}
  const { numUpdatedRows } = await tx
    .updateTable('help_call')
    .set(about === 'visit' ? going : { about, found: JSON.stringify(found) })
    .where('site_id', '=', actor.siteId)
    .where('person_id', '=', personId)
    .where('machine_id', '=', machineId)
    .where('about', 'in', JOINS[about])
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (numUpdatedRows > 0n) return
  await tx
    .insertInto('help_call')
    .values({
      site_id: actor.siteId,
      call_id: commandId,
      machine_id: machineId,
      person_id: personId,
      about,
      found: JSON.stringify(found),
      called_at: now,
      ...going,
      ...(about === 'visit' && { seen_at: now, seen_by: actor.personId }),
    })
    .execute()
}
