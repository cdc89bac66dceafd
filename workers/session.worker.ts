import { parentPort } from 'node:worker_threads'
import {
  planFirst,
  planSession,
  type PlannedSession,
  type PlanStage,
  type SessionRequest,
} from '@/core/session/session-plan'
import { loadSolver } from './solver'

/** What comes back over the wall: each better plan as it is found, the one that it comes to, and at the end that with what would help. */
export interface SessionReply {
  readonly stage: PlanStage | 'done'
  readonly plan: PlannedSession
}

/** A thread that stands by is given a question to think through once, and answers nothing: the first answer of a thread costs most. */
export type SessionMessage = { readonly plan: SessionRequest } | { readonly rehearse: SessionRequest }

/** Whoever asks meanwhile waits for its end. */
const REHEARSAL_SECONDS = 0.2

/** Loaded as soon as the thread is there: it may be made before anybody asks. */
const loading = loadSolver()

/** Plans one session a message, on a thread of its own, since the solver blocks while it thinks. */
parentPort?.on('message', (message: SessionMessage) => {
  void (async () => {
    const solve = await loading
    const clock = () => performance.now() / 1000
    if ('rehearse' in message) {
      planFirst({ ...message.rehearse, seconds: REHEARSAL_SECONDS }, solve, clock)
      return
    }
    const say = (reply: SessionReply) => parentPort?.postMessage(reply)
    const plan = planSession(message.plan, solve, clock, (better, stage) => say({ stage, plan: better }))
    say({ stage: 'done', plan })
  })()
})
