import 'server-only'
import { settings } from './settings'

const COOKIE = 'orthodex-tablet'
const YEAR = 365 * 24 * 3600

/** A tablet's secret from what a browser sent; empty when it has none. */
export const secretIn = (cookies: string): string =>
  new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w-]{32,100})(?:;|$)`).exec(cookies)?.[1] ?? ''

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
