'use client'

import retry from 'p-retry'
import { v7 as uuid } from 'uuid'
import type { EventKind, LineBody } from '@/core/machine/event'
import type { Fault } from '@/core/schema/invalid'
import type { CommandName, CommandSent } from '@/core/wire/commands'

export type Outcome = { readonly ok: true; readonly commandId: string } | { readonly ok: false; readonly error: Fault }

/** Asked again twice, after 0.4 and 1.5 seconds. */
const AGAIN = { retries: 2, minTimeout: 400, factor: 3.75 }
/** A server that does not answer in this time is asked again, with the very same write. */
const LONGEST_MS = 12_000

/**
 * Sends one write. The id is made here, so that trying again over a bad network lands it once.
 * @param commandId give the same one to try the very same write again
 */
export async function send<Name extends CommandName>(
  name: Name,
  body: CommandSent<Name>,
  commandId: string = uuid(),
): Promise<Outcome> {
  let said: Fault | undefined
  const once = async (): Promise<Outcome> => {
    const response = await fetch(`/api/commands/${name}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ commandId, body }),
      signal: AbortSignal.timeout(LONGEST_MS),
    }).catch((error: unknown) => {
      throw new Error('The network or the server is away', { cause: error })
    })
    if (response.ok) return { ok: true, commandId }
    const answer = (await response.json()) as { error: Fault }
    if (response.status < 500) return { ok: false, error: answer.error }
    said = answer.error
    throw new Error(said.message)
  }
  try {
    return await retry(once, AGAIN)
  } catch {
    const message = `${said?.message ?? 'The room’s server cannot be reached'}. What you entered is still here; try again.`
    return { ok: false, error: { code: said?.code ?? 'away', message: message.replace('..', '.'), path: '' } }
  }
}

/** Writes one line in a machine's book, now; tried again it is still of the moment when it was first tried. */
export const logLine = <Kind extends EventKind>(
  machineId: string,
  kind: Kind,
  body: LineBody<Kind>,
  commandId: string = uuid(),
  happenedAt: string = new Date().toISOString(),
): Promise<Outcome> => send('log', { machineId, happenedAt, kind, body }, commandId)
