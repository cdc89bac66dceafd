import { v7 as uuid } from 'uuid'
import type { MachineEvent } from '@/core/machine/event'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'

let number = 0

/** A machine with this book, its lines under ids of their own, written in the order in which they stand. @returns its id */
export async function machineWith(store: Store, who: Actor, history: readonly MachineEvent[]): Promise<string> {
  const machineId = uuid()
  number += 1
  const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
  const place = { x: 1, y: 1 }
  await run('add-machine', { machineId, name: `M${number}`, number, place, traits: {}, source: 'manual' })
  const ids = new Map(history.map(({ eventId }) => [eventId, uuid()]))
  for (const { eventId, happenedAt, kind, body } of history) {
    const own = kind === 'correction' ? { ...body, corrects: ids.get(body.corrects) } : body
    await run('log', { machineId, happenedAt, kind, body: own }, ids.get(eventId))
  }
  return machineId
}
