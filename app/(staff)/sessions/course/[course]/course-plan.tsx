'use client'

import { Link } from '@/ui/parts/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { asPlannedSeat } from '@/core/session/seat'
import { plain } from '@/core/units/words'
import type { Fault } from '@/core/schema/invalid'
import type { PlannedWeek } from '@/core/wire/asks'
import { askLines } from '@/ui/ask'
import { FaultNote } from '@/ui/parts/fault-note'
import { send } from '@/ui/write'

interface Session {
  readonly sessionId: string
  readonly when: string
  readonly planId: string | null
  readonly leftOut: readonly string[]
  readonly pinned: readonly string[]
  readonly planned: number
}
/** The sessions of a course, planned one after the other; looked at first, kept when wanted. */
export function CoursePlan({
  courseId,
  sessions,
  mayPlan,
}: {
  courseId: string
  sessions: readonly Session[]
  mayPlan: boolean
}) {
  const router = useRouter()
  const [weeks, setWeeks] = useState<readonly PlannedWeek[]>([])
  const [thinking, setThinking] = useState(false)
  const [fault, setFault] = useState<Fault>()
  const stopper = useRef<AbortController>(undefined)

  const plan = async () => {
    // What would help with the plans before is of no use any more.
    stopper.current?.abort()
    const stop = new AbortController()
    stopper.current = stop
    setThinking(true)
    setFault(undefined)
    setWeeks([])
    const how = { at: { course: courseId }, body: {}, signal: stop.signal }
    const wrong = await askLines('plan-course', how, (line) => {
      if (stopper.current !== stop) return
      if ('planned' in line) setThinking(false)
      if ('week' in line)
        setWeeks((before) => [...before.filter(({ sessionId }) => sessionId !== line.week.sessionId), line.week])
    })
    if (stopper.current !== stop) return
    if (!stop.signal.aborted) setFault(wrong)
    setThinking(false)
  }
  const keep = async () => {
    // Whoever keeps them waits for no more.
    stopper.current?.abort()
    for (const { sessionId, seats } of weeks) {
      const session = sessions.find((each) => each.sessionId === sessionId)!
      const outcome = await send('set-plan', {
        sessionId,
        basedOn: session.planId,
        plan: {
          seats: seats.map((seat) => asPlannedSeat(seat, session.pinned.includes(seat.student))),
          leftOut: session.leftOut,
        },
      })
      if (!outcome.ok) {
        setFault(outcome.error)
        return
      }
    }
    toast.success(weeks.length === 1 ? 'One session is planned' : `${weeks.length} sessions are planned`)
    setWeeks([])
    router.refresh()
  }
  const found = new Map(weeks.map((week) => [week.sessionId, week]))
  return (
    <>
      {mayPlan && (
        <div className="mt-4 flex flex-wrap items-center gap-3">
          {thinking ? (
            <button type="button" className="btn btn-lg" onClick={() => stopper.current?.abort()}>
              Stop here
            </button>
          ) : (
            <button type="button" className="btn btn-primary btn-lg" onClick={() => void plan()}>
              Plan to the end
            </button>
          )}
          {!thinking && weeks.length > 0 && (
            <button type="button" className="btn btn-lg" onClick={() => void keep()}>
              Keep {weeks.length === 1 ? 'this plan' : `these ${weeks.length} plans`}
            </button>
          )}
          {thinking && (
            <progress
              className="progress w-48"
              value={weeks.length}
              max={sessions.length}
              aria-label="Sessions planned so far"
            />
          )}
        </div>
      )}
      <FaultNote fault={fault} />
      <ol className="mt-4" aria-live="polite">
        {sessions.map(({ sessionId, when, planned }, index) => {
          const week = found.get(sessionId)
          return (
            <li key={sessionId} className="seam grid gap-x-6 gap-y-1 py-4 sm:grid-cols-[12rem_1fr]">
              <p>
                <span className="block text-sm">Week {index + 1}</span>
                <Link className="text-lg font-bold" href={`/sessions/${sessionId}`}>
                  {when}
                </Link>
              </p>
              {week ? (
                <div>
                  <p className="text-lg">
                    <span className="numeral text-2xl">{week.seats.length}</span> seated,{' '}
                    <span className="numeral text-2xl">{plain(week.changeoverMinutes)}</span>{' '}
                    {week.changeoverMinutes === 1 ? 'minute' : 'minutes'} of changeovers
                    {week.optimal ? '' : ' (not proved)'}
                  </p>
                  {week.needles.length > 0 && (
                    <p className="text-sm">
                      Needles: {week.needles.map(({ words, count }) => `${count} × ${words}`).join(', ')}
                    </p>
                  )}
                  {week.unseated.map(({ name, because }) => (
                    <p key={name} className="text-sm">
                      <strong>{name} has no seat.</strong> {because}
                    </p>
                  ))}
                  {week.help.length > 0 && (
                    <p className="text-sm">Would help: {week.help.map(({ words }) => words).join(' · ')}</p>
                  )}
                  {week.runsOut.length > 0 && (
                    <p className="mt-1 border-l-4 border-warning pl-2 font-bold">
                      After this session none is left: {week.runsOut.join(', ')}
                    </p>
                  )}
                </div>
              ) : (
                <p>{planned > 0 ? `${planned} seated as it is planned now` : 'not planned yet'}</p>
              )}
            </li>
          )
        })}
      </ol>
    </>
  )
}
