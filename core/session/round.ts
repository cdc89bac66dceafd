import { counted } from '../units/words'
import type { CallBesides, LiveSeat } from './live-room'
import type { SeatStep } from './seat-step'

/** What is known of somebody besides where they are. */
export interface RoundFacts {
  /** they were never given this machine before */
  readonly firstHere: boolean
  /** what makes their cloth a hard one, as a sentence */
  readonly hard?: string
  /** what they might be signed off for on such a machine, as the words after "signed off:" */
  readonly signOff?: string
  /** when staff were last with them; ISO, UTC */
  readonly visitedAt?: string
}

export interface RoundStop {
  readonly seat: LiveSeat
  /** why they, the weightiest reason first; never empty */
  readonly because: readonly string[]
}

/** Minutes that a step takes when all goes well; longer, and somebody may be stuck. Source: common practice. */
const USUAL_MINUTES: Readonly<Record<Exclude<SeatStep, 'done'>, number>> = { bag: 5, check: 10, swatch: 10, sewing: 25 }
/** A colleague who set off so long ago is there no more, or never was: not everybody says when they are done. */
const WITH_THEM_MS = 20 * 60_000
/** Whoever was just visited is not the next, unless they call. */
const REST_MS = 10 * 60_000

/** Weights order people as a good instructor would: danger, then those who wait, then those who may need somebody unasked. */
const HURT = 10_000
const CALLS = 1_000
const STOPPED = 300
const NEW_FAULT = 200
const DONE = 60
const FIRST = 20
const HARD = 15
const FAULT = 12
const SIGN_OFF = 8

const minutesSince = (since: string, now: string): number =>
  Math.max(0, Math.floor((Date.parse(now) - Date.parse(since)) / 60_000))
const forSoLong = (minutes: number): string => (minutes < 1 ? 'just now' : `for ${counted(minutes, 'minute')}`)

/**
 * Whom to go to next, the best first, each with why. Somebody to whom a colleague is going already is left out, for a while.
 * @param me whose round it is
 * @param now ISO, UTC
 */
export function instructorsRound(
  seats: readonly LiveSeat[],
  factsOf: (seat: LiveSeat) => RoundFacts,
  me: string,
  now: string,
): RoundStop[] {
  return seats
    .filter(({ call }) => call?.going?.personId === me || !isAttended(call, now))
    .map((seat) => {
      const reasons = reasonsFor(seat, factsOf(seat), me, now).sort((a, b) => b.weight - a.weight)
      return {
        seat,
        because: reasons.map(({ why }) => why),
        weight: reasons.reduce((sum, { weight }) => sum + weight, 0),
      }
    })
    .filter(({ because }) => because.length > 0)
    .sort((a, b) => b.weight - a.weight || a.seat.number - b.seat.number)
    .map(({ seat, because }) => ({ seat, because }))
}

/** Whether somebody is on the way to a call, or with whoever made it. */
const isAttended = (call: Pick<CallBesides, 'going'> | undefined, now: string): boolean =>
  call?.going !== undefined && Date.parse(now) - Date.parse(call.going.at) <= WITH_THEM_MS

/**
 * The calls that no seat shows and that go before whoever is next on the round: whoever is hurt at the iron before everybody at a machine,
 * whoever calls from a table before those who do not call. One to which somebody is going is no more for others.
 * @param besides the gravest and the oldest first
 * @param now ISO, UTC
 */
export function besidesFirst(
  besides: readonly CallBesides[],
  next: RoundStop | undefined,
  now: string,
): readonly CallBesides[] {
  const called = next?.seat.call
  const nextCalls = called && called.about !== 'visit' ? called : undefined
  return besides
    .filter((call) => !isAttended(call, now))
    .filter(
      ({ about, calledAt }) =>
        !nextCalls || (about === nextCalls.about ? calledAt < nextCalls.calledAt : about === 'hurt'),
    )
}

/** The call that no seat shows to which this person is on the way, or with whoever made it. @param now ISO, UTC */
export const goingBesides = (besides: readonly CallBesides[], me: string, now: string): CallBesides | undefined =>
  besides.find((call) => call.going?.personId === me && isAttended(call, now))

interface Weighed {
  readonly why: string
  readonly weight: number
}

function reasonsFor(
  seat: LiveSeat,
  { firstHere, hard, signOff, visitedAt }: RoundFacts,
  me: string,
  now: string,
): Weighed[] {
  const reasons: Weighed[] = []
  const { faults } = seat
  // Seen while they sit there, and by nobody of staff at their side since.
  const newFault = faults !== undefined && faults.since >= seat.from && !(visitedAt && visitedAt >= faults.since)
  if (seat.call) {
    const { about, calledAt, going } = seat.call
    const waits = minutesSince(calledAt, now)
    const colleague = going && going.personId !== me ? going : undefined
    if (about === 'hurt') reasons.push({ why: `Is hurt: told ${ago(waits)}`, weight: HURT + waits })
    else if (about === 'help') reasons.push({ why: `Calls ${forSoLong(waits)}`, weight: CALLS + waits * 5 })
    // Nobody called whom one visits unasked; one is on the way there all the same.
    else if (!colleague) reasons.push({ why: `You set off ${ago(waits)}`, weight: CALLS })
    if (colleague && about !== 'visit')
      reasons.push({ why: `${colleague.by} set off ${ago(minutesSince(colleague.at, now))}`, weight: 1 })
  } else if (!newFault && visitedAt && Date.parse(now) - Date.parse(visitedAt) < REST_MS) {
    return []
  }
  const minutes = minutesSince(seat.since, now)
  if (seat.stopped) reasons.push({ why: `Their machine is stopped: ${seat.stopped}`, weight: STOPPED })
  if (faults) reasons.push({ why: faults.words.join(' · '), weight: newFault ? NEW_FAULT : FAULT })
  if (seat.step === 'done') {
    reasons.push({ why: `Done ${forSoLong(minutes)}: write down what the needle did`, weight: DONE + minutes })
    return reasons
  }
  const over = minutes - USUAL_MINUTES[seat.step]
  if (over >= 0 && !seat.stopped)
    reasons.push({ why: `${STEP_SAID[seat.step]} ${forSoLong(minutes)}`, weight: 10 + over * 2 })
  if (firstHere) reasons.push({ why: 'First time on this machine', weight: FIRST })
  if (hard) reasons.push({ why: `A hard one: ${hard}`, weight: HARD })
  if (signOff && seat.step !== 'bag') reasons.push({ why: `Could be signed off: ${signOff}`, weight: SIGN_OFF })
  return reasons
}

const ago = (minutes: number): string => (minutes < 1 ? 'just now' : `${counted(minutes, 'minute')} ago`)

const STEP_SAID: Readonly<Record<Exclude<SeatStep, 'done'>, string>> = {
  bag: 'Waits for their bag',
  check: 'At the seat check',
  swatch: 'At the test swatch',
  sewing: 'Sewing',
}
