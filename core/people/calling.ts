import type { Correction, Happening } from '../machine/event'
import { saidIn } from '../machine/said'

/** Whether a line calls somebody to come: what is handed on is handed to a person, and who is hurt is not alone. */
export function callsSomebody(line: Happening | Correction): boolean {
  const said = saidIn(line)
  return said?.kind === 'somebody-hurt' || (said?.kind === 'fault-run' && said.body.outcome === 'handed-on')
}
