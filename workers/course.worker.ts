import { parentPort } from 'node:worker_threads'
import { planCourse, type CourseWeek, type WeekPlan } from '@/core/session/course-plan'
import { loadSolver } from './solver'

/** What comes back over the wall: each session as it is planned, and at the end that all are. */
export type CourseReply = { readonly week: WeekPlan; readonly stage: 'planned' | 'helped' } | { readonly done: true }

/** Plans a course a message, session after session, on a thread of its own. */
parentPort?.on('message', (weeks: readonly CourseWeek[]) => {
  void (async () => {
    const solve = await loadSolver()
    const say = (reply: CourseReply) => parentPort?.postMessage(reply)
    planCourse(
      weeks,
      solve,
      () => performance.now() / 1000,
      (week, stage) => say({ week, stage }),
    )
    say({ done: true })
  })()
})
