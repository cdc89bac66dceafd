import { TZDate } from '@date-fns/tz'

/**
 * The moment at which it is that time of that day where the venue stands, some weeks on.
 * @param day YYYY-MM-DD
 * @param time HH:MM
 * @returns ISO, UTC; what was put in when it is no day or time yet
 */
export function momentIn(day: string, time: string, timeZone: string, weeks = 0): string {
  const [year, month, date] = day.split('-').map(Number)
  const [hour, minute] = time.split(':').map(Number)
  const moment = new TZDate(year!, month! - 1, date! + weeks * 7, hour!, minute!, timeZone)
  return Number.isNaN(moment.getTime()) ? `${day}T${time}` : new Date(moment.getTime()).toISOString()
}
