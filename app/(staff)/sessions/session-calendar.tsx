'use client'

import { createContext, useContext, useEffect, useRef, useState } from 'react'
import { DayPicker, type DayButtonProps } from 'react-day-picker'
import { LANGUAGE } from '@/core/units/language'
import { counted } from '@/core/units/words'
import { useGo } from '@/ui/parts/going'
import { Link } from '@/ui/parts/link'
import { dayWords } from '@/ui/time'

interface Session {
  readonly sessionId: string
  /** YYYY-MM-DD, where the venue stands */
  readonly day: string
  /** from when to when, in its hours */
  readonly hours: string
  readonly words: string
}

const dateOf = (day: string): Date => {
  const [year, month, date] = day.split('-').map(Number)
  return new Date(year!, month! - 1, date)
}
const dayOf = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`

const said = (parts: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat(LANGUAGE, parts)
  return (date: Date): string => format.format(date)
}
const FORMATTERS = {
  formatCaption: said({ month: 'long', year: 'numeric' }),
  formatWeekdayName: (date: Date): string => said({ weekday: 'short' })(date).slice(0, 2),
}
const LABELS = {
  labelNav: () => 'Months',
  labelGrid: said({ month: 'long', year: 'numeric' }),
  labelWeekday: said({ weekday: 'long' }),
  labelNext: () => 'The next month',
  labelPrevious: () => 'The month before',
}

/** More stitches than this would not be told apart on a day. */
const MOST_STITCHES = 4

interface Days {
  readonly sessionsOn: ReadonlyMap<string, readonly Session[]>
  readonly today: string
  readonly shown?: string
}
/** Beside the calendar, so that a day stays the same button, with the focus on it, while another is shown. */
const DaysOf = createContext<Days>({ sessionsOn: new Map(), today: '' })

function DayOfMonth({ day: { date }, modifiers, children, className: _, ...button }: DayButtonProps) {
  const { sessionsOn, today, shown } = useContext(DaysOf)
  const self = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (modifiers.focused) self.current?.focus()
  }, [modifiers.focused])
  const day = dayOf(date)
  const its = sessionsOn.get(day) ?? []
  const words = its.length > 1 ? counted(its.length, 'session') : its[0]?.words
  return (
    <button
      {...button}
      ref={self}
      aria-label={[words, `${dayWords(day)} ${date.getFullYear()}`].filter(Boolean).join(', ')}
      {...(its.length > 1 && { 'aria-expanded': day === shown })}
      className={`relative size-11 ${its.length > 0 ? 'border-2! border-secondary! font-bold hover:bg-base-200' : ''} ${day === shown ? 'bg-base-200' : ''} ${day === today ? 'underline decoration-4 underline-offset-4' : ''}`}
    >
      {children}
      {its.length > 1 && (
        <span aria-hidden="true" className="absolute inset-x-0 top-1 flex justify-center gap-0.5">
          {its.slice(0, MOST_STITCHES).map(({ sessionId }) => (
            <span key={sessionId} className="h-0.5 w-1.5 bg-secondary" />
          ))}
        </span>
      )}
    </button>
  )
}

/** The months with their sessions; a day that has one opens it, and one that has more, a stitch each, shows them. */
export function SessionCalendar({
  today,
  sessions,
  weekStartsOn,
}: {
  today: string
  /** in the order in which they begin */
  sessions: readonly Session[]
  weekStartsOn: 0 | 1 | 6
}) {
  const go = useGo()
  const [shown, show] = useState<string>()
  const sessionsOn = new Map<string, readonly Session[]>()
  for (const session of sessions) sessionsOn.set(session.day, [...(sessionsOn.get(session.day) ?? []), session])
  const onShown = (shown !== undefined && sessionsOn.get(shown)) || []
  return (
    <section aria-label="Calendar" className="sheet flex h-fit flex-col items-center p-3">
      <DaysOf value={{ sessionsOn, today, ...(shown && { shown }) }}>
        <DayPicker
          className="react-day-picker border-0 [&_.rdp-disabled]:opacity-100! [&_.rdp-weekday]:text-base-content! [&_.rdp-weekday]:opacity-100!"
          formatters={FORMATTERS}
          labels={LABELS}
          weekStartsOn={weekStartsOn}
          today={dateOf(today)}
          defaultMonth={dateOf(sessions.find(({ day }) => day >= today)?.day ?? today)}
          disabled={(date) => !sessionsOn.has(dayOf(date))}
          onDayClick={(date) => {
            const its = sessionsOn.get(dayOf(date)) ?? []
            if (its.length === 1) go(`/sessions/${its[0]!.sessionId}`)
            else if (its.length > 1) show(dayOf(date))
          }}
          components={{ DayButton: DayOfMonth }}
        />
      </DaysOf>
      <div role="status" className="w-full">
        {onShown.length > 0 && (
          <>
            <h3 className="mt-2 font-bold">
              {dayWords(shown!)}, {counted(onShown.length, 'session')}
            </h3>
            <ul>
              {onShown.map(({ sessionId, hours, words }) => (
                <li key={sessionId} className="seam">
                  <Link
                    href={`/sessions/${sessionId}`}
                    className="flex min-h-11 items-center gap-3 underline-offset-4 hover:underline"
                  >
                    <span className="font-bold">{hours}</span>
                    <span>{words}</span>
                  </Link>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  )
}
