import 'server-only'
import { Worker } from 'node:worker_threads'
import { Invalid } from '@/core/schema/invalid'
import type { CourseWeek, WeekPlan } from '@/core/session/course-plan'
import type { EveningPlan, EveningRequest } from '@/core/session/evening-plan'
import { Refused } from '@/store/refused'
import type { CourseReply } from '@/workers/course.worker'
import type { EveningReply } from '@/workers/evening.worker'
import type { PlanReply } from '@/workers/plan.worker'

/** A plan that takes longer than this has come to grief. */
const LONGEST_MS = 40_000

/**
 * Plans on a thread of its own, so that everybody else is served meanwhile.
 * @throws Invalid when the question is not what the schema says
 */
export function planApart(request: unknown): Promise<object> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url))
    const end = (done: () => void) => {
      clearTimeout(late)
      void worker.terminate()
      done()
    }
    const late = setTimeout(
      () => end(() => reject(new Refused(409, 'too-long', 'The plan took too long; try with fewer kits or blocks'))),
      LONGEST_MS,
    )
    worker.once('message', (reply: PlanReply) =>
      end(() => {
        if ('answer' in reply) resolve(reply.answer)
        else reject(new Invalid(reply.fault.code, reply.fault.message, reply.fault.path))
      }),
    )
    worker.once('error', (error) => end(() => reject(error)))
    worker.postMessage(request)
  })
}

/**
 * Plans an evening on a thread of its own.
 * @param tell is told of each better plan as it is found
 * @param stop ends it; the last plan told is then the best there is
 */
export function planEveningApart(
  request: EveningRequest,
  tell: (plan: EveningPlan) => void,
  stop: AbortSignal,
): Promise<EveningPlan | undefined> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../../workers/evening.worker.ts', import.meta.url))
    let best: EveningPlan | undefined
    const end = (done: () => void) => {
      void worker.terminate()
      stop.removeEventListener('abort', stopped)
      done()
    }
    const stopped = () => end(() => resolve(best))
    stop.addEventListener('abort', stopped)
    worker.on('message', ({ done, plan }: EveningReply) => {
      best = plan
      if (done) end(() => resolve(plan))
      else tell(plan)
    })
    worker.once('error', (error) => end(() => reject(error)))
    worker.postMessage(request)
  })
}

/**
 * Plans a course to its end on a thread of its own.
 * @param tell is told of each evening as it is planned
 * @param stop ends it after the evenings that were told
 */
export function planCourseApart(
  weeks: readonly CourseWeek[],
  tell: (week: WeekPlan) => void,
  stop: AbortSignal,
): Promise<void> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../../workers/course.worker.ts', import.meta.url))
    const end = (done: () => void) => {
      void worker.terminate()
      done()
    }
    stop.addEventListener('abort', () => end(resolve), { once: true })
    worker.on('message', (reply: CourseReply) => ('week' in reply ? tell(reply.week) : end(resolve)))
    worker.once('error', (error) => end(() => reject(error)))
    worker.postMessage(weeks)
  })
}
