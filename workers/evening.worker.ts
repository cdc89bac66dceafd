import { parentPort } from 'node:worker_threads'
import { planEvening, type EveningPlan, type EveningRequest } from '@/core/session/evening-plan'
import { loadSolver } from './solver'

/** What comes back over the wall: each better plan as it is found, and at the end the last word. */
export interface EveningReply {
  readonly done: boolean
  readonly plan: EveningPlan
}

/** Plans one evening a message, on a thread of its own, since the solver blocks while it thinks. */
parentPort?.on('message', (request: EveningRequest) => {
  void (async () => {
    const solve = await loadSolver()
    const say = (reply: EveningReply) => parentPort?.postMessage(reply)
    const plan = planEvening(
      request,
      solve,
      () => performance.now() / 1000,
      (better) => say({ done: false, plan: better }),
    )
    say({ done: true, plan })
  })()
})
