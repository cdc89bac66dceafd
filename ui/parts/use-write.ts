'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { v7 as uuid } from 'uuid'
import type { EventKind, Happening, LineBody } from '@/core/machine/event'
import type { Fault } from '@/core/schema/invalid'
import type { CommandName, CommandSent } from '@/core/wire/commands'
import { takeBackWaiting } from '../offline/waiting'
import { logLine, send, type Outcome } from '../write'
import { useGo } from './going'

export interface WriteWords {
  /** said when it has landed */
  readonly done: string
  /** the page to go to then */
  readonly then?: string
  /** a line that nobody takes back in passing: somebody was hurt */
  readonly forGood?: true
  /** what went wrong is said until it is put away: nobody may miss it */
  readonly stays?: true
  /** offer to take this line of that machine's book back */
  readonly undoFor?: string
  /** offer to undo it in another way */
  readonly undo?: () => void
}

/** A line whose id follows from what it is about. */
export interface NamedLine {
  readonly machineId: string
  readonly kind: EventKind
  readonly body: Happening['body']
  readonly named: string
}

/**
 * Writes from a screen: one at a time, the same thing tried again under the same id, what was typed kept on failure, and
 * undo in place of "are you sure".
 */
export function useWrite() {
  const router = useRouter()
  const go = useGo()
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<Fault>()
  const tried = useRef<{ readonly what: string; readonly id: string; readonly at: string }>(undefined)

  /** The same thing tried again is the same write, of the same moment. */
  const attempt = (what: string, id?: string) =>
    tried.current?.what === what
      ? tried.current
      : (tried.current = { what, id: id ?? uuid(), at: new Date().toISOString() })

  const settle = (outcome: Outcome, words: WriteWords): boolean => {
    setBusy(false)
    if (!outcome.ok && outcome.error.code === 'id-taken') {
      // Somebody has done this very thing a moment ago.
      tried.current = undefined
      toast.message('Somebody has just done that')
      router.refresh()
      return false
    }
    if (!outcome.ok) {
      setFault(outcome.error)
      // Somebody else was quicker: the page shows theirs, and what was typed stays.
      if (outcome.error.code === 'changed') router.refresh()
      // Signing in opens beside this page: leaving it would lose what was typed.
      const signIn = { label: 'Sign in', onClick: () => void window.open('/sign-in', '_blank') }
      toast.error(outcome.error.message, {
        ...(words.stays && { duration: Infinity, action: { label: 'Put away', onClick: () => undefined } }),
        ...(outcome.error.code === 'signed-out' && { action: signIn }),
      })
      return false
    }
    tried.current = undefined
    if (outcome.waits) {
      const { undoFor: backFrom } = words
      toast.message('Written down here; nobody else sees it until the network is back', {
        ...(backFrom && { action: { label: 'Undo', onClick: () => void undo(backFrom, outcome.commandId) } }),
      })
      if (words.then) go(words.then)
      return true
    }
    const { undoFor, undo: undoOther } = words
    toast.success(words.done, {
      ...(undoOther && { action: { label: 'Undo', onClick: undoOther } }),
      ...(undoFor && { action: { label: 'Undo', onClick: () => void undo(undoFor, outcome.commandId) } }),
    })
    if (words.then) go(words.then)
    router.refresh()
    return true
  }

  const undo = async (machineId: string, eventId: string) => {
    if (await takeBackWaiting(eventId)) {
      toast.message('Taken back; nobody has seen it')
      return
    }
    const outcome = await logLine(
      machineId,
      'correction',
      { corrects: eventId, because: 'Undone at once' },
      'Taken back',
    )
    if (outcome.ok)
      toast.message(
        outcome.waits
          ? 'Taken back here; the book shows both lines once the network is back'
          : 'Taken back; the book shows both lines',
      )
    else toast.error(outcome.error.message)
    router.refresh()
  }

  /** Lines of one tap, one after the other, each under the id that names it: told once, and tried again only those that did not land. */
  const logEach = async (lines: readonly NamedLine[], done: string): Promise<boolean> => {
    setBusy(true)
    setFault(undefined)
    for (const { machineId, kind, body, named } of lines) {
      const outcome = await logLine(machineId, kind, body as LineBody<EventKind>, done, named)
      // Somebody may have ticked one of them a moment ago.
      if (!outcome.ok && outcome.error.code !== 'id-taken') return settle(outcome, { done })
    }
    setBusy(false)
    toast.success(done)
    router.refresh()
    return true
  }

  return {
    busy,
    fault,
    /** what was wrong is settled in another way than by trying again */
    forget: () => setFault(undefined),
    logEach,
    /** @returns the id under which it landed; undefined when it did not */
    write: async <Name extends CommandName>(
      name: Name,
      body: CommandSent<Name>,
      words: WriteWords,
    ): Promise<string | undefined> => {
      setBusy(true)
      setFault(undefined)
      const { id } = attempt(JSON.stringify([name, body]))
      return settle(await send(name, body, id), words) ? id : undefined
    },
    /** @param named the line's id where it follows from what it is about, so that two people who tick it at once tick it once */
    log: async <Kind extends EventKind>(
      machineId: string,
      kind: Kind,
      body: LineBody<Kind>,
      words: WriteWords,
      named?: string,
    ): Promise<boolean> => {
      setBusy(true)
      setFault(undefined)
      const { id, at } = attempt(JSON.stringify([machineId, kind, body, named]), named)
      return settle(
        await logLine(machineId, kind, body, words.done, id, at),
        words.forGood ? words : { ...words, undoFor: machineId },
      )
    },
  }
}
