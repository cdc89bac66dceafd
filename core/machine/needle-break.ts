import type { BodyOf } from './event'

/** A needle taken out broken is broken, whatever else is said of it. */
export const isBroken = ({ state, reason }: NonNullable<BodyOf<'needle-changed'>['out']>): boolean =>
  state === 'broken' || reason === 'broken'

/** A run of the finder about a break speaks of the last one so far back; without one it is itself the report. */
const SAME_BREAK_MS = 12 * 3_600_000

/** Whether a run of the finder is the first word of a break. @param brokeAt when a needle last broke there, ISO */
export const reportsBreak = (
  { symptom }: Pick<BodyOf<'fault-run'>, 'symptom'>,
  { happenedAt }: { readonly happenedAt: string },
  brokeAt: string | undefined,
): boolean =>
  symptom === 'needle-breaks' && (brokeAt === undefined || Date.parse(happenedAt) - Date.parse(brokeAt) > SAME_BREAK_MS)
