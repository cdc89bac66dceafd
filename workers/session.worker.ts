import { parentPort } from 'node:worker_threads'
import { planSession, type PlannedSession, type PlanStage, type SessionRequest } from '@/core/session/session-plan'
import { loadSolver } from './solver'

/** What comes back over the wall: each better plan as it is found, the one that it comes to, and at the end that with what would help. */
export interface SessionReply {
  readonly stage: PlanStage | 'done'
  readonly plan: PlannedSession
}

/** Loaded as soon as the thread is there: it may be made before anybody asks. */
const loading = loadSolver()

/** Plans one session a message, on a thread of its own, since the solver blocks while it thinks. */
parentPort?.on('message', (request: SessionRequest) => {
  void (async () => {
    const solve = await loading
    const say = (reply: SessionReply) => parentPort?.postMessage(reply)
    const plan = planSession(
      request,
      solve,
      () => performance.now() / 1000,
      (better, stage) => say({ stage, plan: better }),
    )
    say({ stage: 'done', plan })
  })()
})
