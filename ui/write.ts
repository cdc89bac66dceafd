'use client'

import retry from 'p-retry'
import { v7 as uuid } from 'uuid'
import type { Correction, EventKind, Happening, LineBody } from '@/core/machine/event'
import { callsSomebody } from '@/core/people/calling'
import { keepWaiting } from './offline/waiting'
import { reachWith } from './reach'
import { saidOfWrite } from './said-of-write'
import type { Fault } from '@/core/schema/invalid'
import type { CommandName, CommandSent } from '@/core/wire/commands'

export type Outcome =
  | {
      readonly ok: true
      readonly commandId: string
      /** it is kept here until the network is back */ readonly waits?: true
    }
  | { readonly ok: false; readonly error: Fault }

/** Asked again twice, after 0.4 and 1.5 seconds. */
const AGAIN = { retries: 2, minTimeout: 400, factor: 3.75 }

/** Whether a write calls somebody to come. */
const calls = <Name extends CommandName>(name: Name, body: CommandSent<Name>): boolean =>
  name === 'call-staff' || (name === 'log' && callsSomebody(body as Happening | Correction))

/**
 * Sends one write. The id is made here, so that trying again over a bad network lands it once. Whoever calls somebody, and does not
 * hear that it landed, is told to go and fetch somebody, whatever stood in the way.
 * @param commandId give the same one to try the very same write again
 */
export async function send<Name extends CommandName>(
  name: Name,
  body: CommandSent<Name>,
  commandId: string = uuid(),
): Promise<Outcome> {
  const outcome = await sendAgain(name, body, commandId)
  if (outcome.ok || !calls(name, body)) return outcome
  const message = `Go and fetch somebody: it may be that nobody was told. ${outcome.error.message}`
  return { ok: false, error: { ...outcome.error, message } }
}

async function sendAgain<Name extends CommandName>(
  name: Name,
  body: CommandSent<Name>,
  commandId: string,
): Promise<Outcome> {
  let said: Fault | undefined
  const once = async (): Promise<Outcome> => {
    // A server that does not answer in time is asked again, with the very same write.
    const response = await reachWith(`/api/commands/${name}`, {
      commandId,
      sentAt: new Date().toISOString(),
      body,
    }).catch((error: unknown) => {
      throw new Error('The network or the server is away', { cause: error })
    })
    const answer = await saidOfWrite(response, commandId)
    if (answer === undefined) throw new Error('Something else answered in the place of the server')
    if ('landed' in answer) return { ok: true, commandId }
    if (response.status < 500) return { ok: false, error: answer.error }
    said = answer.error
    throw new Error(said.message)
  }
  try {
    // A device that knows that it has no network does not wait for one.
    return await retry(once, globalThis.navigator?.onLine === false ? { retries: 0 } : AGAIN)
  } catch {
    const still = calls(name, body) ? '' : ' What you entered is still here; try again.'
    const message = `${said?.message ?? 'The room’s server cannot be reached'}.${still}`
    return { ok: false, error: { code: said?.code ?? 'away', message: message.replace('..', '.'), path: '' } }
  }
}

/** Who is signed in on this page; a line that waits is theirs. */
const whoWrites = (): string | undefined => document.documentElement.dataset['person']

/**
 * Writes one line in a machine's book, now; tried again it is still of the moment when it was first tried. While the server
 * is away it is kept on this device, and lands when the network is back. A call that reaches nobody is not kept for later.
 * @param words what it says, for whoever looks at what waits
 */
export async function logLine<Kind extends EventKind>(
  machineId: string,
  kind: Kind,
  body: LineBody<Kind>,
  words: string,
  commandId: string = uuid(),
  happenedAt: string = new Date().toISOString(),
): Promise<Outcome> {
  const line = { machineId, happenedAt, kind, body }
  const outcome = await send('log', line, commandId)
  if (outcome.ok || outcome.error.code !== 'away' || calls('log', line)) return outcome
  const personId = whoWrites()
  if (!personId) return outcome
  await keepWaiting({ commandId, body: line, personId, words })
  return { ok: true, commandId, waits: true }
}
