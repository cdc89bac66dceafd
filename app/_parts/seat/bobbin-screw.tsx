import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** How far the screw may go between two swatches, in eighths of a turn. */
const MOST_EIGHTHS = 2

const TURNS = Array.from({ length: MOST_EIGHTHS }, (_, index) => index + 1).flatMap((count) => [
  { eighths: count, words: `${count}⁄8 tighter` },
  { eighths: -count, words: `${count}⁄8 looser` },
])

/** Turning the bobbin screw is counted: one tap writes down how far, and a whole swatch follows. */
export function BobbinScrew({ machineId, mayTurn }: { machineId: string; mayTurn: boolean }) {
  const { busy, fault, log } = useWrite()
  if (!mayTurn) return <p className="mt-1 text-sm">The coordinator turns it, in counted eighths.</p>
  return (
    <fieldset className="mt-2" disabled={busy}>
      <legend className="text-sm">
        Mark where its slot stands, turn it an eighth at a time, and write down how far. Then sew a whole swatch.
      </legend>
      <div className="mt-2 flex flex-wrap gap-2">
        {TURNS.map(({ eighths, words }) => (
          <button
            key={eighths}
            type="button"
            className="btn btn-outline"
            onClick={() =>
              void log(
                machineId,
                'bobbin-screw-turned',
                { eighths, because: 'the dial was at its end' },
                { done: `Written down: ${words}` },
              )
            }
          >
            {words}
          </button>
        ))}
      </div>
      <FaultNote fault={fault} />
    </fieldset>
  )
}
