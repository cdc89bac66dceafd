import { bytesOf, saysMoreThanItShows } from '@/core/machine/photograph'
import { VenueSettingsSchema } from '@/core/room/venue-settings-schema'
import { check } from '@/core/schema/validate'
import { readMachine } from '../machine/machines'
import { notFound, Refused } from '../refused'
import { command } from './command'

/** Keeps how a machine looks, in place of what was kept before, or takes it away. */
export const setMachinePhotograph = command(
  'set-machine-photograph',
  async ({ tx, actor, now }, { machineId, picture }) => {
    if (!(await readMachine(tx, actor.siteId, machineId))) throw notFound('machine', 'machineId')
    if (picture === null) {
      await tx
        .deleteFrom('machine_photograph')
        .where('site_id', '=', actor.siteId)
        .where('machine_id', '=', machineId)
        .execute()
      return
    }
    // Held until this has landed: who turns photographs off meanwhile takes this one away as well.
    const site = await tx
      .selectFrom('site')
      .select('settings')
      .where('site_id', '=', actor.siteId)
      .forShare()
      .executeTakeFirstOrThrow()
    if (!check(VenueSettingsSchema, site.settings).photographs)
      throw new Refused(409, 'photographs-off', 'This venue keeps no photographs; a coordinator can turn them on')
    if (saysMoreThanItShows(bytesOf(picture)))
      throw new Refused(400, 'invalid', 'This picture says more than it shows, such as where it was taken', 'picture')
    const kept = { picture, taken_at: now }
    await tx
      .insertInto('machine_photograph')
      .values({ site_id: actor.siteId, machine_id: machineId, ...kept })
      .onConflict((there) => there.columns(['site_id', 'machine_id']).doUpdateSet(kept))
      .execute()
  },
)
