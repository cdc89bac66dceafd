import { nightsLetter, type Letter } from '@/core/people/letters'
import { NIGHT_WORKS, troubleOf, undoneWords, type NightWork } from '@/core/room/night-work'
import { lapseCalls } from '@/store/calls/open-call'
import { connect, type Store } from '@/store/connect'
import { eraseWhoseTimeIsOver } from '@/store/people/retention'
import { readCoordinators } from '@/store/site/coordinators'
import { forgetNightWork, noteNightWork, TOLD_AGAIN_DAYS, toTellOfNights } from '@/store/site/night-work'
import { prunePractice, pruneSignIns } from '@/store/site/prune'
import { formatInTimeZone } from '@/ui/time'
import { nightlyCopy } from './backups'
import { keepErased } from './erased-list'

const HOUR_MS = 3_600_000
/** By the server's own clock: after whoever sews late has gone home. */
const FROM_HOUR = 3

const dayOf = (now: Date): string => `${now.getFullYear()}-${now.getMonth()}-${now.getDate()}`

type Works = Readonly<Partial<Record<NightWork, (now: Date) => Promise<void>>>>

/**
 * Once a day, in the hour after three at night, each work by itself: one that fails holds up none of the others, and is tried again
 * the next hour.
 * @param told of each try, with what stood in its way; may not fail itself
 * @param more what is done over and over; none of it may fail itself
 * @returns how to stop; what is being done is done to its end, which is waited for by whoever likes to
 */
export function everyNight(
  works: Works,
  told: (work: NightWork, now: Date, failed?: NodeJS.ErrnoException) => Promise<void>,
  more: {
    /** at the beginning and each hour, whatever the hour */
    readonly eachHour?: ((now: Date) => Promise<void>) | undefined
    /** once all of a night were tried */
    readonly over?: (now: Date) => Promise<void>
  } = {},
): () => Promise<void> {
  const done = new Map<NightWork, string>()
  const look = async () => {
    const now = new Date()
    await more.eachHour?.(now)
    if (now.getHours() < FROM_HOUR) return
    let anyTried = false
    for (const work of NIGHT_WORKS) {
      const run = works[work]
      if (!run || done.get(work) === dayOf(now)) continue
      const failed = await run(now).then(
        () => undefined,
        (error: unknown) => (error instanceof Error ? error : new Error(String(error))),
      )
      anyTried = true
      if (!failed) done.set(work, dayOf(now))
      await told(work, now, failed)
    }
    if (anyTried) await more.over?.(now)
  }
  // A night's work may take longer than an hour: it is not begun beside itself.
  let looking: Promise<void> | undefined
  const lookOnce = () => void (looking ??= look().finally(() => (looking = undefined)))
  const timer = setInterval(lookOnce, HOUR_MS)
  lookOnce()
  return () => {
    clearInterval(timer)
    return looking ?? Promise.resolve()
  }
}

/** How letters are sent, and the address under which people open the server. */
export interface Post {
  readonly send: (to: string, letter: Letter) => Promise<unknown>
  /** whether the mail server would take one: fails where it would not */
  readonly reach: () => Promise<unknown>
  readonly origin: string
}

/** Writes to coordinators of what has not been done for longer than a night, once and then once a week. */
async function writeOfNights(store: Store, { send, origin }: Post, now: Date, say: (words: string) => void) {
  const { undone, takeBack } = await toTellOfNights(store, now)
  if (undone.length === 0) return
  let sent = 0
  for (const { name, email, venue, timeZone } of await readCoordinators(store)) {
    const words = undone.map((record) => undoneWords(record, (at) => formatInTimeZone(at, timeZone)))
    const letter = nightsLetter(words, {
      ...{ name, venue, againDays: TOLD_AGAIN_DAYS },
      ...(undone.some(({ work }) => work === 'copying') && { takeCopy: `${origin}/venue#take-copy` }),
    })
    await send(email, letter).then(
      () => (sent += 1),
      (error: Error) => say(`a coordinator of ${venue} could not be written to: ${error.message}`),
    )
  }
  if (sent === 0) await takeBack()
}

/**
 * What a server does by itself each night. Whether it was done is noted in the database, from where coordinators are told, on their
 * screens and by letter: a journal that nobody reads tells nobody.
 * @param backups the folder of nightly copies; absent: none are made, and none are promised
 * @param post absent: no letters are sent
 * @param say what goes into the journal
 * @returns how to stop, as {@link everyNight}
 */
export function startNights(
  databaseUrl: string,
  { backups, post }: { readonly backups?: string | undefined; readonly post?: Post | undefined },
  say: (words: string) => void,
): () => Promise<void> {
  const inStore = async (work: (store: Store) => Promise<void>): Promise<void> => {
    const store = connect(databaseUrl)
    try {
      await work(store)
    } finally {
      await store.destroy()
    }
  }
  const listErased = async (store: Store, folder: string, now: Date) => {
    const again = await keepErased(store, folder, now)
    if (again > 0) say(`${again} who were erased before are erased again: an older database was put back`)
  }
  const note = (work: (store: Store) => Promise<void>) =>
    inStore(work).catch((error: Error) => say(`what was done at night could not be noted: ${error.message}`))
  return everyNight(
    {
      tidying: (now) =>
        inStore(async (store) => {
          await pruneSignIns(store, now)
          await prunePractice(store, now)
          await lapseCalls(store, now)
        }),
      erasing: (now) =>
        inStore(async (store) => {
          const erased = await eraseWhoseTimeIsOver(store, now)
          if (erased > 0) say(`${erased} whose time is over are erased`)
          if (backups) await listErased(store, backups, now)
        }),
      ...(backups && { copying: (now: Date) => nightlyCopy(databaseUrl, backups, now) }),
      ...(post && { letters: async () => void (await post.reach()) }),
    },
    async (work, now, failed) => {
      if (failed) say(`the night’s ${work} was not done: ${failed.message}`)
      await note((store) => noteNightWork(store, work, now, failed && troubleOf(work, failed.code)))
    },
    {
      // Whoever was erased by day is in the list before the day’s books can be lost.
      eachHour:
        backups === undefined
          ? undefined
          : (now) =>
              inStore((store) => listErased(store, backups, now)).catch((error: Error) =>
                say(`who was erased could not be kept: ${error.message}`),
              ),
      over: (now) =>
        note(async (store) => {
          if (!backups) await forgetNightWork(store, 'copying', now)
          if (!post) await forgetNightWork(store, 'letters', now)
          // Of all that was not done in one letter.
          if (post) await writeOfNights(store, post, now, say)
        }),
    },
  )
}
