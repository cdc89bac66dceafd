import type { CheckGroup } from '../knowledge/check/check'
import type { AfterFail } from './lead-on'

/** The gravest first: what can hurt, then what breaks something, then what only sews badly. Source: safety. */
const GRAVITY: readonly CheckGroup[] = [
  'no-touch',
  'needle',
  'bobbin',
  'threading',
  'raise',
  'settings',
  'line',
  'swatch',
]

/** Of several steps that did not pass the one that leads: a milder fail never hides a graver one. */
export function gravest<Step extends { readonly group: CheckGroup; readonly after: AfterFail }>(
  failed: readonly Step[],
): Step | undefined {
  const rank = ({ group, after: { stops } }: Step) =>
    stops === 'electrical' ? -2 : stops ? -1 : GRAVITY.indexOf(group)
  return [...failed].sort((a, b) => rank(a) - rank(b))[0]
}
