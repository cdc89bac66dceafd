import type { Static } from 'typebox'
import { capital, counted } from '../units/words'
import type { ClassSettingsSchema } from './class-settings-schema'
import type { HouseRules } from './house-rules'

/** What one class does in its own way; whatever is absent is as the room has it. */
export type ClassSettings = Static<typeof ClassSettingsSchema>

/** The rules by which a class works: the room's, but for what the class does in its own way. */
export const rulesOfClass = <Rules extends Partial<HouseRules>>(
  rules: Rules,
  { tension, beginners }: Pick<ClassSettings, 'tension' | 'beginners'>,
): Rules => ({ ...rules, ...(tension && { tension }), ...(beginners !== undefined && { beginners }) })

/** How many members of staff so many learners at machines want; none where the class is not supervised. */
export const staffWanted = ({ supervised }: Pick<ClassSettings, 'supervised'>, learners: number): number =>
  supervised ? Math.ceil(learners / supervised.toOne) : 0

/** How a class is supervised, in words; absent where it is not. */
export const supervisedWords = ({ supervised }: Pick<ClassSettings, 'supervised'>): string | undefined =>
  supervised && `under ${supervised.under}: one grown-up to ${supervised.toOne} at the machines`

/** What a plan asks of staff where a class is supervised, in words. @param seats block of each seat, from 1 */
export function supervisedAsks(
  ofClass: Pick<ClassSettings, 'supervised'>,
  seats: readonly { readonly block: number }[],
): string | undefined {
  const how = supervisedWords(ofClass)
  if (!how) return undefined
  const blocks = [...new Set(seats.map(({ block }) => block))].sort((a, b) => a - b)
  const wanted = blocks.map((block) => ({
    block,
    staff: staffWanted(ofClass, seats.filter((seat) => seat.block === block).length),
  }))
  const most = wanted.reduce((a, b) => (b.staff > a.staff ? b : a), { block: 0, staff: 0 })
  const asks = most.staff === 0 ? '' : `. Block ${most.block} wants ${counted(most.staff, 'grown-up')}`
  return `${capital(how)}${asks}.`
}
