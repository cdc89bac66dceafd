'use client'

import { useState } from 'react'
import type { ClassSettings } from '@/core/room/class-settings'
import { WEEK_DAYS } from '@/core/room/venue-settings'
import { Count } from '@/ui/fields/number'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'
import { formatInTimeZone } from '@/ui/time'
import { momentIn, MOST_WEEKS, timeAfter, wrongWithSession } from '@/ui/zone'

interface Course {
  readonly courseId: string
  readonly name: string
  readonly usual?: ClassSettings['usual']
}

/** Turns at a machine in one session. */
const MOST_BLOCKS = 12

/** When a class usually meets; where it has not said, in the evening. */
const usualOf = ({ usual = { from: '18:00', minutes: 120, blocks: 2 } }: Course) => ({
  from: usual.from,
  to: timeAfter(usual.from, usual.minutes),
  blocks: usual.blocks,
})

/** One session, or the same one every week. */
export function NewSessions({
  courses,
  today,
  timeZone,
  openDays,
}: {
  courses: readonly Course[]
  today: string
  timeZone: string
  /** on which days of the week the venue is open, 0 is Sunday */
  openDays: readonly number[]
}) {
  const [courseId, setCourseId] = useState(courses[0]!.courseId)
  const [day, setDay] = useState(today)
  const [{ from, to, blocks }, setTimes] = useState(usualOf(courses[0]!))
  const [weeks, setWeeks] = useState(1)
  const { busy, fault, write } = useWrite()
  const { idOf } = useFormId()
  const sessions = Array.from({ length: weeks }, (_, week) => ({
    startsAt: momentIn(day, from, timeZone, week),
    endsAt: momentIn(day, to, timeZone, week),
    blocks,
  }))
  const weekDay = new Date(`${day}T00:00:00Z`).getUTCDay()
  const wrong = wrongWithSession({ day, from, to }, timeZone, weeks)
  return (
    <form
      className="sheet flex flex-col gap-4 p-5"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        // What is wrong stands above the button already.
        if (wrong) return
        void write(
          'add-sessions',
          {
            courseId,
            sessions: sessions.map((session) => ({ sessionId: idOf(`${courseId} ${session.startsAt}`), ...session })),
          },
          {
            done: sessions.length === 1 ? 'The session is in the calendar' : 'The sessions are in the calendar',
            then: '/sessions',
          },
        )
      }}
    >
      <Select
        label="Class"
        value={courseId}
        set={(id) => {
          setCourseId(id)
          setTimes(usualOf(courses.find((each) => each.courseId === id)!))
        }}
        options={courses.map(({ courseId: id, name }) => [id, name])}
      />
      <div className="grid gap-4 sm:grid-cols-3">
        <Text label="First day" type="date" value={day} set={setDay} />
        <Text label="From" type="time" value={from} set={(time) => setTimes({ from: time, to, blocks })} />
        <Text label="To" type="time" value={to} set={(time) => setTimes({ from, to: time, blocks })} />
      </div>
      <div className="grid gap-4 sm:grid-cols-2">
        <Count
          label="Blocks: turns at a machine in one session"
          min={1}
          max={MOST_BLOCKS}
          value={blocks}
          set={(count) => setTimes({ from, to, blocks: count })}
        />
        <Count label="Every week, so many times" min={1} max={MOST_WEEKS} value={weeks} set={setWeeks} />
      </div>
      {wrong ? (
        <p role="status" className="font-bold">
          {wrong}.
        </p>
      ) : (
        <p>
          {formatInTimeZone(sessions[0]!.startsAt, timeZone)}
          {sessions.length > 1 && ` to ${formatInTimeZone(sessions.at(-1)!.startsAt, timeZone)}`}
          {!openDays.includes(weekDay) && (
            <strong className="block">
              The venue is closed on a {WEEK_DAYS[weekDay]}: make sure that somebody opens it.
            </strong>
          )}
        </p>
      )}
      <FaultNote fault={fault} />
      <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
        Put {sessions.length === 1 ? 'it' : 'them'} in the calendar
      </button>
    </form>
  )
}
