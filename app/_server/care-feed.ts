import 'server-only'
import ical, { ICalEventStatus } from 'ical-generator'
import type { CareCalendar } from '@/core/care/calendar'
import type { Session } from '@/store/session/sessions'

/**
 * The calendar of care and of sessions as iCalendar text: an entry of a whole day for each job. Names of machines are in it, names of people
 * are not.
 * @param base the address under which the books are found
 */
export function careFeed(
  venue: string,
  calendar: CareCalendar,
  sessions: readonly Session[],
  base: string,
  now: Date,
): string {
  const feed = ical({
    name: `${venue}: care and sessions`,
    prodId: { company: 'Orthodex', product: 'Care', language: 'EN' },
    ttl: 3600,
  })
  for (const { machineId, machine, due, on } of [...calendar.now, ...calendar.coming]) {
    feed.createEvent({
      // The same job keeps its id while it waits, so a calendar moves its entry and does not add another.
      id: `${machineId}-${due.job}@orthodex`,
      allDay: true,
      start: new Date(`${on}T00:00:00Z`),
      stamp: now,
      summary: `${machine}: ${due.title}`,
      description: `${due.because}. ${due.how} ${due.caution} The machine’s manual wins over every count.`,
      url: `${base}/machines/${machineId}`,
    })
  }
  for (const { sessionId, course, startsAt, endsAt, calledOff } of sessions) {
    feed.createEvent({
      id: `${sessionId}@orthodex`,
      start: startsAt,
      end: endsAt,
      stamp: now,
      // A calendar strikes out what is called off; one that does not know of it shows the words.
      status: calledOff ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
      summary: calledOff ? `${course}: called off` : course,
      description: calledOff ?? `Before class: ${base}/sessions/${sessionId}/bench`,
      url: `${base}/sessions/${sessionId}`,
    })
  }
  return feed.toString()
}
