'use client'

import type { Fault } from '@/core/schema/invalid'
import { dropWaiting, readWaiting, refuseWaiting, underWay, type WaitingLine } from './waiting'

let landing = false

interface Landed {
  /** that are in their books */
  lines: number
  /** that staff decide about */
  left: number
}

const post = (name: 'log' | 'leave-line', { commandId, personId, body }: WaitingLine): Promise<Response | undefined> =>
  fetch(`/api/commands/${name}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ commandId, as: personId, body }),
  }).catch(() => undefined)

/** Not so while the server is away or busy, or nobody is signed in: it waits on. */
const isSaid = ({ status }: Response): boolean => status < 500 && status !== 401 && status !== 429

/**
 * Sends what waits, in the order in which it was written, as whoever wrote it. It stops where the network does; what the
 * server refuses stays with its reason, and what came after it goes on.
 * @param staffDecide what is refused is given to staff, who take it or drop it
 */
export async function landWaiting(personId: string, staffDecide: boolean): Promise<Landed> {
  if (landing) return { lines: 0, left: 0 }
  landing = true
  const landed: Landed = { lines: 0, left: 0 }
  try {
    for (const line of await readWaiting()) {
      if (line.personId !== personId || line.refused) continue
      underWay.add(line.commandId)
      const response = await post('log', line).finally(() => underWay.delete(line.commandId))
      if (!response || !isSaid(response)) break
      if (response.ok) {
        await dropWaiting(line.seq)
        landed.lines += 1
      } else {
        const { error } = (await response.json()) as { error: Fault }
        // Somebody else is signed in on this device by now: it waits for whoever wrote it.
        if (error.code === 'not-you') break
        const left = staffDecide ? await post('leave-line', line) : response
        if (!left || !isSaid(left)) break
        if (left.ok) {
          await dropWaiting(line.seq)
          landed.left += 1
        } else await refuseWaiting(line, error)
      }
    }
  } finally {
    landing = false
  }
  return landed
}
