import { useEffect, useRef } from 'react'
import { breachWords, type MoveOption } from '@/core/session/sheet'
import { minutesWords } from './sheet-seat'
import type { SheetLearner, SheetMachine } from './sheet-props'

/** Every place that somebody could have instead, the cheapest first, with what each costs and what speaks against it. */
export function MoveDialog({
  learner,
  options,
  seated,
  machines,
  nameOf,
  choose,
  close,
}: {
  learner: SheetLearner
  options: readonly MoveOption[]
  seated: boolean
  machines: readonly SheetMachine[]
  nameOf: (project: string) => string
  choose: (to: { machine: string; block: number } | undefined) => void
  close: () => void
}) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => dialog.current?.showModal(), [])
  const sorted = [...options].sort(
    (a, b) => Number(a.breaks.length > 0) - Number(b.breaks.length > 0) || a.minutes - b.minutes || a.block - b.block,
  )
  return (
    <dialog
      ref={dialog}
      aria-label={`Where ${learner.learner} sits`}
      className="modal"
      onClose={close}
      onClick={({ target }) => target === dialog.current && dialog.current.close()}
    >
      <div className="modal-box max-w-2xl">
        <h2 className="text-2xl font-bold">Where does {learner.learner} sit?</h2>
        <ul className="mt-3 flex flex-col gap-1">
          {sorted.map(({ machine, block, minutes, breaks, swapsWith }) => {
            const { name } = machines.find(({ machineId }) => machineId === machine)!
            const against = breaks.map((breach) => breachWords(breach, nameOf, () => learner.whyNot[machine]))
            return (
              <li key={`${machine} ${block}`}>
                <button
                  type="button"
                  className="btn btn-ghost h-auto w-full justify-start gap-4 py-2 text-left"
                  onClick={() => choose({ machine, block })}
                >
                  <span className="w-40 shrink-0">
                    <strong>{name}</strong>, block {block}
                  </span>
                  <span className="w-32 shrink-0">{minutesWords(minutes)}</span>
                  <span className={`grow text-sm font-normal ${against.length > 0 ? 'text-error' : ''}`}>
                    {against[0] ?? (swapsWith ? `changes places with ${nameOf(swapsWith)}` : 'free')}
                  </span>
                </button>
              </li>
            )
          })}
        </ul>
        <div className="modal-action">
          {seated && (
            <button type="button" className="btn" onClick={() => choose(undefined)}>
              No seat for now
            </button>
          )}
          <button type="button" className="btn" onClick={() => dialog.current?.close()}>
            Leave it
          </button>
        </div>
      </div>
    </dialog>
  )
}
