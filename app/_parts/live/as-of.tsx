'use client'

import type { Line } from './line'
import { useNow } from './use-told'

/** From so long without a line to the server on, a screen says how old it is. */
const SAYS_AFTER_MS = 60_000

/** Why nothing new comes here, in a sentence. */
export const lostWords = ({ signedOut }: Line): string =>
  signedOut
    ? 'nobody is signed in on this device any more'
    : 'the line to the room’s server is down, and is being made again'

/** The way back for whoever was signed out meanwhile; nothing while it is the network that is away. */
export const SignInAgain = ({ signedOut }: Line) =>
  signedOut && (
    <a className="link inline-flex min-h-11 items-center font-semibold" href="/sign-in">
      Sign in again
    </a>
  )

/** Says that a screen is no longer live, why, and since when; nothing while it is. */
export function AsOf({ line }: { line: Line }) {
  const now = useNow()
  const { live, lostAt } = line
  if (live || lostAt === undefined) return null
  const minutes = Math.floor((now - lostAt) / 60_000)
  const old = now - lostAt > SAYS_AFTER_MS
  const since = `This is ${minutes === 1 ? 'a minute' : `${minutes} minutes`} old`
  return (
    <p role="status" className="mb-4 border-l-8 border-warning bg-base-200 px-4 py-2">
      {old ? since : 'Nothing new comes here'}: {lostWords(line)}. <SignInAgain {...line} />
    </p>
  )
}
