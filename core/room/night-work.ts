/** What a server does by itself each night: lets go of sign-ins, practice rooms and calls that are over, erases whose time is over, keeps a copy, asks whether letters would go out. */
export const NIGHT_WORKS = ['tidying', 'erasing', 'copying', 'letters'] as const
export type NightWork = (typeof NIGHT_WORKS)[number]

/** What stood in its way, as far as it can be told from outside of the server. */
export const NIGHT_TROUBLES = ['full', 'barred', 'missing', 'away', 'unanswered', 'turned-away', 'other'] as const
export type NightTrouble = (typeof NIGHT_TROUBLES)[number]

export interface NightRecord {
  readonly work: NightWork
  /** ISO; absent: never yet */
  readonly doneAt?: string
  /** of the last try, where that one failed */
  readonly trouble?: NightTrouble
}

/** A night may be late by half a day (a server that was off, a clock that changed) before anybody is troubled with it. */
const LATE_HOURS = 36

/** Which of a night's works have not been done for longer than a night, as of now (ISO); in the order in which they are done. */
export const undoneWork = (records: readonly NightRecord[], now: string): NightRecord[] =>
  records.filter(({ doneAt }) => doneAt === undefined || Date.parse(now) - Date.parse(doneAt) > LATE_HOURS * 3_600_000)

const TROUBLES: ReadonlyMap<unknown, NightTrouble> = new Map([
  ['ENOSPC', 'full'],
  ['EDQUOT', 'full'],
  ['EACCES', 'barred'],
  ['EPERM', 'barred'],
  ['EROFS', 'barred'],
  ['ENOENT', 'missing'],
  ['ENOTDIR', 'missing'],
  ['ECONNREFUSED', 'away'],
  ['ETIMEDOUT', 'away'],
  ['ENOTFOUND', 'away'],
])

/** What stands in a letter's way has codes of its own, and some in common with a database. */
const LETTER_TROUBLES: ReadonlyMap<unknown, NightTrouble> = new Map([
  ['EAUTH', 'turned-away'],
  ['ENOAUTH', 'turned-away'],
  ['ECONNECTION', 'unanswered'],
  ['ECONNREFUSED', 'unanswered'],
  ['ESOCKET', 'unanswered'],
  ['ETIMEDOUT', 'unanswered'],
  ['EDNS', 'unanswered'],
])

/** @param code of the error that a system made; what anything else means stands in the server's journal alone */
export const troubleOf = (work: NightWork, code: unknown): NightTrouble =>
  (work === 'letters' ? LETTER_TROUBLES : TROUBLES).get(code) ?? 'other'

const UNDONE: Readonly<Record<NightWork, string>> = {
  tidying: 'Old sign-ins, practice rooms and calls have not been cleared away',
  erasing: 'Learners whose time is over have not been erased',
  copying: 'The server has made no copy of its books',
  letters: 'No letter would have gone out',
}
const BECAUSE: Readonly<Record<NightTrouble, string>> = {
  full: 'Its disk is full.',
  barred: 'It may not write into the folder for it.',
  missing: 'The folder for it is not there.',
  away: 'The database was away when it last tried.',
  unanswered: 'The mail server did not answer when it last asked.',
  'turned-away': 'The mail server does not take the name and password that it has.',
  other: 'Its own journal says why.',
}

/** What was not done, since when and why. @param moment says a moment (ISO) by the venue's clock */
export const undoneWords = ({ work, doneAt, trouble }: NightRecord, moment: (at: string) => string): string =>
  `${UNDONE[work]} ${doneAt ? `since ${moment(doneAt)}` : 'so far'}. ${trouble ? BECAUSE[trouble] : 'It has not tried since.'}`
