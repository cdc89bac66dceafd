'use client'

import { Fragment, useEffect, useRef, useState } from 'react'
import { createPortal } from 'react-dom'
import type { TradeWord } from '@/core/knowledge/trade-word'
import { explainable } from '../explainable'

/** A sentence in which each word of the trade can be tapped and is told in plain words. */
export function Explained({ text }: { text: string }) {
  const [open, setOpen] = useState<TradeWord>()
  return (
    <>
      {explainable(text).map((part, index) =>
        part.word ? (
          <button
            key={index}
            type="button"
            aria-haspopup="dialog"
            className="cursor-help underline decoration-dotted decoration-2 underline-offset-4"
            onClick={() => setOpen(part.word)}
          >
            {part.text}
          </button>
        ) : (
          <Fragment key={index}>{part.text}</Fragment>
        ),
      )}
      {open && createPortal(<Told word={open} close={() => setOpen(undefined)} />, document.body)}
    </>
  )
}

function Told({ word, close }: { word: TradeWord; close: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => dialog.current?.showModal(), [])
  return (
    <dialog
      ref={dialog}
      aria-labelledby="told-word"
      className="m-auto w-[calc(100%-2rem)] max-w-sm rounded-lg border-2 border-base-content bg-base-100 p-5 text-lg text-base-content backdrop:bg-black/40"
      onClose={close}
      onClick={(event) => event.target === dialog.current && dialog.current.close()}
    >
      <h2 id="told-word" className="text-xl font-bold first-letter:uppercase">
        {word.word}
      </h2>
      <p className="mt-1">{word.means}</p>
      <button type="button" className="btn btn-lg btn-block mt-4" onClick={() => dialog.current?.close()}>
        I see
      </button>
    </dialog>
  )
}
