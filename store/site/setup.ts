import { createHmac } from 'node:crypto'
import { sql, type Kysely } from 'kysely'
import { codeFrom, plainCode } from '@/core/people/invitation'
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

export async function hasVenue(store: Kysely<Database>): Promise<boolean> {
  return (await store.selectFrom('site').select('site_id').limit(1).executeTakeFirst()) !== undefined
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
    readonly name: string
    readonly email: string
    readonly password: string
  },
): Promise<Actor> {
  if (plainCode(asked.word) !== plainCode(setupWord(secret)))
    throw new Refused(401, 'wrong-word', 'That is not the setup word: it stands where the server was started', 'word')
  if (!Intl.supportedValuesOf('timeZone').includes(asked.timeZone) && asked.timeZone !== 'UTC')
    throw new Refused(400, 'invalid', `There is no time zone called “${asked.timeZone}”`, 'timeZone')
  return store.transaction().execute(async (tx) => {
    // Two who claim at once: the second finds the first's venue.
    await sql`select pg_advisory_xact_lock(hashtext('orthodex first venue'))`.execute(tx)
    if (await hasVenue(tx))
      throw new Refused(409, 'claimed', 'This server has its venue already: sign in, or ask to be invited')
    const { venue, timeZone, name, email, password } = asked
    return createSite(tx, { code: siteCodeFor(venue), name: venue, timeZone }, { name, email, password })
  })
}
