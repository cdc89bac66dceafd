import { zoned } from './zoned'

const dayOf = zoned('en-CA', { year: 'numeric', month: '2-digit', day: '2-digit' })

/** The day on which a moment falls where the venue stands, `YYYY-MM-DD`. */
export const dayIn = (moment: Date, timeZone: string): string => dayOf(timeZone).format(moment)
