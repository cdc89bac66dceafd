import { addMonths } from 'date-fns'

/** Somebody who learns or learnt here. */
export interface Learner {
  readonly personId: string
  /** the class that they were in last */
  readonly course: string
  /** the last day on which they had to do with the venue: a session of a class of theirs, a kit, a line; YYYY-MM-DD */
  readonly lastDay: string
  /** they are in a class that is open and has sessions to come, or they are staff as well */
  readonly inForce: boolean
}

/** From which day on a learner is kept no longer. @returns YYYY-MM-DD */
export function goesOn({ lastDay }: Pick<Learner, 'lastDay'>, months: number): string {
  const [year, month, day] = lastDay.split('-').map(Number)
  const gone = addMonths(new Date(year!, month! - 1, day), months)
  const two = (part: number) => String(part).padStart(2, '0')
  return `${gone.getFullYear()}-${two(gone.getMonth() + 1)}-${two(gone.getDate())}`
}

/** Whose time is over: erased in the coming night. @param today YYYY-MM-DD */
export const whoGoes = (learners: readonly Learner[], months: number, today: string): Learner[] =>
  learners.filter((learner) => !learner.inForce && goesOn(learner, months) <= today)

/** What a retention of so many months would do, in order of days: how many of which class go on which day. */
export function retentionPreview(
  learners: readonly Learner[],
  months: number,
  today: string,
): { readonly day: string; readonly course: string; readonly learners: number }[] {
  const counts = new Map<string, { day: string; course: string; learners: number }>()
  for (const learner of learners) {
    if (learner.inForce) continue
    const on = goesOn(learner, months)
    const day = on < today ? today : on
    const key = `${day} ${learner.course}`
    const before = counts.get(key)
    counts.set(key, { day, course: learner.course, learners: (before?.learners ?? 0) + 1 })
  }
  return [...counts.values()].sort((a, b) =>
    a.day === b.day ? (a.course < b.course ? -1 : 1) : a.day < b.day ? -1 : 1,
  )
}
