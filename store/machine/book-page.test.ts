import fc from 'fast-check'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { MachinesFileSchema } from '@/core/exchange/machines-file'
import { kindsOf, shownLines } from '@/core/machine/book-lines'
import { BOOK_FILTERS } from '@/core/machine/book-filter'
import { foldMachine } from '@/core/machine/fold'
import { check } from '@/core/schema/validate'
import { anyHistoryInTheRoom } from '@/core/testing/histories'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { machineWith } from '../testing/books'
import { aVenue, freshStore } from '../testing/store'
import { readBook, readNewest, type BookLine } from './book'
import { readMachine } from './machines'
import { readMachinesFile } from './machines-file'

let store: Store
let end: () => Promise<void>
let here: Actor
let there: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  here = await aVenue(store, 'here')
  there = await aVenue(store, 'there')
})
afterAll(() => end())

const run = (who: Actor, name: string, body: object, commandId = uuid()) =>
  runCommand(store, who, name, { commandId, body })

/** What a person reads of a line: its words, whether it stands, and what corrects it or is corrected by it. */
const read = (lines: readonly BookLine[], around: readonly BookLine[]) =>
  shownLines(lines, around).map(({ event, ...shown }) => ({ eventId: event.eventId, ...shown }))

describe('a page of a book', () => {
  it('reads as it would in the whole book, however long the page, whatever it is about, and however it was corrected', () =>
    fc.assert(
      fc.asyncProperty(
        anyHistoryInTheRoom,
        fc.integer({ min: 1, max: 8 }),
        fc.option(fc.constantFrom(...BOOK_FILTERS), { nil: undefined }),
        async (history, limit, about) => {
          const machineId = await machineWith(store, here, history)
          const newestFirst = [...(await readBook(store, here.siteId, machineId))].reverse()
          const kinds = about && kindsOf(about)
          const wanted = newestFirst.filter(({ kind }) => !kinds || kinds.includes(kind))
          const page = await readNewest(store, here.siteId, machineId, { limit, kinds })
          expect(page.lines).toEqual(wanted.slice(0, limit))
          expect(page.older).toBe(wanted.length > limit)
          const whole = new Map(read(newestFirst, []).map((line) => [line.eventId, line]))
          for (const line of read(page.lines, page.around)) expect(line).toEqual(whole.get(line.eventId))
          // Nothing is read twice, and nothing of the page is read around it.
          const around = page.around.map(({ eventId }) => eventId)
          expect(new Set(around).size).toBe(around.length)
          expect(page.lines.some(({ eventId }) => around.includes(eventId))).toBe(false)
        },
      ),
      { numRuns: 40 },
    ))

  it('of another venue’s machine is empty', async () => {
    const machineId = await machineWith(store, here, [])
    await run(here, 'log', { machineId, happenedAt: new Date().toISOString(), kind: 'cleaned', body: {} })
    expect((await readNewest(store, here.siteId, machineId, { limit: 5 })).lines).toHaveLength(1)
    expect(await readNewest(store, there.siteId, machineId, { limit: 5 })).toEqual({
      lines: [],
      around: [],
      older: false,
    })
  })
})

describe('a whole book, out and in again', () => {
  it('is the same book in another venue, line for line and state for state', () =>
    fc.assert(
      fc.asyncProperty(anyHistoryInTheRoom, async (history) => {
        const machineId = await machineWith(store, here, history)
        const file = await readMachinesFile(store, here.siteId, machineId)
        check(MachinesFileSchema, JSON.parse(JSON.stringify(file)))
        await run(there, 'import-machines', { file })
        const told = async (who: Actor) => {
          const book = await readBook(store, who.siteId, machineId)
          return book.map(({ recordedAt: _, ...line }) => line)
        }
        expect(await told(there)).toEqual(await told(here))
        const { state } = (await readMachine(store, there.siteId, machineId))!
        expect(state).toEqual(JSON.parse(JSON.stringify(foldMachine(await told(here)))))
        expect(await readMachinesFile(store, there.siteId, machineId)).toEqual(file)
      }),
      { numRuns: 12 },
    ))
})
