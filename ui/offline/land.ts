'use client'

import type { Fault } from '@/core/schema/invalid'
import { dropWaiting, readWaiting, refuseWaiting } from './waiting'

let landing = false

/**
 * Sends what waits, in the order in which it was written, as whoever wrote it. It stops where the network does; what the
 * server refuses stays with its reason, and what came after it goes on.
 * @returns how many landed
 */
export async function landWaiting(personId: string): Promise<number> {
  if (landing) return 0
  landing = true
  let landed = 0
  try {
    for (const line of await readWaiting()) {
      if (line.personId !== personId || line.refused) continue
      const response = await fetch('/api/commands/log', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ commandId: line.commandId, as: line.personId, body: line.body }),
      }).catch(() => undefined)
      // Away, busy or signed out: it waits on.
      if (!response || response.status >= 500 || response.status === 401 || response.status === 429) break
      if (response.ok) {
        await dropWaiting(line.seq)
        landed += 1
      } else {
        const { error } = (await response.json()) as { error: Fault }
        // Somebody else is signed in on this device by now: it waits for whoever wrote it.
        if (error.code === 'not-you') break
        await refuseWaiting(line, error)
      }
    }
  } finally {
    landing = false
  }
  return landed
}
