import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'

/** A moment as people of the venue say it: "Thu 19 Nov, 18:40". */
export const formatInTimeZone = (moment: string | Date, timeZone: string): string =>
  format(new TZDate(new Date(moment), timeZone), 'EEE d MMM, HH:mm')
