'use client'

import { v7 as uuid } from 'uuid'
import type { CommandSent } from '@/core/wire/commands'
import { reachWith } from '../reach'
import { saidOfWrite } from '../said-of-write'
import { dropWaiting, readWaiting, refuseWaiting, underWay } from './waiting'

let landing = false

interface Landed {
  /** that are in their books */
  lines: number
  /** that staff decide about */
  left: number
  /** of others, that staff decide about */
  others: number
}

/** Whoever wrote on this device may come back to it for so long; then staff who hold it are asked. */
const OTHERS_WAIT_MS = 10 * 60_000

export interface Lands {
  readonly personId: string
  /** what is refused is given to staff, who take it or drop it */
  readonly staffDecide: boolean
  /** what waits for others is given to staff, too */
  readonly handsOver: boolean
}

interface Sent {
  readonly commandId: string
  readonly as: string
  readonly body: CommandSent<'log' | 'leave-line' | 'hand-over-line'>
}

/** What the server says of it; undefined while it is away or busy, or nobody is signed in: it waits on. */
async function post(name: 'log' | 'leave-line' | 'hand-over-line', sent: Sent) {
  const { commandId } = sent
  const response = await reachWith(`/api/commands/${name}`, { ...sent, sentAt: new Date().toISOString() }).catch(
    () => undefined,
  )
  if (!response || response.status >= 500 || response.status === 401 || response.status === 429) return undefined
  return saidOfWrite(response, commandId)
}

/**
 * Sends what waits, in the order in which it was written, as whoever wrote it. It stops where the network does; what the
 * server refuses stays with its reason, and what came after it goes on.
 */
export async function landWaiting({ personId, staffDecide, handsOver }: Lands): Promise<Landed> {
  const landed: Landed = { lines: 0, left: 0, others: 0 }
  if (landing) return landed
  landing = true
  try {
    for (const line of await readWaiting()) {
      if (line.refused) continue
      if (line.personId !== personId) {
        if (!handsOver || Date.now() - Date.parse(line.body.happenedAt) < OTHERS_WAIT_MS) continue
        const body = { lineId: line.commandId, personId: line.personId, ...line.body }
        const said = await post('hand-over-line', { commandId: uuid(), as: personId, body })
        if (!said) break
        if ('landed' in said) {
          await dropWaiting(line.seq)
          landed.others += 1
        } else if (said.error.code === 'not-you') break
        else await refuseWaiting(line, said.error)
        continue
      }
      const sent = { commandId: line.commandId, as: personId, body: line.body }
      underWay.add(line.commandId)
      const said = await post('log', sent).finally(() => underWay.delete(line.commandId))
      if (!said) break
      if ('landed' in said) {
        await dropWaiting(line.seq)
        landed.lines += 1
        continue
      }
      // Somebody else is signed in on this device by now: it waits for whoever wrote it.
      if (said.error.code === 'not-you') break
      const left = staffDecide ? await post('leave-line', sent) : said
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
