'use client'

import { reachWith } from '../reach'
import { saidOfWrite } from '../said-of-write'
import { dropWaiting, readWaiting, refuseWaiting, underWay, type WaitingLine } from './waiting'

let landing = false

interface Landed {
  /** that are in their books */
  lines: number
  /** that staff decide about */
  left: number
}

/** What the server says of it; undefined while it is away or busy, or nobody is signed in: it waits on. */
async function post(name: 'log' | 'leave-line', { commandId, personId, body }: WaitingLine) {
  const response = await reachWith(`/api/commands/${name}`, { commandId, as: personId, body }).catch(() => undefined)
  if (!response || response.status >= 500 || response.status === 401 || response.status === 429) return undefined
  return saidOfWrite(response, commandId)
}

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
      const said = await post('log', line).finally(() => underWay.delete(line.commandId))
      if (!said) break
      if ('landed' in said) {
        await dropWaiting(line.seq)
        landed.lines += 1
        continue
      }
      // Somebody else is signed in on this device by now: it waits for whoever wrote it.
      if (said.error.code === 'not-you') break
      const left = staffDecide ? await post('leave-line', line) : said
      if (!left) break
      if ('landed' in left) {
        await dropWaiting(line.seq)
        landed.left += 1
      } else await refuseWaiting(line, said.error)
    }
  } finally {
    landing = false
  }
  return landed
}
