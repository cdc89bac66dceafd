import { readable, type FactName, type Rule } from '../fact'

/** Jobs that keep a machine sewing. */
export const CARE_JOBS = ['clean', 'oil-race', 'oil-arm', 'room-check', 'service', 'electrical-test'] as const
export type CareJob = (typeof CARE_JOBS)[number]

/**
 * When a job comes round: by the first of its counts to run out. `count` and `every` name facts; a count that nobody knows
 * does not run.
 */
export interface CareGiven {
  readonly job: CareJob
  readonly title: string
  readonly clocks: readonly {
    readonly count: FactName
    readonly every: FactName
    readonly one: string
    readonly words: string
    /** it goes on whether or not anybody sews: the day on which it is due can be told */
    readonly byCalendar?: true
  }[]
  /** a fact that makes it due at once, whatever the counts say: that it is so, or what it is wanted for */
  readonly atOnce?: FactName
  /** said then, before what it is wanted for */
  readonly atOnceWords?: string
  readonly how: string
  readonly caution: string
}

const job = (
  name: CareJob,
  when: Rule<unknown>['when'],
  give: Omit<CareGiven, 'job'>,
  because: string,
): Rule<CareGiven> => ({
  id: `care-${name}`,
  when,
  give: { job: name, ...give },
  because,
  source: 'maker practice',
  confidence: 'medium',
})

/** Every row that holds for a machine's traits is a job of that machine. The machine's manual wins over every count. */
export const CARE: readonly Rule<CareGiven>[] = readable([
  job(
    'clean',
    {},
    {
      title: 'Lint out',
      clocks: [
        { count: 'bobbinsSinceClean', every: 'cleanEveryBobbins', one: 'bobbin', words: 'bobbins' },
        { count: 'sessionDaysSinceClean', every: 'cleanEveryDays', one: 'day of use', words: 'days of use' },
      ],
      atOnce: 'linty',
      atOnceWords: 'after lint-shedding cloth, at once',
      how: 'Brush or vacuum the case, the race, under the plate and between the discs (a folded cloth). Never blow: it drives lint in.',
      caution: 'Power off and foot off the pedal; unplug to open anything.',
    },
    'Lint lifts cloth off the dogs, holds the discs open and locks the race.',
  ),
  job(
    'oil-race',
    { oiling: { in: ['race', 'race-and-arm'] } },
    {
      title: 'A drop of oil in the race',
      clocks: [
        { count: 'bobbinsSinceOil', every: 'oilEveryBobbins', one: 'bobbin', words: 'bobbins' },
        { count: 'sessionDaysSinceOil', every: 'oilEveryDays', one: 'day of use', words: 'days of use' },
      ],
      how: 'One drop of sewing machine oil where the manual shows; then sew scrap until it comes out clean. Never cooking oil, never a water-displacing spray.',
      caution: 'Power off and foot off the pedal.',
    },
    'This machine’s manual lists the race.',
  ),
  job(
    'oil-arm',
    { oiling: { in: ['race-and-arm'] } },
    {
      title: 'Oil points in arm and take-up',
      clocks: [{ count: 'daysSinceArmOil', every: 'oilArmDays', one: 'day', words: 'days', byCalendar: true }],
      how: 'A drop at each point that the manual marks, wiped, and a minute of running.',
      caution: 'Power off and foot off the pedal.',
    },
    'Monthly in use; every other month is enough for light use.',
  ),
  job(
    'room-check',
    {},
    {
      title: 'Room check',
      clocks: [{ count: 'sessionDaysSinceRoomCheck', every: 'roomCheckDays', one: 'day of use', words: 'days of use' }],
      atOnce: 'roomCheckDue',
      atOnceWords: 'before anybody sews',
      how: 'Cord, plug and pedal whole; lamp; screws snug; the right foot, needle and bobbins; dial and length at their marks.',
      caution: 'A damaged cord, smell or shock: unplug at the wall, red tag, licensed repairer.',
    },
    'Vibration loosens screws, and hands turn dials.',
  ),
  job(
    'service',
    {},
    {
      title: 'Service by a technician',
      clocks: [
        { count: 'motorHoursSinceService', every: 'serviceHours', one: 'motor hour', words: 'motor hours' },
        { count: 'daysSinceService', every: 'serviceDays', one: 'day', words: 'days', byCalendar: true },
      ],
      atOnce: 'forTechnician',
      atOnceWords: 'for',
      how: 'Ask for somebody who services machines of this age and kind.',
      caution: 'Timing, motor and covers are for the technician.',
    },
    'Each year or 200 motor hours, and after a timing knock.',
  ),
  job(
    'electrical-test',
    { electricalTestDays: { known: true } },
    {
      title: 'Electrical safety test',
      clocks: [
        { count: 'electricalTestDays', every: 'electricalTestEvery', one: 'day', words: 'days', byCalendar: true },
      ],
      how: 'As local rules want it, by somebody licensed.',
      caution: 'Overdue: nobody sews on it until it is tested.',
    },
    'Local rules set the interval.',
  ),
])

/** Share of an interval from which a job comes soon, and from which it is late. */
export const CARE_SOON = 0.75
export const CARE_LATE = 1.5
