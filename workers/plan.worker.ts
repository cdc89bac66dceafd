import { parentPort } from 'node:worker_threads'
import { compute } from '@/core/compute/computations'
import { Invalid, type Fault } from '@/core/schema/invalid'
import { loadSolver } from './solver'

/** What comes back over the wall: an answer, or what was wrong with the question. */
export type PlanReply = { readonly answer: object } | { readonly fault: Fault }

/** Answers one plan a message, on a thread of its own, since the solver blocks while it thinks. */
parentPort?.on('message', (request: unknown) => {
  void (async () => {
    const solve = await loadSolver()
    try {
      const answer = compute('plan', request, { solve, clock: () => performance.now() / 1000 })
      parentPort?.postMessage({ answer } satisfies PlanReply)
    } catch (error) {
      if (!(error instanceof Invalid)) throw error
      parentPort?.postMessage({ fault: error.fault } satisfies PlanReply)
    }
  })()
})
