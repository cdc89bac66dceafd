import { Refused } from '../refused'
import { command } from './command'

/** What a venue is called and which clock it goes by; its class codes stay, since they stand on boards. */
export const changeVenue = command('change-venue', async ({ tx, actor }, { name, timeZone }) => {
  if (timeZone !== 'UTC' && !Intl.supportedValuesOf('timeZone').includes(timeZone))
    throw new Refused(400, 'invalid', `There is no time zone called “${timeZone}”`, 'timeZone')
  await tx.updateTable('site').set({ name, time_zone: timeZone }).where('site_id', '=', actor.siteId).execute()
})
