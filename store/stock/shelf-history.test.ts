import fc from 'fast-check'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { itemKey, type StockItem } from '@/core/stock/item'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { Refused } from '../refused'
import { readIds } from '../site/ids'
import { aVenue, freshStore } from '../testing/store'
import { readShelves, asKitStock } from './stock'

let store: Store
let end: () => Promise<void>
beforeAll(async () => {
  ;({ store, end } = await freshStore())
})
afterAll(() => end())

const ITEMS: readonly StockItem[] = [
  { kind: 'needle', system: '130/705 H', point: 'universal', sizeNm: 80 },
  { kind: 'thread', tex: 27, fibre: 'polyester', use: 'all-purpose' },
  { kind: 'bobbin', bobbinClass: 'Class 15' },
]
type Deed = { readonly name: string; readonly item: number; readonly count: number }
const anyDeed: fc.Arbitrary<Deed> = fc.record({
  name: fc.constantFrom('receive-stock', 'count-stock', 'take-stock', 'adjust-stock', 'fit'),
  item: fc.nat(ITEMS.length - 1),
  count: fc.integer({ min: 1, max: 9 }),
})

/** A venue's shelves after random deeds, in the store and in a notebook kept beside it. */
async function after(deeds: readonly Deed[], code: string) {
  const who: Actor = await aVenue(store, code)
  const machineId = uuid()
  const place = { x: 1, y: 1 }
  let now = Date.UTC(2026, 2, 5, 18)
  const run = (name: string, body: object) => {
    now += 1000
    return runCommand(store, who, name, { commandId: uuid(), body }, new Date(now))
  }
  await run('add-machine', { machineId, name: 'Heron', number: 1, place, traits: ORDINARY_TRAITS, source: 'manual' })
  const notebook = new Map<string, number>()
  for (const { name, item: index, count } of deeds) {
    const item = ITEMS[index]!
    const key = itemKey(item)
    const there = notebook.get(key)
    // Somebody looks between any two deeds: what is remembered of that must not be told again.
    await readShelves(store, who.siteId)
    if (name === 'fit') {
      const needle = { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' }
      const at = new Date(now + 500).toISOString()
      await run('log', { machineId, happenedAt: at, kind: 'needle-changed', body: { in: needle } })
      const shelf = itemKey(ITEMS[0]!)
      if (notebook.has(shelf)) notebook.set(shelf, notebook.get(shelf)! - 1)
      continue
    }
    const change = count % 2 === 0 ? -count : count
    const body = name === 'adjust-stock' ? { item, change, because: 'found while tidying' } : { item, count }
    const asked = name === 'take-stock' ? count : name === 'adjust-stock' && change < 0 ? -change : 0
    const wanted = run(name, body)
    if (asked > Math.max(0, there ?? 0)) {
      await expect(wanted).rejects.toBeInstanceOf(Refused)
      continue
    }
    await wanted
    if (name === 'receive-stock') notebook.set(key, (there ?? 0) + count)
    if (name === 'count-stock') notebook.set(key, count)
    if (name === 'take-stock') notebook.set(key, there! - count)
    if (name === 'adjust-stock') notebook.set(key, (there ?? 0) + change)
  }
  return { who, notebook }
}

describe('a shelf, whatever is done with it', () => {
  it('holds what a careful notebook says, and never gives what is not there', async () => {
    let venue = 0
    const letters = (index: number) =>
      [...String(index).padStart(3, '0')].map((digit) => String.fromCharCode(97 + Number(digit))).join('')
    await fc.assert(
      fc.asyncProperty(fc.array(anyDeed, { minLength: 1, maxLength: 14 }), async (deeds) => {
        venue += 1
        const { who, notebook } = await after(deeds, `shelf${letters(venue)}`)
        const shelves = await readShelves(store, who.siteId)
        expect(new Map(shelves.map(({ item, count, beyond }) => [itemKey(item), count - beyond]))).toEqual(notebook)
        for (const { count, beyond } of shelves) {
          expect(count).toBeGreaterThanOrEqual(0)
          expect(count * beyond).toBe(0)
        }
        expect((await readIds(store, who.siteId, 'shelf')).sort()).toEqual([...notebook.keys()].sort())
        const stock = asKitStock(await readShelves(store, who.siteId))
        expect(stock === undefined).toBe(notebook.size === 0)
        for (const { point, sizeNm, count } of stock?.needles ?? [])
          expect(count).toBe(
            Math.max(0, notebook.get(itemKey({ kind: 'needle', system: '130/705 H', point, sizeNm }))!),
          )
      }),
      { numRuns: 25 },
    )
  })
})
