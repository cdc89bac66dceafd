import 'server-only'
import type { EventKind, Happening } from '@/core/machine/event'
import { applyCorrections } from '@/core/machine/fold'
import { readNewest } from '@/store/machine/book'
import { theStore } from './store'

/** More than is written at one machine in an evening. */
const LINES = 80

/** What stands of some kinds in the books of some machines, corrections applied, oldest first. */
export async function readEveningBooks(
  siteId: string,
  machineIds: readonly string[],
  kinds: readonly EventKind[],
): Promise<(machineId: string) => readonly (Happening & { readonly happenedAt: string })[]> {
  const books = new Map(
    await Promise.all(
      [...new Set(machineIds)].map(async (machineId) => {
        const { lines, around } = await readNewest(theStore(), siteId, machineId, { limit: LINES, kinds })
        const standing = applyCorrections([...lines, ...around]).flatMap(({ event, happening }) =>
          happening ? [{ ...happening, happenedAt: event.happenedAt }] : [],
        )
        return [machineId, standing] as const
      }),
    ),
  )
  return (machineId) => books.get(machineId) ?? []
}
