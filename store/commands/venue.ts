import { check } from '@/core/schema/validate'
import { threadsAlike } from '@/core/camera/test-threads'
import { VenueSettingsSchema } from '@/core/room/venue-settings-schema'
import { Refused } from '../refused'
import { mustBeAsSeen } from './as-seen'
import { command } from './command'

/** What a venue is called, which clock it goes by, and what it says of itself; its class codes stay, since they stand on boards. */
export const changeVenue = command('change-venue', async ({ tx, actor }, { name, timeZone, settings, was }) => {
  if (timeZone !== 'UTC' && !Intl.supportedValuesOf('timeZone').includes(timeZone))
    throw new Refused(400, 'invalid', `There is no time zone called “${timeZone}”`, 'timeZone')
  const alike = settings?.testThreads && threadsAlike(settings.testThreads)
  if (alike) throw new Refused(400, 'threads-alike', alike, 'settings.testThreads.bobbin')
  const before = await tx
    .selectFrom('site')
    .select(['name', 'time_zone', 'settings'])
    .where('site_id', '=', actor.siteId)
    .forUpdate()
    .executeTakeFirstOrThrow()
  const here = { name: before.name, timeZone: before.time_zone, settings: check(VenueSettingsSchema, before.settings) }
  mustBeAsSeen(was && { ...here, ...was }, here, 'The venue')
  await tx
    .updateTable('site')
    .set({ name, time_zone: timeZone, ...(settings && { settings: JSON.stringify(settings) }) })
    .where('site_id', '=', actor.siteId)
    .execute()
  // Off means that none is kept, and not that none is shown.
  if (settings && !settings.photographs)
    await tx.deleteFrom('machine_photograph').where('site_id', '=', actor.siteId).execute()
})

/** Its row among the commands is all that is kept of it. */
export const takeArchive = command('take-archive', () => Promise.resolve())
