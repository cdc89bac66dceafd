import { writeSheet } from '@/core/exchange/sheet-text'
import { MACHINE_COLUMNS, machineCells } from '@/core/exchange/machine-rows'
import type { MachineEvent } from '@/core/machine/event'
import { shownLines } from '@/core/machine/book-lines'
import { TRAIT_NAMES } from '@/core/knowledge/machine/trait'
import { readMachinesFile } from '@/store/machine/machines-file'
import { notFound, Refused } from '@/store/refused'
import { asDownload, isId } from '../../_server/answer'
import { storeOf } from '../../_server/store'
import { route } from '../../_server/asked'

const BOOK_COLUMNS = ['machine', 'happened_at', 'kind', 'who', 'title', 'detail', 'counts', 'event_id', 'body'] as const

/**
 * Machines and their books to take away. `?form=json` comes back without loss, `?form=csv` is the machines with their
 * traits, `?form=book` their lines as CSV; `machine` asks for one only.
 */
export const GET = route({ may: 'see-book' }, async ({ actor, query }) => {
  const machineId = query.get('machine') ?? undefined
  if (machineId !== undefined && !isId(machineId)) throw notFound('machine', 'machine')
  const form = query.get('form') ?? 'json'
  const file = await readMachinesFile(storeOf(actor.siteId), actor.siteId, machineId)
  const name = machineId === undefined ? 'machines' : `machine-${file.machines[0]!.number}`
  if (form === 'json') return asDownload(`${name}.json`, 'application/json', JSON.stringify(file, null, 2))
  if (form === 'csv') {
    const rows = file.machines.map((machine) =>
      machineCells({
        ...machine,
        traits: Object.fromEntries(machine.traits.map(({ trait, value }) => [trait, value])),
      }),
    )
    return asDownload(`${name}.csv`, 'text/csv; charset=utf-8', writeSheet([...MACHINE_COLUMNS, ...TRAIT_NAMES], rows))
  }
  if (form !== 'book') throw new Refused(400, 'invalid', '"form" must be one of json, csv, book', 'form')
  const who = new Map(file.people.map(({ personId, name: person }) => [personId, person]))
  const rows = file.machines.flatMap((machine) =>
    shownLines(machine.book as MachineEvent[], []).map(({ event, title, detail, counts }) => [
      machine.name,
      event.happenedAt,
      event.kind,
      who.get(event.personId) ?? 'somebody',
      title,
      detail,
      counts ? 'yes' : 'no',
      event.eventId,
      JSON.stringify(event.body),
    ]),
  )
  return asDownload(`${name}-book.csv`, 'text/csv; charset=utf-8', writeSheet(BOOK_COLUMNS, rows))
})
