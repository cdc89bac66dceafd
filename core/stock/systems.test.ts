import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { computeKit } from '../kit/kit'
import type { KitMachine, KitStock } from '../kit/request'
import { archetype, ARCHETYPES } from '../knowledge/machine/archetype'
import { NEEDLE_SYSTEMS, POINTS, sizesSold, systemKey, type Point } from '../knowledge/needle/needle'
import { kitMachine } from '../kit/kit-machine'
import { needleMisfit } from '../machine/needle-misfit'
import type { Happening } from '../machine/event'
import { check } from '../schema/validate'
import { beforeClass } from '../care/before-class'
import { UNSEEN } from '../machine/fold'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { itemKey, itemWords, manySystems, needleItem } from './item'
import { StockItemSchema } from './item-schema'

const machineOf = (traits: (typeof ARCHETYPES)[number]['traits']): KitMachine => {
  const known = kitMachine(traits)
  if (!('machine' in known)) throw new Error('an archetype knows its machine')
  return known.machine
}
const everySold = NEEDLE_SYSTEMS.flatMap((system) =>
  (Object.keys(POINTS) as Point[]).flatMap((point) =>
    sizesSold(system, point).map((sizeNm) => needleItem({ system: system.name, point, sizeNm })),
  ),
)
const anySold = fc.constantFrom(...everySold)
const COTTON = { structure: 'woven', massGsm: 150 } as const
const WORK = { fabric: COTTON, layers: { seam: 2, crossing: 4 }, operation: 'seam' } as const
const threads: KitStock['threads'] = [{ tex: 27, fibre: 'polyester', use: 'all-purpose' }]

describe('a needle belongs to a system', () => {
  it('of every system in every size that is sold, to 140, lies on a shelf of its own', () => {
    expect(Math.max(...everySold.map(({ sizeNm }) => sizeNm))).toBe(140)
    const keys = new Set(everySold.map((item) => itemKey(check(StockItemSchema, item) as typeof item)))
    expect(keys.size).toBe(everySold.length)
    fc.assert(
      fc.property(anySold, anySold, (a, b) => {
        expect(itemKey(a) === itemKey(b)).toBe(JSON.stringify(a) === JSON.stringify(b))
      }),
    )
  })

  it('by whichever name its shank is called', () => {
    const named = (system: string) => itemKey(needleItem({ system, point: 'universal', sizeNm: 90 }))
    expect(named('135x17')).toBe(named('DP × 17'))
    expect(named('15x1')).toBe(named('130/705 h'))
    expect(named('130/705 H')).toBe('needle:universal:90:')
    expect(named('long shank')).not.toBe(named('130/705 H'))
    // A shank that no catalogue names is still one of its own.
    expect(named('my grandmother’s')).not.toBe(named('130/705 H'))
  })

  it('says its system where the room has more than one, and always where it is no household needle', () => {
    const [household, long] = ['130/705 H', 'long shank'].map((system) =>
      needleItem({ system, point: 'universal', sizeNm: 90 }),
    )
    expect(itemWords(household!)).toBe('universal 90/14')
    expect(itemWords(long!)).toBe('universal 90/14, system long shank')
    expect(manySystems([household!])).toBe(false)
    expect(manySystems([household!, long!])).toBe(true)
    expect(itemWords(household!, true)).toContain('130/705 H')
  })
})

describe('a machine is given needles of its own system only', () => {
  it('though the shelf is full of others: those are as good as not there', () => {
    const vintage = machineOf(archetype('vintage-straight').traits)
    const household = everySold.filter(({ system }) => system === '130/705 H').map((item) => ({ ...item, count: 9 }))
    const shelf = (needles: typeof household) => ({ needles: needles.map(({ kind: _, ...each }) => each), threads })
    const without = computeKit({ ...WORK, machine: vintage, stock: shelf(household) })
    expect(without.kits[0]).toMatchObject({ inStock: false, needle: { system: 'long shank' } })
    const own = needleItem({ system: 'long shank', point: 'universal', sizeNm: without.kits[0]!.needle.sizeNm })
    const withOwn = computeKit({ ...WORK, machine: vintage, stock: shelf([...household, { ...own, count: 1 }]) })
    expect(withOwn.kits[0]).toMatchObject({ inStock: true, needle: { system: 'long shank' } })
  })

  it('on every kind of machine, whatever lies there', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ARCHETYPES),
        fc.uniqueArray(anySold, { maxLength: 12, selector: itemKey }),
        (kind, lying) => {
          const machine = machineOf(kind.traits)
          const needles = lying.map(({ kind: _, ...each }) => ({ ...each, count: 3 }))
          const { kits } = computeKit({ ...WORK, machine, stock: { needles, threads } })
          for (const kit of kits) {
            expect(systemKey(kit.needle.system)).toBe(systemKey(machine.needleSystem))
            const there = lying.some(
              (item) =>
                itemKey(item) ===
                itemKey(needleItem({ system: kit.needle.system, point: kit.needle.point, sizeNm: kit.needle.sizeNm })),
            )
            if (kit.inStock) expect([kit.needle, there]).toEqual([kit.needle, true])
          }
        },
      ),
    ))

  it('and the bench list names the system, in words and in the line that its tap writes', () => {
    const { traits } = archetype('vintage-straight')
    const kit = computeKit({ ...WORK, machine: machineOf(traits) }).kits[0]!
    const task = beforeClass({ traits, state: UNSEEN }, kit, DEFAULT_HOUSE_RULES, '2026-01-01T00:00:00.000Z')[0]!
    expect(task.title).toContain('system long shank')
    expect(task.event).toMatchObject({ kind: 'needle-changed', body: { in: { system: 'long shank' } } })
    expect(needleMisfit(traits, task.event!)).toBeUndefined()
  })

  it('and one of another system never goes into its book', () => {
    const put = (system: string): Happening => ({
      kind: 'needle-changed',
      body: { in: { system, point: 'universal', sizeNm: 90, condition: 'new' } },
    })
    for (const { traits } of ARCHETYPES)
      for (const { name } of NEEDLE_SYSTEMS)
        expect(needleMisfit(traits, put(name)) === undefined).toBe(systemKey(name) === systemKey(traits.needleSystem!))
    expect(needleMisfit({}, put('long shank'))).toBeUndefined()
    expect(needleMisfit(archetype('vintage-straight').traits, put('130/705 H'))).toMatch(/long shank.*130\/705 H/)
  })
})
