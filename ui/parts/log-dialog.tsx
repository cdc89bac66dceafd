'use client'

import { useEffect, useId, useMemo, useRef, useState } from 'react'
import { readCode } from '@/core/code/code'
import { eventWords, writersOf } from '@/core/machine/event'
import { readLogLine, type LineFault } from '@/core/log-line/log-line'

import { FaultNote } from './fault-note'
import { useGo } from './going'
import { useKept } from './use-kept'
import type { Answered } from '@/core/wire/asks'
import { ask } from '../ask'
import { useWrite } from './use-write'
import { nameKey } from '@/core/people/same-name'

const MOST = 10
/** A server that was away is asked for the room’s words again. */
const AGAIN_MS = 5_000

/** One typed line: a machine, what happened, and what belongs to it. It is shown in words before it lands. */
export function LogDialog({ here, close }: { here?: string; close: () => void }) {
  const [text, keepText] = useKept<string>('log-line', '')
  const [room, setRoom] = useState<Answered<'line-facts'>>()
  const [away, setAway] = useState(false)
  const dialog = useRef<HTMLDialogElement>(null)
  const input = useRef<HTMLInputElement>(null)
  const form = useRef<HTMLFormElement>(null)
  /** the line on which Enter was pressed before the room's words had come */
  const wanted = useRef<string>(undefined)
  const go = useGo()
  const { busy, fault, log } = useWrite()
  const id = useId()

  useEffect(() => {
    dialog.current?.showModal()
    input.current?.focus()
    let again: ReturnType<typeof setTimeout>
    let closed = false
    const look = async () => {
      const asked = await ask('line-facts')
      if (closed) return
      setAway(!asked.ok)
      if (asked.ok) setRoom(asked.answer)
      else again = setTimeout(() => void look(), AGAIN_MS)
    }
    void look()
    return () => {
      closed = true
      clearTimeout(again)
    }
  }, [])

  const read = useMemo(
    () =>
      room &&
      readLogLine(text, {
        machines: room.machines,
        may: (kind) => writersOf(kind).includes(room.role),
        ...(here && { here }),
      }),
    [room, text, here],
  )
  useEffect(() => {
    if (!read || wanted.current === undefined) return
    // Another line by now is another wish.
    if (wanted.current === text) form.current?.requestSubmit()
    wanted.current = undefined
  }, [read, text])

  const code = readCode(text)
  const begun = /\S+$/.exec(text)?.[0] ?? ''
  const next = (read?.next ?? []).filter((word) => nameKey(word).startsWith(begun && nameKey(begun))).slice(0, MOST)
  const words = read?.happening && eventWords(read.happening)

  const take = (word: string) => {
    keepText(`${text.slice(0, text.length - begun.length)}${word} `)
    input.current?.focus()
  }
  const land = async () => {
    if (code) {
      close()
      go(`/open/${code.code}`)
      return
    }
    if (!read?.machine || !read.happening || read.fault) return
    const { machineId, name } = read.machine
    const done = `${name}: ${eventWords(read.happening).title}`
    if (await log(machineId, read.happening.kind, read.happening.body, { done })) {
      keepText(undefined)
      close()
    }
  }

  return (
    <dialog ref={dialog} className="modal" aria-labelledby={`${id}-title`} onClose={close}>
      <form
        ref={form}
        className="modal-box sheet max-w-2xl p-6"
        onSubmit={(submitted) => {
          submitted.preventDefault()
          void land()
        }}
      >
        <h2 id={`${id}-title`} className="text-2xl font-bold">
          What happened?
        </h2>
        <label className="mt-3 flex flex-col gap-1">
          <span className="text-sm">
            A machine, what happened, and what belongs to it; or a label’s code. Tab takes the first word offered.
          </span>
          <input
            ref={input}
            className="input input-lg w-full font-mono"
            aria-label="A line for the book"
            aria-describedby={`${id}-said`}
            autoComplete="off"
            autoCapitalize="off"
            spellCheck={false}
            maxLength={400}
            value={text}
            placeholder="heron needle ballpoint 80 blunt"
            onChange={({ target }) => keepText(target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && !room && !away && !code) {
                event.preventDefault()
                wanted.current = text
              }
              if (event.key !== 'Tab' || event.shiftKey || begun === '') return
              // Before the room's words have come, Tab waits for them and does not leave the line.
              if (!room && !away) event.preventDefault()
              if (next.length === 0) return
              event.preventDefault()
              take(next[0]!)
            }}
          />
        </label>
        <div id={`${id}-said`} aria-live="polite" className="mt-3 min-h-20">
          {away && <p className="text-error">The room’s server cannot be reached; what you typed stays here.</p>}
          {code && (
            <p>
              Opens the thing with the label <strong className="font-mono">{code.code}</strong>.
            </p>
          )}
          {!code && words && read?.machine && !read.fault && (
            <p className="text-lg">
              <strong>{read.machine.name}</strong>: <strong>{words.title}</strong>
              <span className="block">{words.detail}</span>
            </p>
          )}
          {!code && read?.fault && text.trim() !== '' && <Pointed text={text} fault={read.fault} />}
          <FaultNote fault={fault} />
        </div>
        {next.length > 0 && (
          <ul className="mt-2 flex flex-wrap gap-2" aria-label="What could come next">
            {next.map((word) => (
              <li key={word}>
                <button type="button" className="btn btn-outline btn-sm" onClick={() => take(word)}>
                  {word}
                </button>
              </li>
            ))}
          </ul>
        )}
        <div className="mt-4 flex gap-2">
          <button
            type="submit"
            className="btn btn-primary btn-lg"
            disabled={busy || !(code || (read?.happening && !read.fault))}
          >
            {code ? 'Open it' : 'Write it down'}
          </button>
          <button type="button" className="btn btn-ghost btn-lg" onClick={close}>
            Later
          </button>
        </div>
      </form>
    </dialog>
  )
}

/** The line with the word that is wrong underlined, and why. */
function Pointed({ text, fault }: { text: string; fault: LineFault }) {
  return (
    <p className="text-warning">
      <span className="font-mono">
        {text.slice(0, fault.from)}
        <mark className="bg-transparent text-warning underline decoration-wavy">
          {text.slice(fault.from, fault.to) || ' …'}
        </mark>
        {text.slice(fault.to)}
      </span>
      <span className="block">{fault.message}</span>
    </p>
  )
}
