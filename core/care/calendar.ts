import { dayIn } from '../units/day'
import type { RoomNumbers } from '../knowledge/room-number'
import type { MachineState } from '../machine/state'
import type { Traits } from '../knowledge/machine/trait'
import { careOf, type CareDue } from './care'

/** One machine's job on the day by which it wants doing. */
export interface CareEntry {
  readonly machineId: string
  readonly machine: string
  readonly due: CareDue
  /** `YYYY-MM-DD`; a job that goes by counts has a day only once it is due: today */
  readonly on: string
}

export interface CareCalendar {
  /** to do now, the most pressing first */
  readonly now: readonly CareEntry[]
  /** with a day still to come, earliest first */
  readonly coming: readonly CareEntry[]
  /** near, by counts, on a day that only use will tell */
  readonly soon: readonly Omit<CareEntry, 'on'>[]
}

interface CaredFor {
  readonly machineId: string
  readonly name: string
  readonly state: MachineState
  readonly traits: Traits
}

/**
 * What a room's machines need, and when.
 * @param now ISO, UTC
 * @param days how far ahead it looks
 * @param timeZone where the room stands: what is due now is due today
 */
export function careCalendar(
  machines: readonly CaredFor[],
  numbers: RoomNumbers | undefined,
  now: string,
  days: number,
  timeZone: string,
): CareCalendar {
  const today = dayIn(new Date(now), timeZone)
  const last = new Date(Date.parse(now) + days * 24 * 3_600_000).toISOString().slice(0, 10)
  const all = machines.flatMap(({ machineId, name, state, traits }) =>
    careOf(state, traits, numbers, now).map((due) => ({ machineId, machine: name, due })),
  )
  const isDue = ({ due }: { due: CareDue }) => due.status === 'due' || due.status === 'late'
  const byName = (a: { machine: string }, b: { machine: string }) => (a.machine < b.machine ? -1 : 1)
  return {
    now: all
      .filter(isDue)
      .map((entry) => ({ ...entry, on: today }))
      .sort((a, b) => Number(b.due.status === 'late') - Number(a.due.status === 'late') || byName(a, b)),
    coming: all
      .flatMap((entry) => {
        const on = entry.due.dueOn
        return !isDue(entry) && on !== undefined && on <= last ? [{ ...entry, on }] : []
      })
      .sort((a, b) => (a.on === b.on ? byName(a, b) : a.on < b.on ? -1 : 1)),
    soon: all
      .filter((entry) => entry.due.status === 'soon' && (entry.due.dueOn === undefined || entry.due.dueOn > last))
      .sort(byName),
  }
}
