import { Invalid } from '@/core/schema/invalid'
import { digestOf } from '../keys/keys'
import { notFound } from '../refused'
import { command } from './command'
import { mustHaveMachine } from './machine'

/** Makes a key. Its secret is made by whoever asks and is never kept here, only its digest. */
export const makeKey = command('make-key', async (call, { keyId, purpose, machineId, name, secret }) => {
  const { tx, actor, now } = call
  if ((purpose === 'run-meter') !== (machineId !== undefined)) {
    throw new Invalid('invalid', 'A run meter belongs to one machine; no other key does', 'machineId')
  }
  if (machineId) await mustHaveMachine(call, machineId)
  await tx
    .insertInto('access_key')
    .values({
      site_id: actor.siteId,
      key_id: keyId,
      purpose,
      machine_id: machineId ?? null,
      name,
      secret_digest: digestOf(secret),
      made_by: actor.personId,
      made_at: now,
    })
    .execute()
})

/** Ends a key at once; what it opened stays shut from then on. */
export const endKey = command('end-key', async ({ tx, actor, now }, { keyId }) => {
  const { numUpdatedRows } = await tx
    .updateTable('access_key')
    .set({ ended_at: now })
    .where('site_id', '=', actor.siteId)
    .where('key_id', '=', keyId)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (numUpdatedRows === 0n) throw notFound('key in force', 'keyId')
  // Whoever holds a tablet that is ended holds it no more.
  await tx.deleteFrom('sign_in_session').where('tabletId', '=', keyId).execute()
})
