import 'server-only'
import type { Happening } from '@/core/machine/event'
import { readStanding } from '@/store/machine/standing-lines'
import { booksOf } from './store'

/** Whoever sets up comes before a session, and whoever is late in ending it after. */
const AROUND_MS = 3_600_000

/** What stands of some kinds in the books of some machines around a session, corrections applied, oldest first. */
export async function readEveningBooks(
  siteId: string,
  session: { readonly startsAt: Date; readonly endsAt: Date },
  machineIds: readonly string[],
  kinds: readonly Happening['kind'][],
): Promise<(machineId: string) => readonly (Happening & { readonly happenedAt: string })[]> {
  const books = new Map<string, (Happening & { readonly happenedAt: string })[]>()
  const standing = await readStanding(booksOf(siteId), siteId, {
    kinds,
    machineIds,
    since: new Date(session.startsAt.getTime() - AROUND_MS),
    before: new Date(session.endsAt.getTime() + AROUND_MS),
  })
  for (const { machineId, event, happening } of standing.reverse()) {
    const book = books.get(machineId) ?? []
    book.push({ ...happening, happenedAt: event.happenedAt })
    books.set(machineId, book)
  }
  return (machineId) => books.get(machineId) ?? []
}
