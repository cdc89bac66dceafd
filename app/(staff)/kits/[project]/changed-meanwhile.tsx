import type { FabricFacts } from '@/ui/parts/fabric-facts'
import { fabricWords } from '@/ui/words'

/** Two changed one bag: both are at hand, and the second chooses. */
export function ChangedMeanwhile({
  theirs,
  takeTheirs,
  keepMine,
}: {
  theirs: FabricFacts
  takeTheirs: () => void
  keepMine: () => void
}) {
  return (
    <div className="my-2 border-l-4 border-warning pl-3">
      <p>
        Somebody has changed this bag: theirs is {fabricWords(theirs.fabric)}, {theirs.operation}. Yours is still in the
        fields.
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        <button type="button" className="btn btn-outline btn-sm" onClick={takeTheirs}>
          Take theirs
        </button>
        <button type="button" className="btn btn-outline btn-sm" onClick={keepMine}>
          Keep mine
        </button>
      </div>
    </div>
  )
}
