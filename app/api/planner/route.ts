import { answerTo } from '../../_server/asked'
import { readySolver } from '../../_server/planner'

/** A run sheet is open before somebody who plans: the solver is loaded before they ask. */
export const GET = answerTo('ready-planner', { may: 'set-plan' }, () => {
  readySolver()
  return { ready: true }
})
