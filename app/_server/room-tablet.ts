import 'server-only'
import { readTablet, type Tablet } from '@/store/site/tablet'
import { everyVenue } from './every-venue'
import { settings } from './settings'

const COOKIE = 'orthodex-tablet'
const YEAR = 365 * 24 * 3600

/** A tablet's secret from what a browser sent; empty when it has none. */
const secretIn = (cookies: string): string =>
  new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w-]{32,100})(?:;|$)`).exec(cookies)?.[1] ?? ''

/** Which tablet of a room a browser is, by the cookies that it sent; undefined: none, or none any more. */
export async function tabletOf(cookies: string): Promise<Tablet | undefined> {
  const secret = secretIn(cookies)
  return secret ? readTablet(everyVenue(), secret, new Date()) : undefined
}

/** What makes a browser a room's tablet for a year. */
export const tabletCookie = () =>
  [
    COOKIE,
    {
      path: '/',
      maxAge: YEAR,
      httpOnly: true,
      sameSite: 'lax',
      secure: settings.origins.every((origin) => origin.startsWith('https:')),
    },
  ] as const
