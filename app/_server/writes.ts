import 'server-only'
import PQueue from 'p-queue'
import { Refused } from '@/store/refused'
import { ofProcess } from './of-process'

/** Writes at once, fewer than the pool has connections: while some wait for one locked row, everybody else still reads. */
const AT_ONCE = 8
/** More than a whole room writes in a moment. */
const MOST_WAITING = 400

const held = ofProcess<{ writes: PQueue }>()
const writes = () => (held.writes ??= new PQueue({ concurrency: AT_ONCE }))

/** @throws Refused 503 when so many wait already that this one would only make it worse */
export async function inTurn<Answer>(work: () => Promise<Answer>): Promise<Answer> {
  const queue = writes()
  if (queue.size >= MOST_WAITING)
    throw new Refused(503, 'busy', 'Too much is being written just now; it is tried again in a moment')
  return queue.add(work, { throwOnTimeout: true })
}
