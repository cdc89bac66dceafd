import 'server-only'
import { careCalendar, type CareCalendar } from '@/core/care/calendar'
import { readMachines } from '@/store/machine/machines'
import { readSite, type Site } from '@/store/site/site'
import { booksOf } from './store'

/** How far ahead the calendar of care looks. */
export const CARE_DAYS = 120

/** A venue's calendar of care, for its page and its feed. */
export async function careOfRoom(siteId: string, now: Date): Promise<{ site: Site; calendar: CareCalendar }> {
  const store = booksOf(siteId)
  const [machines, site] = await Promise.all([readMachines(store, siteId), readSite(store, siteId)])
  return {
    site,
    calendar: careCalendar(machines, site.houseRules.numbers, now.toISOString(), CARE_DAYS, site.timeZone),
  }
}
