import { useDraggable, useDroppable } from '@dnd-kit/core'
import { Pin } from 'lucide-react'
import Link from 'next/link'
import { plain } from '@/core/units/words'
import type { PlanChange } from '@/core/session/plan-question'
import type { PlannedSeat } from '@/core/session/session-schema'
import { PART_WORDS, placeKey, type MoveOption } from '@/core/session/sheet'
import type { SheetKit, SheetLearner, SheetMachine } from './sheet-props'

interface RowProps {
  readonly machine: SheetMachine
  readonly blocks: readonly { readonly from: string; readonly to: string }[]
  readonly seatAt: (machineId: string, block: number) => readonly PlannedSeat[]
  readonly who: ReadonlyMap<string, SheetLearner>
  readonly changes: ReadonlyMap<string, PlanChange>
  readonly broken: ReadonlySet<string>
  /** while somebody is carried, what each place would cost them */
  readonly options: ReadonlyMap<string, MoveOption>
  readonly leftOut: boolean
  readonly mayMove: boolean
  readonly open: (project: string) => void
  readonly pin: (project: string) => void
  readonly leaveOut: (machineId: string) => void
  readonly busy: boolean
}

/** One machine's session: what is in it, and its seats with the seams between them. */
export function MachineRow(props: RowProps) {
  const { machine, blocks, leftOut, mayMove, leaveOut, busy } = props
  const { machineId, name, number, holds, stopped } = machine
  return (
    <tr className="max-lg:mb-4 max-lg:block">
      <th
        scope="row"
        className="border-t-2 border-dashed border-base-content/40 py-2 pr-3 text-left align-top wrap-anywhere max-lg:block"
      >
        <Link href={`/machines/${machineId}`} className="text-xl font-bold" prefetch={false}>
          {name}
        </Link>{' '}
        <span className="font-normal">no. {number}</span>
        <span className="block text-sm font-normal">{stopped ? '' : holds}</span>
        {mayMove && (
          <button
            type="button"
            className="btn btn-ghost btn-xs mt-1 print:hidden"
            disabled={busy}
            onClick={() => leaveOut(machineId)}
          >
            {leftOut ? `Take ${name} in again` : `Leave ${name} out`}
          </button>
        )}
      </th>
      {blocks.map(({ from }, index) => (
        <PlaceCell key={from} {...props} block={index + 1} />
      ))}
    </tr>
  )
}

function PlaceCell({
  machine,
  block,
  seatAt,
  who,
  changes,
  broken,
  options,
  mayMove,
  open,
  pin,
  blocks,
}: RowProps & { readonly block: number }) {
  const { machineId, name, stopped } = machine
  const key = placeKey(machineId, block)
  const { setNodeRef, isOver } = useDroppable({ id: key, disabled: stopped !== undefined })
  const option = options.get(key)
  const change = changes.get(key)
  const seats = seatAt(machineId, block)
  return (
    <td
      ref={setNodeRef}
      className={`relative border-t-2 border-dashed border-base-content/40 py-2 pr-3 align-top max-lg:block max-lg:border-t ${isOver ? 'bg-base-300' : ''}`}
    >
      <span className="text-sm lg:hidden">
        {blocks[block - 1]!.from}, block {block}
      </span>
      {stopped && block === 1 && <p className="text-sm text-error">{stopped}</p>}
      {(!stopped || seats.length > 0) && (
        <div className="flex min-h-20 items-stretch gap-2">
          <Seam change={change} />
          <div className="flex min-w-0 grow flex-col gap-1 wrap-anywhere">
            {seats.map((seat) => {
              const learner = who.get(seat.projectId)
              return learner ? (
                <SeatCard
                  key={seat.projectId}
                  learner={learner}
                  place={`${name}, block ${block}`}
                  kit={learner.kits[machineId]}
                  pinned={seat.pinned ?? false}
                  broken={broken.has(seat.projectId)}
                  mayMove={mayMove}
                  open={open}
                  pin={pin}
                />
              ) : (
                <p key={seat.projectId} className="text-sm">
                  Somebody who does not come
                </p>
              )
            })}
            {seats.length === 0 && !stopped && <p className="self-center text-sm opacity-70">free</p>}
            {change && (
              <p className="text-sm">
                {plain(change.minutes)} min: {change.parts.map((part) => PART_WORDS[part]).join(', ')}
              </p>
            )}
          </div>
        </div>
      )}
      {option && <Cost option={option} />}
    </td>
  )
}

/** What a place would cost whoever is carried: minutes and, where it cannot be, that it cannot. */
function Cost({ option: { minutes, breaks } }: { option: MoveOption }) {
  return (
    <span
      className={`absolute top-2 right-2 rounded bg-base-100 px-2 py-1 font-bold shadow ${breaks.length > 0 ? 'text-error' : ''}`}
    >
      {breaks.length > 0 ? '✕' : minutesWords(minutes)}
    </span>
  )
}

