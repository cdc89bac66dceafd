import { stringify as stableText } from 'safe-stable-stringify'
import { Refused } from '../refused'

/**
 * What two people change at once is not lost in silence: the second is told, sees the first's, and chooses.
 * @param was what the second saw when they began; absent: they mean it whatever stands there
 * @throws Refused 409
 */
export function mustBeAsSeen(was: unknown, is: unknown, what: string): void {
  if (was === undefined || stableText(was) === stableText(is)) return
  throw new Refused(
    409,
    'changed',
    `${what} changed meanwhile: look at what stands there now, then keep yours or theirs`,
    'was',
  )
}
