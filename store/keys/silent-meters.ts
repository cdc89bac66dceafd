import type { Kysely, Transaction } from 'kysely'
import { SEWING, silentSince } from '@/core/wear/meter'
import type { Database } from '../database'
import { readStanding } from '../machine/standing-lines'
import { readKeys } from './keys'

export interface SilentMeter {
  readonly machineId: string
  /** ISO */
  readonly since: string
}

/** Three lines say that a meter is silent; the newest may have been taken back, and those before them count then. */
const ENOUGH = 12

/** Machines whose run meter tells nothing although they are sewn on, by the book's own rule; of one machine only, where asked. */
export async function readSilentMeters(
  store: Kysely<Database> | Transaction<Database>,
  siteId: string,
  only?: string,
): Promise<SilentMeter[]> {
  const keys = (await readKeys(store, siteId)).filter(
    ({ purpose, endedAt, machineId }) => purpose === 'run-meter' && !endedAt && (!only || machineId === only),
  )
  // A meter that got another key goes on under the newer one, which comes first.
  const meters = new Map(keys.toReversed().map(({ machineId, madeAt }) => [machineId!, madeAt]))
  const found = await Promise.all(
    [...meters].map(async ([machineId, madeAt]) => {
      const machineIds = [machineId]
      const [told, sewn] = await Promise.all([
        readStanding(store, siteId, { kinds: ['used'], machineIds, newest: ENOUGH }),
        readStanding(store, siteId, { kinds: SEWING, machineIds, newest: ENOUGH }),
      ])
      const lines = [...told, ...sewn].map(({ event, happening }) => ({ kind: happening.kind, at: event.happenedAt }))
      const since = silentSince(madeAt.toISOString(), lines)
      return since === undefined ? [] : [{ machineId, since }]
    }),
  )
  return found.flat()
}
