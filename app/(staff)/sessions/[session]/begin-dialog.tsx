import { useEffect, useRef } from 'react'

/** What speaks against giving a block its kits now; whoever knows better goes on. */
export function BeginDialog({
  block,
  against,
  kits,
  begin,
  close,
}: {
  block: number
  against: readonly string[]
  /** how many there are to give */
  kits: number
  begin: () => void
  close: () => void
}) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => dialog.current?.showModal(), [])
  return (
    <dialog ref={dialog} aria-label={`Begin block ${block}?`} className="modal" onClose={close}>
      <div className="modal-box">
        <h2 className="text-2xl font-bold">Begin block {block}?</h2>
        <ul className="mt-2 list-disc pl-5 text-lg">
          {against.map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
        <div className="mt-4 flex flex-wrap gap-3">
          <button type="button" className="btn btn-outline btn-lg" onClick={() => dialog.current?.close()}>
            Not now
          </button>
          {kits > 0 && (
            <button type="button" className="btn btn-primary btn-lg" onClick={begin}>
              Give the kits all the same
            </button>
          )}
        </div>
      </div>
    </dialog>
  )
}
