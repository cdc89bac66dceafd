'use client'

import type { Fault } from '@/core/schema/invalid'
import type { Sent } from '@/core/schema/sent'
import { ASK_PATHS, type AskName } from '@/core/wire/ask-paths'
import type { Answered, Asked, LineOf, LinesAsk, WholeAsk } from '@/core/wire/asks'
import type { EntryAnswer, EntryBody, EntryName } from '@/core/wire/entries'
import { eachLine } from './lines'
import { LATE_MS, reach, reachWith } from './reach'

interface How<Name extends AskName> {
  /** what stands in the braces of its path */
  readonly at?: Readonly<Record<string, string>>
  /** what stands behind the question mark */
  readonly query?: Readonly<Record<string, string>>
  readonly body?: Sent<Asked<Name>>
  readonly signal?: AbortSignal
}

type TakenLine<Name extends LinesAsk> = Exclude<LineOf<Name>, { readonly error: unknown }> & object

/** A plan is looked for as long as it takes; nobody waits for one that takes longer than this. */
const LONG_WORK_MS = 10 * 60_000

const AWAY: Fault = {
  code: 'away',
  message: 'The room’s server cannot be reached. What you entered is still here; try again.',
  path: '',
}

function request<Name extends AskName>(
  name: Name,
  { at = {}, query, body, signal }: How<Name>,
  withinMs: number,
): Promise<Response> {
  const path = ASK_PATHS[name].replaceAll(/\{(\w+)\}/g, (_, part: string) => encodeURIComponent(at[part] ?? ''))
  const said = body && { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
  return reach(query ? `${path}?${new URLSearchParams(query)}` : path, { ...said, ...(signal && { signal }) }, withinMs)
}

const refusal = async (response: Response): Promise<Fault> =>
  ((await response.json().catch(() => ({}))) as { readonly error?: Fault }).error ?? AWAY

/** Asks once; whatever goes wrong comes back as a fault in words. */
export async function ask<Name extends WholeAsk>(
  name: Name,
  how: How<Name> = {},
): Promise<{ readonly ok: true; readonly answer: Answered<Name> } | { readonly ok: false; readonly error: Fault }> {
  try {
    const response = await request(name, how, LATE_MS)
    return response.ok
      ? { ok: true, answer: (await response.json()) as Answered<Name> }
      : { ok: false, error: await refusal(response) }
  } catch {
    return { ok: false, error: AWAY }
  }
}

/**
 * Asks for long work and takes its lines as they come.
 * @returns what went wrong, if anything did; one who stops it by `signal` knows that already
 */
export async function askLines<Name extends LinesAsk>(
  name: Name,
  how: How<Name>,
  take: (line: TakenLine<Name>) => void,
): Promise<Fault | undefined> {
  let fault: Fault | undefined
  try {
    const response = await request(name, how, LONG_WORK_MS)
    if (!response.ok || !response.body) return await refusal(response)
    await eachLine<{ readonly error: Fault } | TakenLine<Name>>(response.body, (line) => {
      if ('error' in line) fault = line.error
      else take(line)
    })
    return fault
  } catch {
    return how.signal?.aborted ? undefined : AWAY
  }
}

/** Sends what somebody says at the door: nothing is tried again by itself, since a code works once. */
export async function sendEntry<Name extends EntryName>(
  name: Name,
  body: EntryBody<Name>,
): Promise<{ readonly ok: true; readonly answer: EntryAnswer } | { readonly ok: false; readonly error: Fault }> {
  try {
    const response = await reachWith(`/api/${name}`, body, LATE_MS)
    if (response.ok) return { ok: true, answer: (await response.json()) as EntryAnswer }
    return { ok: false, error: await refusal(response) }
  } catch {
    return { ok: false, error: AWAY }
  }
}
