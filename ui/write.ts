'use client'

import { v7 as uuid } from 'uuid'
import type { Fault } from '@/core/schema/invalid'

export type Outcome = { readonly ok: true; readonly commandId: string } | { readonly ok: false; readonly error: Fault }

const PAUSES_MS = [0, 400, 1500]

/**
 * Sends one write. The id is made here, so that trying again over a bad network lands it once.
 * @param commandId give the same one to try the very same write again
 */
export async function send(name: string, body: object, commandId: string = uuid()): Promise<Outcome> {
  for (const pause of PAUSES_MS) {
    if (pause > 0) await new Promise((resolve) => setTimeout(resolve, pause))
    try {
      const response = await fetch(`/api/commands/${name}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ commandId, body }),
      })
      if (response.ok) return { ok: true, commandId }
      const answer = (await response.json()) as { error: Fault }
      if (response.status < 500) return { ok: false, error: answer.error }
    } catch {
      // The network or the server is away: the same write is tried again below.
    }
  }
  return {
    ok: false,
    error: {
      code: 'away',
      message: 'The room’s server cannot be reached. What you entered is still here; try again.',
      path: '',
    },
  }
}

/** Writes one line in a machine's book, now. */
export const logLine = (machineId: string, kind: string, body: object, commandId: string = uuid()): Promise<Outcome> =>
  send('log', { machineId, happenedAt: new Date().toISOString(), kind, body }, commandId)
