import type { PersonEventKind } from '@/core/people/progress'
import { command, type CommandCall } from './command'
import { holdPerson } from './people'

async function write(call: CommandCall, personId: string, kind: PersonEventKind, body: object): Promise<void> {
  await call.tx
    .insertInto('person_event')
    .values({
      site_id: call.actor.siteId,
      event_id: call.commandId,
      person_id: personId,
      kind,
      body: JSON.stringify(body),
      happened_at: call.now,
      written_by: call.actor.personId,
    })
    .execute()
}

/** Somebody did an exercise; always their own. */
export const logProgress = command('log-progress', (call, body) =>
  write(call, call.actor.personId, 'exercise-done', body),
)

/** Staff say that somebody can do something on a kind of machine, or say so no more. */
export const signOff = command('sign-off', async (call, { personId, withdrawn, answered, ...what }) => {
  await holdPerson(call, personId)
  if (withdrawn) await write(call, personId, 'sign-off-withdrawn', what)
  else await write(call, personId, 'signed-off', { ...what, ...(answered !== undefined && { answered }) })
})
