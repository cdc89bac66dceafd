import { useDraggable, useDroppable } from '@dnd-kit/core'
import { Pin } from 'lucide-react'
import { plain } from '@/core/units/words'
import type { PlanChange } from '@/core/session/plan-question'
import type { SheetKit, SheetLearner } from './sheet-props'

export const minutesWords = (minutes: number): string =>
  minutes === 0 ? 'no minute more' : `${minutes > 0 ? '+' : '−'}${plain(Math.abs(minutes))} min`

/** A changeover as a seam: one stitch a minute. */
export function Seam({ change }: { change: PlanChange | undefined }) {
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

/** A finger that holds still on it lifts it: no text is chosen and no menu comes instead. */
const CARRIED = 'cursor-grab touch-manipulation select-none [-webkit-touch-callout:none]'

export function SeatCard({
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
      className={`flex items-start gap-2 border-2 bg-base-100 px-2 py-1 ${broken ? 'border-error' : pinned ? 'border-primary' : 'border-base-300'} ${isDragging ? 'opacity-40' : ''} ${mayMove ? CARRIED : ''}`}
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
        <div className="flex flex-col items-end gap-1 pointer-coarse:flex-row print:hidden">
          <button
            type="button"
            className="btn btn-ghost btn-xs whitespace-nowrap pointer-coarse:min-h-11"
            aria-label={`Move ${name} from ${place} …`}
            onClick={() => open(projectId)}
          >
            Move …
          </button>
          <button
            type="button"
            className={`btn btn-xs pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${pinned ? 'btn-primary' : 'btn-ghost'}`}
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
      className={`flex items-center gap-2 border-2 border-base-300 bg-base-100 px-2 py-1 ${mayMove ? CARRIED : ''}`}
    >
      <p className="grow">
        <strong>{name}</strong> {what}
      </p>
      {mayMove && (
        <button
          type="button"
          className="btn btn-ghost btn-xs pointer-coarse:min-h-11 print:hidden"
          aria-label={`Seat ${name} …`}
          onClick={() => open(projectId)}
        >
          Seat …
        </button>
      )}
    </div>
  )
}