export const minutesWords = (minutes: number): string =>
  minutes === 0 ? 'no minute more' : `${minutes > 0 ? '+' : '−'}${plain(Math.abs(minutes))} min`

/** A changeover as a seam: one stitch a minute. */
function Seam({ change }: { change: PlanChange | undefined }) {
  const minutes = change?.minutes ?? 0
  const height = 72
  return (
    <svg viewBox={`0 0 8 ${height}`} className="h-auto w-2 shrink-0 text-secondary" aria-hidden="true">
      {minutes === 0 ? (
        <line x1="4" y1="2" x2="4" y2={height - 2} stroke="currentColor" strokeWidth="1" opacity="0.35" />
      ) : (
        Array.from({ length: Math.ceil(minutes) }, (_, index) => (
          <line
            key={index}
            x1="4"
            x2="4"
            y1={2 + index * 6}
            y2={2 + index * 6 + 4 * Math.min(1, minutes - index)}
            stroke="currentColor"
            strokeWidth="3"
          />
        ))
      )}
    </svg>
  )
}

function SeatCard({
  learner,
  place,
  kit,
  pinned,
  broken,
  mayMove,
  open,
  pin,
}: {
  learner: SheetLearner
  place: string
  kit: SheetKit | undefined
  pinned: boolean
  broken: boolean
  mayMove: boolean
  open: (project: string) => void
  pin: (project: string) => void
}) {
  const { projectId, learner: name, what } = learner
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: projectId, disabled: !mayMove })
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      className={`flex items-start gap-2 border-2 bg-base-100 px-2 py-1 ${broken ? 'border-error' : pinned ? 'border-primary' : 'border-base-300'} ${isDragging ? 'opacity-40' : ''} ${mayMove ? 'cursor-grab touch-manipulation' : ''}`}
    >
      <div className="min-w-0 grow">
        <p>
          <strong className="text-lg">{name}</strong> <span>{what}</span>
        </p>
        <p className="text-sm">
          {kit?.words}
          {kit?.staff && <strong> · staff stay with {name}</strong>}
          {kit?.byHand && <span> · {kit.byHand}</span>}
        </p>
        {kit?.dropped?.map((said) => (
          <p key={said} className="border-l-4 border-error pl-2 text-sm font-semibold">
            {said}
          </p>
        ))}
        {broken && <p className="text-sm font-bold text-error">does not go together: see above</p>}
      </div>
      {mayMove && (
        <div className="flex flex-col items-end gap-1 print:hidden">
          <button
            type="button"
            className="btn btn-ghost btn-xs whitespace-nowrap"
            aria-label={`Move ${name} from ${place} …`}
            onClick={() => open(projectId)}
          >
            Move …
          </button>
          <button
            type="button"
            className={`btn btn-xs ${pinned ? 'btn-primary' : 'btn-ghost'}`}
            aria-pressed={pinned}
            aria-label={`${name} stays at ${place}`}
            onClick={() => pin(projectId)}
          >
            <Pin className="size-4" aria-hidden="true" />
          </button>
        </div>
      )}
      {pinned && <span className="hidden print:inline">pinned</span>}
    </div>
  )
}

/** Those who have no seat, and why. */
export function Tray({
  projects,
  who,
  because,
  mayMove,
  open,
}: {
  projects: readonly string[]
  who: ReadonlyMap<string, SheetLearner>
  because: ReadonlyMap<string, string>
  mayMove: boolean
  open: (project: string) => void
}) {
  const { setNodeRef, isOver } = useDroppable({ id: 'tray' })
  if (projects.length === 0) return <div ref={setNodeRef} />
  return (
    <section
      ref={setNodeRef}
      aria-label="Without a seat"
      className={`mt-4 border-2 border-dashed border-base-content/40 p-3 ${isOver ? 'bg-base-300' : ''}`}
    >
      <h2 className="font-bold">Without a seat</h2>
      <ul className="mt-1 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {projects.map((project) => {
          const learner = who.get(project)
          return (
            learner && (
              <li key={project}>
                <TrayCard learner={learner} mayMove={mayMove} open={open} />
                {because.has(project) && <p className="mt-1 text-sm">{because.get(project)}</p>}
              </li>
            )
          )
        })}
      </ul>
    </section>
  )
}

function TrayCard({
  learner: { projectId, learner: name, what },
  mayMove,
  open,
}: {
  learner: SheetLearner
  mayMove: boolean
  open: (project: string) => void
}) {
  const { setNodeRef, listeners } = useDraggable({ id: projectId, disabled: !mayMove })
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      className="flex items-center gap-2 border-2 border-base-300 bg-base-100 px-2 py-1"
    >
      <p className="grow">
        <strong>{name}</strong> {what}
      </p>
      {mayMove && (
        <button
          type="button"
          className="btn btn-ghost btn-xs print:hidden"
          aria-label={`Seat ${name} …`}
          onClick={() => open(projectId)}
        >
          Seat …
        </button>
      )}
    </div>
  )
}
