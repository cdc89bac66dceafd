import { TZDate } from '@date-fns/tz'
import { dayIn } from '@/core/units/day'
import { dayWords, timeIn } from './time'

/** As often as a session is put down in one go. */
export const MOST_WEEKS = 60

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

/** A time of the clock so many minutes later; past midnight it is a minute before it. */
export function timeAfter(from: string, minutes: number): string {
  const [hours = 0, past = 0] = from.split(':').map(Number)
  const at = Math.min(hours * 60 + past + minutes, 24 * 60 - 1)
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
}

/**
 * What keeps a session from being put down as typed, in words; undefined when nothing does.
 * @param weeks that it is repeated, every one looked at: clocks change in some of them
 */
export function wrongWithSession(
  { day, from, to }: { readonly day: string; readonly from: string; readonly to: string },
  timeZone: string,
  weeks = 1,
): string | undefined {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) return 'Say which day'
  if (!/^\d{2}:\d{2}$/.test(from) || !/^\d{2}:\d{2}$/.test(to)) return 'Say from when and to when'
  if (!Number.isInteger(weeks) || weeks < 1 || weeks > MOST_WEEKS) return `Say how many weeks: 1 to ${MOST_WEEKS}`
  if (to <= from) return 'It ends before it begins'
  for (let week = 0; week < weeks; week += 1) {
    for (const time of [from, to]) {
      const moment = new Date(momentIn(day, time, timeZone, week))
      if (timeIn(moment, timeZone) !== time)
        return `${dayWords(dayIn(moment, timeZone))} has no ${time}: the clocks go forward over it`
    }
  }
  return undefined
}
