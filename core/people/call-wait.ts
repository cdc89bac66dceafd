/** So long a call may be on no screen of staff before the learner is told to speak up. */
const UNSEEN_AFTER_MS = 45_000
/** A call that is on a screen may be so before nobody's eyes: so long nobody may have said that they come. */
const NOBODY_GOES_AFTER_MS = 3 * 60_000

/** A call as far as whoever made it waits for it; moments in ISO 8601. */
interface WaitingCall {
  readonly about: string
  readonly calledAt: string
  readonly seen?: object | undefined
  readonly going?: object | undefined
  readonly ended?: object | undefined
}

/**
 * What is to be told to whoever waits longer than they should: that their call is on no screen, or that nobody has said that they come.
 * Where somebody is hurt there is nothing to wait for.
 * @param now by the server's clock, ms
 */
export function waitsTooLong(call: WaitingCall, now: number): 'on-no-screen' | 'nobody-goes' | undefined {
  if (call.ended || call.going) return undefined
  const waited = now - Date.parse(call.calledAt)
  if (!call.seen) return waited > UNSEEN_AFTER_MS ? 'on-no-screen' : undefined
  return waited > (call.about === 'hurt' ? UNSEEN_AFTER_MS : NOBODY_GOES_AFTER_MS) ? 'nobody-goes' : undefined
}
