import 'server-only'
import { Worker } from 'node:worker_threads'
import PQueue from 'p-queue'
import { Invalid } from '@/core/schema/invalid'
import type { CourseWeek, WeekPlan } from '@/core/session/course-plan'
import type { PlannedSession, PlanStage, SessionRequest } from '@/core/session/session-plan'
import { counted } from '@/core/units/words'
import { Refused } from '@/store/refused'
import type { CourseReply } from '@/workers/course.worker'
import type { SessionMessage, SessionReply } from '@/workers/session.worker'
import type { PlanReply } from '@/workers/plan.worker'
import { ofProcess } from './of-process'

/** A plan that takes longer than this has come to grief. */
const LONGEST_MS = 40_000
/** A course is planned session by session. */
const LONGEST_COURSE_MS = 240_000
/** Solvers keep a core busy each: so many run at once, and so many may wait. */
const AT_ONCE = 2
const MOST_WAITING = 6

/** A thread that stands by, and when it ends where nobody asks for it. */
interface Spare {
  readonly thread: Worker
  readonly ends: NodeJS.Timeout
}
const held = ofProcess<{ solvers: PQueue; spare: Spare | undefined }>()
const solvers = () => (held.solvers ??= new PQueue({ concurrency: AT_ONCE }))

/**
 * Every solver of this process waits its turn here, and stops when whoever asked has gone.
 * @throws Refused 503 when too many wait already, with how long it may take
 */
async function inTurn<Answer>(stop: AbortSignal, work: () => Promise<Answer>): Promise<Answer> {
  const queue = solvers()
  if (queue.size >= MOST_WAITING) {
    const seconds = Math.ceil(((queue.size + queue.pending) / AT_ONCE) * 15)
    throw new Refused(
      503,
      'busy',
      `${queue.size + queue.pending} plans are being made; try again in about ${counted(seconds, 'second')}`,
    )
  }
  return queue.add(work, { signal: stop, throwOnTimeout: true })
}

function ended(worker: Worker): void {
  // What it comes to grief over on its way out is nobody's any more, and must not be the server's.
  worker.on('error', () => undefined)
  void worker.terminate()
}

/**
 * Runs one worker to its end, its time or its asker's leaving, whichever comes first.
 * @param after what becomes of a worker that came to its end; one that did not is ended, since it still thinks
 */
function apart<Message, Answer>(
  worker: Worker,
  request: unknown,
  stop: AbortSignal,
  longestMs: number,
  hear: (message: Message, end: (answer: Answer) => void, fail: (error: unknown) => void) => void,
  whenStopped: (end: (answer: Answer) => void, fail: (error: unknown) => void) => void,
  after = ended,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const over = (next: (worker: Worker) => void, done: () => void) => {
      clearTimeout(late)
      stop.removeEventListener('abort', stopped)
      worker.removeAllListeners('message')
      worker.off('error', fail)
      next(worker)
      done()
    }
    const end = (answer: Answer) => over(after, () => resolve(answer))
    const fail = (error: unknown) =>
      over(ended, () => reject(error instanceof Error ? error : new Error(String(error))))
    const stopped = () => whenStopped((answer) => over(ended, () => resolve(answer)), fail)
    const late = setTimeout(stopped, longestMs)
    worker.on('message', (message: Message) => hear(message, end, fail))
    worker.once('error', fail)
    if (stop.aborted) return void stopped()
    stop.addEventListener('abort', stopped)
    worker.postMessage(request)
  })
}

/**
 * Plans on a thread of its own, so that everybody else is served meanwhile.
 * @throws Invalid when the question is not what the schema says, Refused when it takes too long or too many wait
 */
export const planApart = (request: unknown, stop: AbortSignal): Promise<object> =>
  inTurn(stop, () =>
    apart<PlanReply, object>(
      new Worker(new URL('../../workers/plan.worker.ts', import.meta.url)),
      request,
      stop,
      LONGEST_MS,
      (reply, end, fail) => {
        if ('answer' in reply) end(reply.answer)
        else fail(new Invalid(reply.fault.code, reply.fault.message, reply.fault.path))
      },
      (_, fail) => fail(new Refused(409, 'too-long', 'The plan took too long; try with fewer kits or blocks')),
    ),
  )

/** So long a thread that nobody has asked for keeps its memory. */
const SPARE_MS = 10 * 60_000

const standsBy = (thread: Worker): boolean => held.spare?.thread === thread

const sessionThread = () => new Worker(new URL('../../workers/session.worker.ts', import.meta.url))

/**
 * Has a thread stand by that has loaded the solver and thought once, where somebody may soon ask for a plan: both take longer than
 * many a plan.
 * @param rehearsal what it thinks through; asked for only where no thread stands by yet
 */
export async function readySolver(rehearsal: () => SessionRequest | Promise<SessionRequest>): Promise<void> {
  if (held.spare) return
  const thread = sessionThread()
  standBy(thread)
  const rehearse = await rehearsal()
  // Whoever took it meanwhile has it think of theirs.
  if (standsBy(thread)) thread.postMessage({ rehearse } satisfies SessionMessage)
}

/** A thread that has planned knows its way: the next plan comes sooner from it than from a new one. */
function standBy(thread: Worker): void {
  if (held.spare) return ended(thread)
  // It keeps no process alive, and one that comes to grief is no spare.
  thread.unref()
  thread.once('error', () => takeSpare(thread))
  held.spare = { thread, ends: setTimeout(() => ended(takeSpare(thread)), SPARE_MS).unref() }
}

/** Whoever takes it looks after it from then on. */
function takeSpare(thread: Worker): Worker {
  if (held.spare && standsBy(thread)) {
    clearTimeout(held.spare.ends)
    held.spare = undefined
  }
  thread.removeAllListeners('error')
  thread.ref()
  return thread
}

const takeThread = (): Worker => (held.spare ? takeSpare(held.spare.thread) : sessionThread())

/**
 * Plans a session on a thread of its own.
 * @param tell is told of each better plan as it is found, and of the one that it comes to; what would help comes with the answer
 * @param stop ends it; the last plan told is then the best there is
 */
export function planSessionApart(
  request: SessionRequest,
  tell: (plan: PlannedSession, stage: PlanStage) => void,
  stop: AbortSignal,
): Promise<PlannedSession | undefined> {
  let best: PlannedSession | undefined
  return inTurn(stop, () =>
    apart<SessionReply, PlannedSession | undefined>(
      takeThread(),
      { plan: request } satisfies SessionMessage,
      stop,
      LONGEST_MS,
      ({ stage, plan }, end) => {
        best = plan
        if (stage === 'done') end(plan)
        else tell(plan, stage)
      },
      (end) => end(best),
      standBy,
    ),
  ).finally(() => readySolver(() => request))
}

/**
 * Plans a course to its end on a thread of its own.
 * @param tell is told of each session as it is planned
 * @param stop ends it after the sessions that were told
 */
export const planCourseApart = (
  weeks: readonly CourseWeek[],
  tell: (week: WeekPlan, stage: 'planned' | 'helped') => void,
  stop: AbortSignal,
): Promise<void> =>
  inTurn(stop, () =>
    apart<CourseReply, void>(
      new Worker(new URL('../../workers/course.worker.ts', import.meta.url)),
      weeks,
      stop,
      LONGEST_COURSE_MS,
      (reply, end) => ('week' in reply ? tell(reply.week, reply.stage) : end()),
      (end) => end(),
    ),
  )
