import type { PlannedSeat } from '@/core/session/session-schema'
import type { SheetProps } from './sheet-props'

/** The blocks with their times; from here a block begins and its kits are given. */
export function SheetHead({
  blocks,
  running,
  mayGive,
  begun,
  seats,
  busy,
  begin,
  takeBack,
}: Pick<SheetProps, 'blocks' | 'running' | 'mayGive' | 'begun'> & {
  seats: readonly PlannedSeat[]
  busy: boolean
  begin: (block: number) => void
  takeBack: (kitGivenIds: readonly string[]) => void
}) {
  return (
    <thead className="max-lg:hidden">
      <tr>
        <th scope="col" className="w-44 pb-2 text-left">
          Machine
        </th>
        {blocks.map(({ from, to }, index) => (
          <th key={from} scope="col" className="pb-2 text-left">
            <span className="numeral text-xl">
              {from}–{to}
            </span>{' '}
            block {index + 1}
            {running === index + 1 && <span className="text-secondary"> · now</span>}
            {mayGive && seats.some((seat) => seat.block === index + 1) && (
              <button
                type="button"
                className="btn btn-ghost btn-sm ml-2 print:hidden"
                disabled={busy}
                onClick={() => begin(index + 1)}
              >
                Begin: give the kits
              </button>
            )}
            {mayGive && (begun[index + 1]?.length ?? 0) > 0 && (
              <button
                type="button"
                className="btn btn-ghost btn-sm print:hidden"
                disabled={busy}
                onClick={() => takeBack(begun[index + 1]!)}
              >
                Take them back
              </button>
            )}
          </th>
        ))}
      </tr>
    </thead>
  )
}
