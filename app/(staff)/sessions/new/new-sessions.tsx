'use client'

import { useState } from 'react'
import { FaultNote } from '@/ui/parts/fault-note'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'
import { formatInTimeZone } from '@/ui/time'
import { momentIn, MOST_WEEKS, wrongWithSession } from '@/ui/zone'

interface Course {
  readonly courseId: string
  readonly name: string
}

/** Turns at a machine in one session. */
const MOST_BLOCKS = 12

/** One session, or the same one every week. */
export function NewSessions({
  courses,
  today,
  timeZone,
}: {
  courses: readonly Course[]
  today: string
  timeZone: string
}) {
  const [courseId, setCourseId] = useState(courses[0]!.courseId)
  const [day, setDay] = useState(today)
  const [from, setFrom] = useState('18:00')
  const [to, setTo] = useState('20:00')
  const [blocks, setBlocks] = useState(2)
  const [weeks, setWeeks] = useState(1)
  const { busy, fault, write } = useWrite()
  const { idOf } = useFormId()
  const sessions = Array.from({ length: Math.min(MOST_WEEKS, Math.max(1, Math.floor(weeks) || 1)) }, (_, week) => ({
    startsAt: momentIn(day, from, timeZone, week),
    endsAt: momentIn(day, to, timeZone, week),
    blocks,
  }))
  const wrong =
    wrongWithSession({ day, from, to }, timeZone, weeks) ??
    (Number.isInteger(blocks) && blocks >= 1 && blocks <= MOST_BLOCKS
      ? undefined
      : `Say how many blocks: 1 to ${MOST_BLOCKS}`)
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
      <label className="flex flex-col gap-1">
        <span className="font-bold">Class</span>
        <select
          className="select w-full text-lg"
          value={courseId}
          onChange={(event) => setCourseId(event.target.value)}
        >
          {courses.map(({ courseId: id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <div className="grid gap-4 sm:grid-cols-3">
        <Field label="First day" type="date" value={day} set={setDay} />
        <Field label="From" type="time" value={from} set={setFrom} />
        <Field label="To" type="time" value={to} set={setTo} />
      </div>
      <div className="grid gap-4 sm:grid-cols-2">
        <Count label="Blocks: turns at a machine in one session" value={blocks} most={MOST_BLOCKS} set={setBlocks} />
        <Count label="Every week, so many times" value={weeks} most={MOST_WEEKS} set={setWeeks} />
      </div>
      {wrong ? (
        <p role="status" className="font-bold">
          {wrong}.
        </p>
      ) : (
        <p>
          {formatInTimeZone(sessions[0]!.startsAt, timeZone)}
          {sessions.length > 1 && ` to ${formatInTimeZone(sessions.at(-1)!.startsAt, timeZone)}`}
        </p>
      )}
      <FaultNote fault={fault} />
      <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
        Put {sessions.length === 1 ? 'it' : 'them'} in the calendar
      </button>
    </form>
  )
}

function Field({
  label,
  type,
  value,
  set,
}: {
  label: string
  type: 'date' | 'time'
  value: string
  set: (value: string) => void
}) {
  return (
    <label className="flex flex-col gap-1">
      <span className="font-bold">{label}</span>
      <input
        type={type}
        required
        className="input w-full text-lg"
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </label>
  )
}

function Count({
  label,
  value,
  most,
  set,
}: {
  label: string
  value: number
  most: number
  set: (value: number) => void
}) {
  return (
    <label className="flex flex-col gap-1">
      <span className="font-bold">{label}</span>
      <input
        type="number"
        required
        min={1}
        max={most}
        className="input w-full text-lg"
        value={Number.isFinite(value) ? value : ''}
        onChange={(event) => set(event.target.valueAsNumber)}
      />
    </label>
  )
}
