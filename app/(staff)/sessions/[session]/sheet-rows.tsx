import { useDroppable } from '@dnd-kit/core'
import { Link } from '@/ui/parts/link'
import { plain } from '@/core/units/words'
import type { PlanChange } from '@/core/session/plan-question'
import type { PlannedSeat } from '@/core/session/session-schema'
import { PART_WORDS, placeKey, type MoveOption } from '@/core/session/sheet'
import type { SheetLearner, SheetMachine } from './sheet-props'
import { minutesWords, Seam, SeatCard } from './sheet-seat'

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
  const { machineId, name, number, holds, stopped, faults } = machine
  return (
    <tr className="max-lg:mb-4 max-lg:block">
      <th
        scope="row"
        className="border-t-2 border-dashed border-base-content/40 py-2 pr-3 text-left align-top wrap-anywhere max-lg:block"
      >
        <Link href={`/machines/${machineId}`} className="text-xl font-bold">
          {name}
        </Link>{' '}
        <span className="font-normal">no. {number}</span>
        <span className="block text-sm font-normal">{stopped ? '' : holds}</span>
        {faults.map((words) => (
          <span key={words} className="block text-sm font-semibold text-warning">
            {words}
          </span>
        ))}
        {mayMove && (
          <button
            type="button"
            className="btn btn-ghost btn-xs mt-1 pointer-coarse:min-h-11 print:hidden"
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
