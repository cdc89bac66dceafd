import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { anyMachine, anyRequest } from '../testing/arbitraries'
import { ORDINARY_MACHINE } from '../testing/ordinary-machine'
import { bagStanding, kitAnswerFor, kitDifferences, kitRequestFor, type KitRoom } from './for-room'
import { computeKit } from './kit'
import type { Kit, KitMachine, KitRequest } from './request'

const machine = ORDINARY_MACHINE
const small: KitMachine = { ...machine, maxLeatherMm: 1, feet: ['standard'] }
const room: KitRoom = { rules: DEFAULT_HOUSE_RULES, dropTests: [] }
const poplin: Pick<KitRequest, 'fabric' | 'layers' | 'operation'> = {
  fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3 },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
}
const leather = {
  ...poplin,
  fabric: { structure: 'leather' as const, thicknessMm: 1.2 },
  layers: { seam: 2, crossing: 2 },
}
const best = (work: typeof poplin, on: KitMachine, inRoom = room): Kit =>
  computeKit(kitRequestFor(work, on, inRoom)).kits[0]!

describe('the kits of a hall', () => {
  it('are for every machine what they would be asked for one by one, however often its like was asked before', () =>
    fc.assert(
      fc.property(
        fc.array(anyRequest, { minLength: 1, maxLength: 4 }),
        fc.array(anyMachine, { minLength: 1, maxLength: 3 }),
        (works, machines) => {
          const hall = { ...room }
          for (const on of [...machines, ...machines.map((each) => ({ ...each }))])
            for (const work of works)
              expect(kitAnswerFor(work, on, hall)).toEqual(computeKit(kitRequestFor(work, on, hall)))
        },
      ),
      { numRuns: 40 },
    ))

  it('are worked out once for rooms that bring the same, and anew as soon as one brings something else', () => {
    const read = (rules = DEFAULT_HOUSE_RULES): KitRoom => structuredClone({ ...room, rules })
    const first = kitAnswerFor(poplin, machine, read())
    expect(kitAnswerFor(structuredClone(poplin), structuredClone(machine), read())).toBe(first)
    const drawnOut = read({ ...DEFAULT_HOUSE_RULES, schools: { point: 'sharp-first' } })
    expect(kitAnswerFor(poplin, machine, drawnOut).kits[0]!.needle).not.toEqual(first.kits[0]!.needle)
  })

  it('are another room’s own where its rules are others', () => {
    const sharp: KitRoom = { ...room, rules: { ...DEFAULT_HOUSE_RULES, schools: { point: 'sharp-first' } } }
    expect(kitAnswerFor(poplin, machine, room).kits[0]!.needle.point).not.toBe('microtex')
    expect(kitAnswerFor(poplin, machine, sharp).kits[0]!.needle.point).toBe('microtex')
  })
})

describe('a bag on the rack', () => {
  const two = [
    { machineId: 'small', machine: small },
    { machineId: 'large', machine },
  ]
  it('stands on the best machine of the room, and says how many can do it', () => {
    expect(bagStanding(leather, two, room)).toMatchObject({ state: 'marginal', machineId: 'large', able: 1 })
    expect(bagStanding(poplin, two, room)).toMatchObject({ state: 'good', machineId: 'small', able: 2 })
    expect(bagStanding(leather, [two[0]!], room)).toMatchObject({ state: 'refused', able: 0 })
    expect(bagStanding(leather, [two[0]!], room).refusals[0]!.limit).toBe('leather-stack')
    expect(bagStanding(poplin, [{ machineId: 'unknown' }], room)).toEqual({ state: 'refused', refusals: [], able: 0 })
  })

  it('is sent to no machine that is stopped while another does it, and of equal ones to the sound one', () => {
    const alike = (...unsound: ('stopped' | 'fault' | undefined)[]) =>
      bagStanding(
        poplin,
        unsound.map((each, index) => ({ machineId: String(index), machine, unsound: each })),
        room,
      ).machineId
    expect(alike('stopped', 'fault', undefined)).toBe('2')
    expect(alike('stopped', 'fault')).toBe('1')
    expect(alike('stopped')).toBe('0')
    expect(alike(undefined, undefined)).toBe('0')
    // The better kit goes before the sounder machine, and a machine that does it before one that does not.
    expect(bagStanding(leather, [{ ...two[0]! }, { ...two[1]!, unsound: 'stopped' }], room).machineId).toBe('large')
    const empty = { ...room, stock: { needles: [], threads: [] } }
    expect(bagStanding(poplin, [{ ...two[0]!, unsound: 'fault' }, { machineId: 'unknown' }], empty).machineId).toBe(
      'small',
    )
  })

  it('stands on the machine it was given for, also where another would be better', () => {
    const given = { machineId: 'large', kit: best(poplin, machine) }
    expect(bagStanding(poplin, two, room, given)).toMatchObject({ state: 'good', machineId: 'large' })
    // The cloth has changed since: what was given is judged anew.
    expect(bagStanding(leather, two, room, { ...given, machineId: 'small' })).toMatchObject({
      state: 'refused',
      machineId: 'small',
    })
  })

  it('is short where the shelf cannot make it, and overridden where somebody chose otherwise', () => {
    const empty = { ...room, stock: { needles: [], threads: [] } }
    expect(bagStanding(poplin, two, empty).state).toBe('short')
    const kit = {
      ...best(poplin, machine),
      overrides: [{ part: 'dial' as const, because: 'x', instead: '4', breaks: [] }],
    }
    expect(bagStanding(poplin, two, room, { machineId: 'large', kit })).toMatchObject({ state: 'overridden', kit })
  })

  it('is refused exactly when no machine of the room has a kit for it', () =>
    fc.assert(
      fc.property(anyRequest, fc.array(anyMachine, { maxLength: 4 }), ({ fabric, layers, operation }, machines) => {
        const work = { fabric, layers, operation }
        const standing = bagStanding(
          work,
          machines.map((each, index) => ({ machineId: String(index), machine: each })),
          room,
        )
        const able = machines.filter((each) => computeKit(kitRequestFor(work, each, room)).kits.length > 0).length
        expect(standing.able).toBe(able)
        expect(standing.state === 'refused').toBe(able === 0)
        expect(standing.kit === undefined).toBe(able === 0)
      }),
      { numRuns: 200 },
    ))
})

describe('what a change would do', () => {
  it('names the parts that differ and no other', () => {
    const before = best({ ...poplin, operation: 'zigzag' }, machine)
    expect(kitDifferences(before, before)).toEqual([])
    const looser = { ...room, rules: { ...DEFAULT_HOUSE_RULES, numbers: { offsetZigzag: -2 } } }
    expect(kitDifferences(before, best({ ...poplin, operation: 'zigzag' }, machine, looser))).toEqual(['dial'])
    const sharp = { ...room, rules: { ...DEFAULT_HOUSE_RULES, schools: { point: 'sharp-first' as const } } }
    expect(kitDifferences(best(poplin, machine), best(poplin, machine, sharp))).toEqual(['needle'])
  })

  it('finds nothing to do where a number that does not bear on a cloth is changed', () =>
    fc.assert(
      fc.property(anyRequest, anyMachine, ({ fabric, layers }, on) => {
        const work = { fabric, layers, operation: 'seam' as const }
        const other = { ...room, rules: { ...DEFAULT_HOUSE_RULES, numbers: { offsetEmbroidery: -3, offsetTwin: -3 } } }
        const [a, b] = [room, other].map((each) => computeKit(kitRequestFor(work, on, each)).kits[0])
        if (a && b) expect(kitDifferences(a, b)).toEqual([])
      }),
      { numRuns: 200 },
    ))
})
