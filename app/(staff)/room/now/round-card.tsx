'use client'

import { Link } from '@/ui/parts/link'
import { useState } from 'react'
import { Tick } from '@/ui/fields/choice'
import { Count } from '@/ui/fields/number'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import type { RoundStop } from '@/core/session/round'
import { SeatWay } from '@/ui/drawings/seat-way'
import type { SeatFacts } from '../../../_server/round'
import type { AtTheirSide } from '../../../_server/at-their-side'
import { QuickLog } from '../../../_parts/quick-log'
import { SwatchReader, type ReaderProps } from '../../../_parts/seat/swatch-reader'
import { InPlace } from './in-place'
import { MoveTo } from './move-to'
import { SignOffHere } from './sign-off-here'
import { whereWords } from '../../../_parts/live/live-words'

/** Longer than this nobody sat at one machine in one go. */
const MOST_MINUTES = 240

export interface RoundCardProps {
  readonly stop: RoundStop
  readonly facts: SeatFacts
  /** whether this person is on their way there */
  readonly going: boolean
  /** how many come after them */
  readonly others: number
  readonly nowMs: number
  readonly may: { readonly signOff: boolean; readonly giveKits: boolean; readonly turnScrew: boolean }
  /** whether dials are turned by learners here */
  readonly school: ReaderProps['school']
  /** what is done there in place, once they are on their way */
  readonly beside?: AtTheirSide
  readonly putOff: () => void
}

/** The best next person, why they, and what is done there, in place. */
export function RoundCard({
  stop: { seat, because },
  facts,
  going,
  others,
  nowMs,
  may,
  school,
  beside,
  putOff,
}: RoundCardProps) {
  const { busy, fault, write } = useWrite()
  const { machineId, machine, number, who, what, personId, projectId, call } = seat
  return (
    <section className="sheet mb-8 p-5" aria-label="Go next to">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
        <div className="min-w-64 flex-1">
          <p className="text-sm">{going ? 'You are going to' : 'Go next to'}</p>
          <h2 className="text-3xl font-bold">
            {who}{' '}
            <span className="font-normal">
              at {machine}, no. {number}
            </span>
          </h2>
          <p className="mt-1 text-lg">
            {what} · {whereWords(seat)}
          </p>
          <ul className="mt-2 list-disc pl-5 text-lg">
            {because.map((why) => (
              <li key={why}>{why}</li>
            ))}
          </ul>
        </div>
        <div className="flex max-w-full flex-col items-stretch gap-2">
          <SeatWay step={seat.step} words className="mb-1 h-14 max-w-full" />
          {going && call ? (
            <button
              type="button"
              className="btn btn-primary btn-lg"
              disabled={busy}
              onClick={() => void write('end-call', { callId: call.callId }, { done: `You have been with ${who}` })}
            >
              I have been there
            </button>
          ) : (
            <>
              <button
                type="button"
                className="btn btn-primary btn-lg"
                disabled={busy}
                onClick={() =>
                  void write('visit-seat', { machineId, personId }, { done: `${who} sees that you are coming` })
                }
              >
                I am going
              </button>
              {/* Whoever is hurt is put off by nobody. */}
              {call?.about !== 'hurt' && (
                <button type="button" className="btn btn-ghost min-h-11" onClick={putOff}>
                  {others > 0 ? `Later: ${others} more ${others === 1 ? 'waits' : 'wait'}` : 'Later'}
                </button>
              )}
            </>
          )}
        </div>
      </div>
      {going && (
        <div className="seam mt-4 pt-4">
          <SewnNow
            machineId={machineId}
            projectId={projectId}
            load={facts.load}
            minutes={Math.min(MOST_MINUTES, Math.max(1, Math.round((nowMs - Date.parse(seat.from)) / 60_000)))}
          />
          {may.signOff && facts.maySign && (
            <InPlace words={`Sign off: ${facts.maySign.words}`}>
              <SignOffHere personId={personId} who={who} maySign={facts.maySign} busy={busy} write={write} />
            </InPlace>
          )}
          <QuickLog machineId={machineId} tagged={seat.stopped !== undefined} oiling={facts.oiling} />
          {beside?.swatch && (
            <InPlace words="Read the swatch">
              <SwatchReader
                {...beside.swatch}
                role="staff"
                mayTurnScrew={may.turnScrew}
                school={school}
                homeHref="/room/now"
                faultHref={`/machines/${machineId}/fault`}
                curveHref={`/machines/${machineId}/curve`}
              />
            </InPlace>
          )}
          {may.giveKits && beside && (
            <InPlace words="To another machine">
              <MoveTo who={who} projectId={projectId} moves={beside.moves} />
            </InPlace>
          )}
          <p className="mt-3 flex flex-wrap gap-x-6">
            <Link className="link inline-flex min-h-11 items-center" href={`/machines/${machineId}/fault`}>
              What is wrong with it
            </Link>
            <Link className="link inline-flex min-h-11 items-center" href={`/kits/${projectId}`}>
              The bag
            </Link>
            <Link
              className="link inline-flex min-h-11 items-center font-semibold text-error"
              href={`/hurt?machine=${machineId}`}
            >
              Somebody is hurt
            </Link>
          </p>
        </div>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}

/** What the needle did in this turn: reckoned from when they sat down, said in one tap, and changed where it was otherwise. */
function SewnNow({
  machineId,
  projectId,
  load,
  minutes,
}: {
  machineId: string
  projectId: string
  load: SeatFacts['load']
  minutes: number
}) {
  const { busy, fault, log } = useWrite()
  const [said, setSaid] = useState<number>()
  const [finished, setFinished] = useState(false)
  const chairMinutes = said ?? minutes
  return (
    <form
      className="flex flex-wrap items-end gap-x-5 gap-y-2"
      aria-label="What the needle did"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void log(
          machineId,
          'used',
          { use: { load, chairMinutes }, finishedProject: finished, projectId },
          { done: 'Sewing time written down' },
        )
      }}
    >
      <Count label="Minutes in the chair" min={1} max={600} value={chairMinutes} set={setSaid} />
      <Tick label="The project is finished" value={finished} set={setFinished} />
      <button type="submit" className="btn btn-outline" disabled={busy}>
        Write down {chairMinutes} min of {load} cloth
      </button>
      <FaultNote fault={fault} />
    </form>
  )
}
