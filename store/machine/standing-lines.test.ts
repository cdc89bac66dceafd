import fc from 'fast-check'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Happening } from '@/core/machine/event'
import { applyCorrections } from '@/core/machine/fold'
import { anyHistoryInTheRoom } from '@/core/testing/histories'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { machineWith } from '../testing/books'
import { aVenue, freshStore } from '../testing/store'
import { readBook } from './book'
import { readStanding } from './standing-lines'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'standing')
})
afterAll(() => end())

const KINDS = [
  'swatch-stitched',
  'needle-changed',
  'check-run',
  'used',
  'turn-ended',
] as const satisfies readonly Happening['kind'][]

describe('lines of some kinds, as they count', () => {
  it('are those of the whole book, whatever was put in place of what; the newest of them are its newest end', () =>
    fc.assert(
      fc.asyncProperty(
        anyHistoryInTheRoom,
        fc.subarray([...KINDS], { minLength: 1 }),
        fc.integer({ min: 1, max: 6 }),
        async (history, kinds, newest) => {
          const machineId = await machineWith(store, who, history)
          const book = await readBook(store, who.siteId, machineId)
          const whole = applyCorrections(book)
            .filter(({ happening }) => happening && (kinds as readonly string[]).includes(happening.kind))
            .map(({ event, happening }) => ({ machineId, event, happening }))
            .reverse()
          const which = { kinds, machineIds: [machineId] }
          expect(await readStanding(store, who.siteId, which)).toEqual(whole)
          const end = await readStanding(store, who.siteId, { ...which, newest })
          expect(end).toEqual(whole.slice(0, end.length))
          // Nothing is left out while there are no more of them than were asked for.
          const written = book.filter(({ kind }) => (kinds as readonly string[]).includes(kind))
          if (written.length < newest) expect(end).toEqual(whole)
        },
      ),
      { numRuns: 40 },
    ))

  it('leave nothing out between the newest and one that was long ago put in its own place', async () => {
    const swatch = (dial: number) => ({
      kind: 'swatch-stitched' as const,
      body: { dial, target: 'straight' as const, top: 'own' as const, under: 'own' as const, done: [] },
    })
    const line = (minute: number) => ({
      eventId: uuid(),
      personId: who.personId,
      happenedAt: new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString(),
    })
    const first = { ...line(1), ...swatch(1) }
    const correction = {
      ...line(4),
      kind: 'correction' as const,
      body: { corrects: first.eventId, because: 'a slip', replacement: swatch(9) },
    }
    const machineId = await machineWith(store, who, [
      first,
      { ...line(2), ...swatch(2) },
      { ...line(3), ...swatch(3) },
      correction,
    ])
    const dials = async (newest: number) => {
      const which = { kinds: ['swatch-stitched'] as const, machineIds: [machineId], newest }
      return (await readStanding(store, who.siteId, which)).map(({ happening }) => happening.body.dial)
    }
    expect([await dials(1), await dials(2), await dials(3)]).toEqual([[3], [3, 2], [3, 2, 9]])
  })

  it('are asked for at some machines only, and at none of none', async () => {
    const [one, other] = [await machineWith(store, who, []), await machineWith(store, who, [])]
    for (const machineId of [one, other]) {
      const body = { machineId, happenedAt: new Date().toISOString(), kind: 'turn-ended', body: { finished: true } }
      await runCommand(store, who, 'log', { commandId: uuid(), body })
    }
    const at = async (machineIds: string[]) =>
      (await readStanding(store, who.siteId, { kinds: ['turn-ended'], machineIds })).map(({ machineId }) => machineId)
    expect(await at([one])).toEqual([one])
    expect((await at([one, other])).sort()).toEqual([one, other].sort())
    expect(await at([])).toEqual([])
  })
})
