import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARCHETYPES } from '../knowledge/machine/archetype'
import { bobbinVolumeOf, kitMachine, TRAITS_FOR_A_KIT } from './kit-machine'
import type { Traits } from '../knowledge/machine/trait'

describe('a machine as the kit sees it', () => {
  it('is known for each kind that a room may begin from', () => {
    for (const { traits } of ARCHETYPES) expect(kitMachine(traits)).toHaveProperty('machine')
  })

  it('is not known while one trait that a kit rests on is missing, and names exactly those', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ARCHETYPES),
        fc.subarray([...TRAITS_FOR_A_KIT], { minLength: 1 }),
        ({ traits }, missing) => {
          const some = Object.fromEntries(
            Object.entries(traits).filter(([name]) => !missing.includes(name as (typeof missing)[number])),
          ) as Traits
          const answer = kitMachine(some)
          expect('missing' in answer && [...answer.missing].sort()).toEqual([...missing].sort())
        },
      ),
    ))

  it('has what was told of it besides, and nothing of what was not', () => {
    const { straightPlate: _, heaviestTex: __, lengthMarks: ___, ...plain } = ARCHETYPES[0]!.traits
    const lengthMarks = { lowest: 1, highest: 4, step: 1, mmAtLowest: 1, mmAtHighest: 4 }
    const seen = (traits: Traits) => {
      const answer = kitMachine(traits)
      return 'machine' in answer ? answer.machine : undefined
    }
    for (const name of ['straightPlate', 'heaviestTex', 'lengthMarks']) expect(seen(plain)).not.toHaveProperty(name)
    for (const straightPlate of [true, false])
      expect(seen({ ...plain, straightPlate, heaviestTex: 70, lengthMarks })).toMatchObject({
        straightPlate,
        heaviestTex: 70,
        lengthMarks,
      })
  })

  it('holds the thread of its own bobbin where somebody measured one, else of its class', () => {
    const nominal = bobbinVolumeOf({ bobbinClass: '15' })!
    expect(nominal).toBeGreaterThan(0)
    const measured = bobbinVolumeOf({ bobbinClass: '15', bobbinSize: { fillMm: 20, hubMm: 6, widthMm: 8 } })
    expect(measured).not.toBe(nominal)
    expect(bobbinVolumeOf({ bobbinClass: 'nobody’s' })).toBeUndefined()
    expect(bobbinVolumeOf({})).toBeUndefined()
  })
})
