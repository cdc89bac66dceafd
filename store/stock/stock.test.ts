import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { StockItem } from '@/core/stock/item'
import { itemKey } from '@/core/stock/item'
import { shelvesAway } from '@/core/stock/ledger'
import { reconcileNeedles } from '@/core/stock/reconcile'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aVenue, freshStore } from '../testing/store'
import { readMoves, readNeedleBooks, readShelves, asKitStock } from './stock'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'shelf')
})
afterAll(() => end())

const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
const cone: StockItem = { kind: 'thread', tex: 27, fibre: 'polyester', use: 'all-purpose' }
const on = async (item: StockItem) => (await readShelves(store, who.siteId, itemKey(item)))[0]?.count

describe('a shelf', () => {
  it('holds what came less what went; the same move sent twice lands once', async () => {
    const id = uuid()
    await run('receive-stock', { item: cone, count: 6 }, id)
    await run('receive-stock', { item: cone, count: 6 }, id)
    await run('take-stock', { item: cone, count: 2 })
    await run('adjust-stock', { item: cone, change: -1, because: 'tangled beyond help' })
    expect(await on(cone)).toBe(3)
    await run('count-stock', { item: cone, count: 5 })
    expect(await on(cone)).toBe(5)
  })

  it('that is empty is put away by a line, wanted no more, and comes back when something is said of it', async () => {
    const item: StockItem = { kind: 'thread', tex: 40, fibre: 'cotton', use: 'all-purpose' }
    await run('count-stock', { item, count: 1 })
    await expect(run('put-shelf-away', { item })).rejects.toMatchObject({ code: 'not-empty', path: 'item' })
    await run('take-stock', { item, count: 1 })
    await run('put-shelf-away', { item })
    expect(await on(item)).toBeUndefined()
    const away = shelvesAway(await readMoves(store, who.siteId))
    expect(away.map((each) => itemKey(each.item))).toEqual([itemKey(item)])
    await expect(run('put-shelf-away', { item })).rejects.toMatchObject({ status: 404 })
    await run('receive-stock', { item, count: 3 })
    expect(await on(item)).toBe(3)
    expect(shelvesAway(await readMoves(store, who.siteId))).toEqual([])
  })

  it('gives its last to one of two who take it at once, and tells the other', async () => {
    const foot: StockItem = { kind: 'foot', foot: 'walking' }
    await run('count-stock', { item: foot, count: 1 })
    const outcomes = await Promise.allSettled(
      Array.from({ length: 6 }, () => run('take-stock', { item: foot, count: 1 })),
    )
    expect(outcomes.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    for (const outcome of outcomes)
      if (outcome.status === 'rejected') expect(outcome.reason).toMatchObject({ status: 409, code: 'not-on-hand' })
    expect(await on(foot)).toBe(0)
    await expect(run('adjust-stock', { item: foot, change: -1, because: 'gone' })).rejects.toMatchObject({
      code: 'not-on-hand',
    })
  })

  it('loses a needle with every new one that is fitted, and gets it back when that is undone', async () => {
    const machineId = uuid()
    await run('add-machine', {
      machineId,
      name: 'Ruff',
      number: 1,
      place: { x: 1, y: 1 },
      traits: {},
      source: 'manual',
    })
    const item: StockItem = { kind: 'needle', system: '130/705 H', point: 'jeans', sizeNm: 100 }
    await run('count-stock', { item, count: 3 })
    const eventId = uuid()
    const body = { in: { system: '130/705 H', point: 'jeans', sizeNm: 100, condition: 'new' } }
    const log = (kind: string, what: object, id: string) =>
      run('log', { machineId, happenedAt: new Date(Date.now() + 5).toISOString(), kind, body: what }, id)
    await log('needle-changed', body, eventId)
    expect(await on(item)).toBe(2)
    expect(asKitStock(await readShelves(store, who.siteId))).toMatchObject({
      needles: [{ point: 'jeans', sizeNm: 100, count: 2 }],
    })
    await log('correction', { corrects: eventId, because: 'wrong machine' }, uuid())
    expect(await on(item)).toBe(3)
    const [balance] = reconcileNeedles(await readMoves(store, who.siteId), await readNeedleBooks(store, who.siteId))
    expect(balance).toMatchObject({ bought: 3, inStock: 3, inMachines: 0, short: 0 })
    // A line of another kind that was meant to be a needle change takes one as well.
    const noted = uuid()
    await log('noted', { text: 'A new jeans needle' }, noted)
    const replacement = { kind: 'needle-changed', body }
    await log('correction', { corrects: noted, because: 'it belongs in the needle’s line', replacement }, uuid())
    expect(await on(item)).toBe(2)
  })

  it('is told without the long books being read again, until a needle line is written in one', async () => {
    const machineId = uuid()
    const place = { x: 2, y: 2 }
    await run('add-machine', { machineId, name: 'Knot', number: 2, place, traits: {}, source: 'manual' })
    const item: StockItem = { kind: 'needle', system: '130/705 H', point: 'stretch', sizeNm: 75 }
    await run('count-stock', { item, count: 40 })
    const change = () =>
      run('log', {
        machineId,
        happenedAt: new Date(Date.now() + 5).toISOString(),
        kind: 'needle-changed',
        body: { in: { system: '130/705 H', point: 'stretch', sizeNm: 75, condition: 'new' } },
      })
    for (let line = 0; line < 30; line += 1) await change()
    let rows = 0
    const counted = store.withPlugin({
      transformQuery: ({ node }) => node,
      transformResult: ({ result }) => {
        rows += result.rows.length
        return Promise.resolve(result)
      },
    })
    const told = async () => {
      rows = 0
      const shelves = await readShelves(counted, who.siteId)
      return { rows, left: shelves.find((each) => itemKey(each.item) === itemKey(item))?.count }
    }
    const moves = (await readMoves(store, who.siteId)).length
    const [first, again] = [await told(), await told()]
    expect(first.left).toBe(10)
    expect(first.rows).toBeGreaterThan(moves + 30)
    expect(again).toEqual({ rows: moves + 1, left: 10 })
    await change()
    expect((await told()).left).toBe(9)
  })
})

it('of a database that was put back to an earlier hour is asked anew, though as much was fitted since', async () => {
  const before = await freshStore()
  const there = await aVenue(before.store, 'putback')
  const machineId = uuid()
  const needle = (sizeNm: number) => ({ system: '130/705 H', point: 'universal', sizeNm })
  const did = (in_: Store, name: string, body: object) => runCommand(in_, there, name, { commandId: uuid(), body })
  const place = { x: 1, y: 1 }
  const machine = { machineId, name: 'Heron', number: 1, place, traits: ORDINARY_TRAITS, source: 'manual' }
  await did(before.store, 'add-machine', machine)
  for (const sizeNm of [80, 90])
    await did(before.store, 'count-stock', { item: { kind: 'needle', ...needle(sizeNm) }, count: 5 })
  await before.store.destroy()
  const counts: number[][] = []
  for (const sizeNm of [80, 90]) {
    const copy = await freshStore(before.url)
    const line = { kind: 'needle-changed', body: { in: { ...needle(sizeNm), condition: 'new' } } }
    await did(copy.store, 'log', { machineId, happenedAt: new Date().toISOString(), ...line })
    const shelves = await readShelves(copy.store, there.siteId)
    counts.push(shelves.map(({ count }) => count).sort())
    expect(shelves.find(({ item }) => 'sizeNm' in item && item.sizeNm === sizeNm)?.count).toBe(4)
    await copy.end()
  }
  expect(counts).toEqual([
    [4, 5],
    [4, 5],
  ])
  await before.end()
})
