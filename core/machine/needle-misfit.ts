import { systemKey, systemName } from '../knowledge/needle/needle'
import type { Happening } from './event'
import type { Traits } from '../knowledge/machine/trait'

/**
 * Why a needle that a line puts into a machine does not seat there: another shank is refused, never "close enough".
 * Undefined: it seats, or nobody has written down what the machine takes.
 */
export function needleMisfit({ needleSystem }: Traits, happened: Happening): string | undefined {
  if (happened.kind !== 'needle-changed' || !happened.body.in || needleSystem === undefined) return undefined
  const { system } = happened.body.in
  if (systemKey(system) === systemKey(needleSystem)) return undefined
  return `This machine takes needles of system ${systemName(needleSystem)}; one of system ${systemName(system)} does not seat in it`
}
