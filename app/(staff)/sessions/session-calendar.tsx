'use client'

import { useRouter } from 'next/navigation'
import { DayPicker, type DayButtonProps } from 'react-day-picker'
import { enGB } from 'react-day-picker/locale'

interface Session {
  readonly sessionId: string
  /** YYYY-MM-DD, where the venue stands */
  readonly day: string
  readonly words: string
}

const dateOf = (day: string): Date => {
  const [year, month, date] = day.split('-').map(Number)
  return new Date(year!, month! - 1, date)
}
const dayOf = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`

/** The months with their sessions; a day that has one opens it. */
export function SessionCalendar({
  today,
  sessions,
  weekStartsOn,
}: {
  today: string
  sessions: readonly Session[]
  weekStartsOn: 0 | 1 | 6
}) {
  const router = useRouter()
  const byDay = new Map(sessions.map((session) => [session.day, session]))
  const Day = ({ day, modifiers: _, ...button }: DayButtonProps) => {
    const session = byDay.get(dayOf(day.date))
    return (
      <button
        {...button}
        disabled={!session}
        aria-label={session ? `${session.words}, ${day.date.toDateString()}` : day.date.toDateString()}
        className={`size-11 ${session ? 'border-2! border-secondary! font-bold hover:bg-base-200' : ''} ${dayOf(day.date) === today ? 'underline decoration-4 underline-offset-4' : ''}`}
      />
    )
  }
  return (
    <section aria-label="Calendar" className="sheet flex h-fit justify-center p-3">
      <DayPicker
        className="react-day-picker border-0 [&_.rdp-weekday]:text-base-content! [&_.rdp-weekday]:opacity-100!"
        locale={enGB}
        weekStartsOn={weekStartsOn}
        today={dateOf(today)}
        defaultMonth={dateOf(sessions.find(({ day }) => day >= today)?.day ?? today)}
        onDayClick={(date) => {
          const session = byDay.get(dayOf(date))
          if (session) router.push(`/sessions/${session.sessionId}`)
        }}
        components={{ DayButton: Day }}
      />
    </section>
  )
}
