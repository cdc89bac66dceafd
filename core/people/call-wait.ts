import type { CallEnd, HelpCall } from './help-call'

/** So long a call may be on no screen of staff before the learner is told to speak up. */
const UNSEEN_AFTER_MS = 45_000
/** A call that is on a screen may be so before nobody's eyes: so long nobody may have said that they come. */
const NOBODY_GOES_AFTER_MS = 3 * 60_000
/** Nobody waits at a machine for so long: whoever called has gone home. */
export const LAPSES_AFTER_MS = 6 * 3_600_000

type About = HelpCall['about']

/** A call as far as whoever made it waits for it; moments in ISO 8601. */
interface WaitingCall {
  readonly about: string
  readonly calledAt: string
  readonly seen?: object | undefined
  readonly going?: { readonly at: string } | undefined
  readonly ended?: object | undefined
}

/** How long somebody may wait for the next thing to happen, ms. Where somebody is hurt there is nothing to wait for. */
const patience = (about: string): number => (about === 'hurt' ? UNSEEN_AFTER_MS : NOBODY_GOES_AFTER_MS)

/**
 * What is to be told to whoever waits longer than they should: that their call is on no screen, that nobody has said that they come,
 * or that whoever said so may have been kept.
 * @param now by the server's clock, ms
 */
export function waitsTooLong(call: WaitingCall, now: number): 'on-no-screen' | 'nobody-goes' | 'not-come' | undefined {
  if (call.ended) return undefined
  if (call.going) return now - Date.parse(call.going.at) > patience(call.about) ? 'not-come' : undefined
  const waited = now - Date.parse(call.calledAt)
  if (!call.seen) return waited > UNSEEN_AFTER_MS ? 'on-no-screen' : undefined
  return waited > patience(call.about) ? 'nobody-goes' : undefined
}

/** The open calls of a person that a further one may be one with. */
const JOINS: Readonly<Record<About, readonly About[]>> = {
  help: ['help', 'visit'],
  hurt: ['hurt'],
  visit: ['help', 'hurt', 'visit'],
}

interface Raised {
  readonly about: About
  /** absent: from no machine */
  readonly machineId?: string | undefined
}

/**
 * What becomes of an open call when the same person calls again, or is visited: it is that call, both stand side by side, or it is
 * over, since the newer one stands in its place or its day is over. Whoever was gone to and calls again wants somebody again: nobody taps *Done* with
 * both hands in a machine, and a call that somebody has been to already alarms nobody.
 * @param now ms
 */
export function afterAnother(
  open: Raised & WaitingCall,
  again: Raised,
  now: number,
): 'goes-on' | 'beside' | Extract<CallEnd, 'anew' | 'lapsed'> {
  if (!JOINS[again.about].includes(open.about)) return 'beside'
  if (now - Date.parse(open.calledAt) > LAPSES_AFTER_MS) return 'lapsed'
  const elsewhere = open.machineId !== again.machineId
  if (elsewhere && open.about === 'hurt') return 'beside'
  // Whoever is visited where they sit by now has somebody with them, wherever they called from.
  if (elsewhere) return 'anew'
  return again.about !== 'visit' && open.going && waitsTooLong(open, now) ? 'anew' : 'goes-on'
}
