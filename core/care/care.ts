import { CARE, CARE_LATE, CARE_SOON, type CareGiven, type CareJob } from '../knowledge/care/care'
import { roomFacts, type RoomNumbers } from '../knowledge/room-number'
import { rulesThatHold, sentence } from '../schema/rule'
import type { Facts } from '../knowledge/fact'
import { counted, plain } from '../units/words'
import { roomCheckDue } from '../machine/standing'
import type { MachineState } from '../machine/state'
import type { Traits } from '../knowledge/machine/trait'

export type CareStatus = 'well' | 'soon' | 'due' | 'late'

/** One job of one machine, and how near it is. */
export interface CareDue {
  readonly job: CareJob
  readonly title: string
  readonly status: CareStatus
  /** the count that decides: "5 bobbins since the last, due every 4" */
  readonly because: string
  readonly why: string
  readonly how: string
  readonly caution: string
  /** the day it falls due by the calendar alone, ISO; absent when it goes by counts */
  readonly dueOn?: string
}

const DAY_MS = 24 * 3_600_000
const daysBetween = (from: string | undefined, to: string): number | undefined =>
  from === undefined ? undefined : Math.max(0, (Date.parse(to) - Date.parse(from)) / DAY_MS)

/**
 * What a machine needs, most pressing first: by count, hours and day, whichever comes first.
 * @param now ISO, UTC
 */
export function careOf(state: MachineState, traits: Traits, numbers: RoomNumbers | undefined, now: string): CareDue[] {
  const facts = careFacts(state, traits, numbers, now)
  return rulesThatHold(CARE, facts)
    .map((rule): CareDue & { share: number } => {
      const { job, title, how, caution } = rule.give
      const { share, because, dueOn } = nearest(rule.give, facts, now)
      return {
        job,
        title,
        status: statusOf(share),
        because,
        why: sentence(rule.because, facts),
        how,
        caution,
        share,
        ...(dueOn && { dueOn }),
      }
    })
    .sort((a, b) => b.share - a.share)
    .map(({ share: _, ...due }) => due)
}

const statusOf = (share: number): CareStatus =>
  share >= CARE_LATE ? 'late' : share >= 1 ? 'due' : share >= CARE_SOON ? 'soon' : 'well'

function careFacts(state: MachineState, traits: Traits, numbers: RoomNumbers | undefined, now: string): Facts {
  const { care } = state
  const tested = care.electricalTest
  return {
    ...roomFacts(numbers),
    oiling: traits.oiling,
    bobbinsSinceClean: care.bobbinsSinceClean,
    sessionDaysSinceClean: care.daysSinceClean,
    linty: care.linty,
    roomCheckDue: roomCheckDue(state, now) !== undefined,
    // Never what somebody wrote themselves: it goes into calendars elsewhere.
    forTechnician: [...new Set(state.faults.flatMap(({ technician }) => technician ?? []))].join(', ') || undefined,
    bobbinsSinceOil: care.bobbinsSinceOil,
    sessionDaysSinceOil: care.daysSinceOil,
    daysSinceArmOil: daysBetween(care.armOiledAt ?? care.firstAt, now),
    sessionDaysSinceRoomCheck: care.daysSinceRoomCheck,
    motorHoursSinceService: care.motorMinutesSinceService / 60,
    daysSinceService: daysBetween(care.servicedAt ?? care.firstAt, now),
    electricalTestDays: tested?.nextDue === undefined ? undefined : daysBetween(tested.at, now),
    electricalTestEvery:
      tested?.nextDue === undefined ? undefined : Math.max(1, daysBetween(tested.at, tested.nextDue)!),
  }
}

/** The clock that is furthest along. */
function nearest({ clocks, atOnce, atOnceWords = 'at once' }: CareGiven, facts: Facts, now: string) {
  let best = { share: 0, because: 'nothing counted yet', dueOn: undefined as string | undefined }
  for (const { count, every, one, words, byCalendar } of clocks) {
    const [done, limit] = [facts[count], facts[every]]
    if (typeof done !== 'number' || typeof limit !== 'number') continue
    const share = done / limit
    const dueOn = byCalendar
      ? new Date(Date.parse(now) + (limit - done) * DAY_MS).toISOString().slice(0, 10)
      : best.dueOn
    if (share >= best.share)
      best = {
        share,
        because: `${counted(Math.floor(done), one, words)} since the last, due every ${limit === 1 ? one : plain(limit)}`,
        dueOn,
      }
    else if (byCalendar) best = { ...best, dueOn }
  }
  const asked = atOnce && facts[atOnce]
  // What is asked for by name is named, however much else asks for the same.
  if (typeof asked === 'string')
    return { ...best, share: Math.max(1, best.share), because: `${atOnceWords} ${asked.toLowerCase()}` }
  return asked === true && best.share < 1 ? { ...best, share: 1, because: atOnceWords } : best
}
