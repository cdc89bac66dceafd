import { LANGUAGE } from '@/core/units/language'
import { zoned } from '@/core/units/zoned'

const momentOf = zoned(LANGUAGE, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
})

/** A moment as people of the venue say it: "Thu 19 Nov, 18:40". */
export function formatInTimeZone(moment: string | Date, timeZone: string): string {
  const parts = momentOf(timeZone).formatToParts(new Date(moment))
  const part = (type: Intl.DateTimeFormatPartTypes) => parts.find((each) => each.type === type)?.value ?? ''
  // One of the platforms writes "Sept" where the others write "Sep".
  return `${part('weekday')} ${part('day')} ${part('month').slice(0, 3)}, ${part('hour')}:${part('minute')}`
}

const DAY = new Intl.DateTimeFormat(LANGUAGE, { timeZone: 'UTC', weekday: 'short', day: 'numeric', month: 'short' })

/** A day of the calendar, `YYYY-MM-DD`, as people say it: "Thu 19 Nov". */
export function dayWords(day: string): string {
  const parts = DAY.formatToParts(new Date(`${day}T00:00:00Z`))
  const part = (type: Intl.DateTimeFormatPartTypes) => parts.find((each) => each.type === type)?.value ?? ''
  return `${part('weekday')} ${part('day')} ${part('month').slice(0, 3)}`
}

const timeOf = zoned(LANGUAGE, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })

/** The time of day at which a moment falls where the venue stands, `HH:MM`. */
export const timeIn = (moment: Date, timeZone: string): string => timeOf(timeZone).format(moment)
