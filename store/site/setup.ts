import { createHmac, randomInt } from 'node:crypto'
import { sql, type Kysely } from 'kysely'
import { codeFrom, plainCode } from '@/core/people/invitation'
import type { Units } from '@/core/units/measure'
import type { Actor } from '../actor'
import type { Database } from '../database'
import { Refused } from '../refused'
import { createSite } from './create-site'

/**
 * The word that claims an empty server, printed where it was started: whoever can read that may be its first coordinator. It is
 * made from the server's secret, so that nothing has to keep it, and opens nothing once there is a venue.
 */
export const setupWord = (secret: string): string =>
  codeFrom(createHmac('sha256', secret).update('the first venue').digest())

/** Whether anybody can sign in here. @param which `own`: those for practice are none */
export async function hasVenue(store: Kysely<Database>, which: 'any' | 'own'): Promise<boolean> {
  const found = await store
    .selectFrom('site')
    .select('site_id')
    .$if(which === 'own', (query) => query.where('practice', '=', false))
    .limit(1)
    .executeTakeFirst()
  return found !== undefined
}

/** @throws Refused 401 */
export function mustBeSetupWord(secret: string, word: string): void {
  if (plainCode(word) !== plainCode(setupWord(secret)))
    throw new Refused(401, 'wrong-word', 'That is not the setup word: it stands where the server was started', 'word')
}

/** The word that begins a venue's class codes: the first word of its name that can, in small letters. */
export function siteCodeFor(name: string): string {
  const words = name
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^a-z]+/)
    .map((word) => word.slice(0, 12))
  return words.find((word) => word.length >= 3 && word !== 'the') ?? 'room'
}

/**
 * Makes the first venue with its first coordinator.
 * @throws Refused 401 for a wrong word, 409 when there is a venue already, 400 for a zone that does not exist
 */
export async function claimServer(
  store: Kysely<Database>,
  secret: string,
  asked: {
    readonly word: string
    readonly venue: string
    readonly timeZone: string
    readonly units?: Units | undefined
    readonly name: string
    readonly email: string
    readonly password: string
  },
): Promise<Actor> {
  mustBeSetupWord(secret, asked.word)
  if (!Intl.supportedValuesOf('timeZone').includes(asked.timeZone) && asked.timeZone !== 'UTC')
    throw new Refused(400, 'invalid', `There is no time zone called “${asked.timeZone}”`, 'timeZone')
  return store.transaction().execute(async (tx) => {
    // Two who claim at once: the second finds the first's venue.
    await sql`select pg_advisory_xact_lock(hashtext('orthodex first venue'))`.execute(tx)
    if (await hasVenue(tx, 'own'))
      throw new Refused(409, 'claimed', 'This server has its venue already: sign in, or ask to be invited')
    const { venue, timeZone, units, name, email, password } = asked
    const code = await freeCode(tx, siteCodeFor(venue))
    return createSite(tx, { code, name: venue, timeZone, ...(units && { units }) }, { name, email, password })
  })
}

/** A word that begins no other venue's class codes: the one that is wished, or that with letters behind it. */
export async function freeCode(store: Kysely<Database>, wished: string): Promise<string> {
  const rows = await store
    .selectFrom('site')
    .select('code')
    .where('code', 'like', `${wished.slice(0, 9)}%`)
    .execute()
  const taken = new Set(rows.map(({ code }) => code))
  if (!taken.has(wished)) return wished
  for (;;) {
    const letters = Array.from({ length: 3 }, () => String.fromCharCode(97 + randomInt(26))).join('')
    const code = `${wished.slice(0, 9)}${letters}`
    if (!taken.has(code)) return code
  }
}
