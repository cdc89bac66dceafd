'use client'

import { Hand, HeartPulse } from 'lucide-react'
import { SEAM_NEAR_MS, type LiveRoom, type LiveSeat, type LiveSession, type SeamSoFar } from '@/core/session/live-room'
import { SeatWay } from '@/ui/drawings/seat-way'
import { StandingShape } from '@/ui/drawings/standing-mark'
import { forSoLong, inMinutes, sinceOf, whereWords } from './live-words'

/** Everybody at a machine; nothing on it moves by itself. */
export function LiveBoard({
  room,
  names,
  nowMs,
  big = false,
}: {
  room: LiveRoom
  names: boolean
  nowMs: number
  /** for a wall: read from three metres away */
  big?: boolean
}) {
  const many = room.sessions.reduce((sum, { seats }) => sum + seats.length, room.open.length)
  return (
    <div
      className={`flex flex-col gap-8 ${big ? (many > 6 ? 'text-[clamp(1rem,1.55vw,2.4rem)]' : 'text-[clamp(1rem,2vw,3rem)]') : ''}`}
    >
      {room.sessions.map((session) => (
        <section key={session.sessionId} aria-label={session.title}>
          <BlockHead session={session} nowMs={nowMs} />
          {session.seam && <Seam seam={session.seam} />}
          <Seats seats={session.seats} names={names} nowMs={nowMs} />
          <Soon session={session} names={names} nowMs={nowMs} />
        </section>
      ))}
      {room.open.length > 0 && (
        <section aria-label="At the machines">
          {room.sessions.length > 0 && <h2 className="mb-2 text-2xl font-bold">Besides</h2>}
          <Seats seats={room.open} names={names} nowMs={nowMs} />
        </section>
      )}
      {many === 0 && (
        <p className="sheet p-8 text-2xl">
          Nobody is at a machine just now. Whoever is given a kit, or has a place in a session that is on, stands here.
        </p>
      )}
    </div>
  )
}

function BlockHead({ session: { title, block, blocks, blockEndsAt }, nowMs }: { session: LiveSession; nowMs: number }) {
  const left = inMinutes(blockEndsAt, nowMs)
  return (
    <h2 className="mb-3 flex flex-wrap items-baseline gap-x-6 text-[1.8em] font-bold">
      {title}
      <span className="text-[0.8em] font-normal">
        {blocks > 1 && `block ${block} of ${blocks}, `}
        {left === 0 ? 'time is up' : `${left} ${left === 1 ? 'minute' : 'minutes'} left`}
      </span>
    </h2>
  )
}

/** The same figures as the changeover's own page: both are told from the books. */
function Seam({ seam: { toBlock, of, ready, open } }: { seam: SeamSoFar }) {
  return (
    <div className="mb-4 text-[1.25em]">
      <p role="status">
        To block {toBlock}:{' '}
        <strong>{ready === of ? 'every machine is changed over' : `${ready} of ${of} machines changed over`}</strong>
        {ready < of && `, still ${open.join(', ')}`}
      </p>
      <progress
        className="progress progress-primary mt-1 h-3 w-full"
        value={ready}
        max={of}
        aria-label="Machines that are changed over"
      />
    </div>
  )
}

function Seats({ seats, names, nowMs }: { seats: readonly LiveSeat[]; names: boolean; nowMs: number }) {
  const urgent = ({ call, stopped }: LiveSeat) =>
    call?.about === 'hurt' ? 0 : call?.about === 'help' ? 1 : stopped ? 2 : 3
  const ordered = [...seats].sort((a, b) => urgent(a) - urgent(b))
  return (
    <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
      {ordered.map((seat) => (
        <li
          key={`${seat.machineId} ${seat.projectId}`}
          className={`sheet flex flex-col gap-1 border-l-8 p-4 ${urgent(seat) < 3 ? 'border-l-secondary' : 'border-l-base-300'}`}
        >
          <p className="flex items-baseline justify-between gap-3">
            <strong className="text-[1.9em] leading-none">{seat.machine}</strong>
            <span className="numeral text-[1.5em]">{seat.number}</span>
          </p>
          {names && <p className="truncate text-[1.3em]">{seat.who}</p>}
          <p className="mt-1 flex items-center gap-2 text-[1.5em] font-semibold leading-tight">
            <Sign seat={seat} />
            {whereWords(seat, names)}
          </p>
          {seat.faults?.words.map((words) => (
            <p key={words} className="font-semibold text-warning">
              {words}
            </p>
          ))}
          <div className="mt-auto flex items-center justify-between gap-4">
            <SeatWay step={seat.step} className="h-[2em] min-w-0 shrink" />
            <span className="shrink-0 text-[1.15em]">{forSoLong(nowMs - Date.parse(sinceOf(seat)))}</span>
          </div>
        </li>
      ))}
    </ul>
  )
}

function Sign({ seat: { call, stopped } }: { seat: LiveSeat }) {
  if (call?.about === 'hurt') return <HeartPulse className="size-[1.2em] shrink-0 text-error" aria-hidden="true" />
  if (call?.about === 'help') return <Hand className="size-[1.2em] shrink-0 text-secondary" aria-hidden="true" />
  if (!stopped) return null
  return (
    <svg viewBox="0 0 24 24" className="size-[1em] shrink-0 text-error" aria-hidden="true">
      <StandingShape standing="stopped" />
    </svg>
  )
}

function Soon({
  session: { next, blockEndsAt, block },
  names,
  nowMs,
}: {
  session: LiveSession
  names: boolean
  nowMs: number
}) {
  const minutes = inMinutes(blockEndsAt, nowMs)
  if (next.length === 0 || minutes > SEAM_NEAR_MS / 60_000) return null
  return (
    <section aria-label="Coming next" className="seam mt-5 pt-3 text-[1.25em]">
      <h3 className="font-bold">
        {minutes === 0 ? `Now block ${block + 1} begins` : `In ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`}
      </h3>
      <ul className="flex flex-wrap gap-x-8 gap-y-1">
        {next.map(({ machineId, machine, who, what }) => (
          <li key={machineId}>
            <strong>{machine}</strong>: {names ? who : what}
          </li>
        ))}
      </ul>
    </section>
  )
}
