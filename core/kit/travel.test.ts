import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARCHETYPES } from '../knowledge/machine/archetype'
import { kitMachine } from './kit-machine'
import { KitSchema } from './kit-schema'
import { check } from '../schema/validate'
import { computeKit } from './kit'
import { overrideKit, type Override } from './override'
import type { Kit, KitRequest } from './request'
import { choicesIn, travel } from './travel'

const machines = ARCHETYPES.map(({ traits }) => {
  const known = kitMachine(traits)
  if (!('machine' in known)) throw new Error('an archetype knows its machine')
  return known.machine
})
const [home, vintage] = [machines[0]!, machines.find(({ needleSystem }) => needleSystem === 'long shank')!]
const WORKS = [
  { fabric: { structure: 'woven', massGsm: 150 }, layers: { seam: 2, crossing: 4 }, operation: 'seam' },
  {
    fabric: { structure: 'woven', massGsm: 340, traits: ['canvas'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  },
  {
    fabric: { structure: 'knit', massGsm: 180, stretchPercent: 30 },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
  },
] as const
const because = 'the learner has sewn it so before'
const CHOICES: readonly Override[] = [
  { part: 'needle', value: { point: 'jeans', sizeNm: 90 }, because },
  { part: 'needle', value: { point: 'universal', sizeNm: 110 }, because },
  { part: 'foot', value: 'walking', because },
  { part: 'thread', value: { tex: 40, fibre: 'polyester', use: 'heavy' }, because },
  { part: 'pressure', value: 'low', because },
  { part: 'stitch', value: { lengthMm: 3.5, widthMm: 0 }, because },
  { part: 'dial', value: 5, because },
] as readonly Override[]

const best = (request: KitRequest): Kit | undefined => computeKit(request).kits[0]

describe('a choice made by hand goes with its owner', () => {
  it('kept where it holds, else said with what it is instead: never dropped in silence, whatever the machine', () => {
    let [kept, left] = [0, 0]
    fc.assert(
      fc.property(
        fc.constantFrom(...WORKS),
        fc.constantFrom(...machines),
        fc.constantFrom(...machines),
        fc.uniqueArray(fc.constantFrom(...CHOICES), { minLength: 1, maxLength: 3, selector: ({ part }) => part }),
        (work, from, to, choices) => {
          const [here, there] = [
            { ...work, machine: from },
            { ...work, machine: to },
          ]
          const [first, computed] = [best(here), best(there)]
          if (!first || !computed) return
          const given = overrideKit(here, first, choices)
          if (given.breaks.some(({ severity }) => severity === 'stop')) return
          const kit = travel(there, given.kit, computed)
          check(KitSchema, JSON.parse(JSON.stringify(kit)))
          const said = [...(kit.overrides ?? []), ...(kit.dropped ?? [])].map(({ part }) => part)
          expect(said.sort()).toEqual(choices.map(({ part }) => part).sort())
          for (const dropped of kit.dropped ?? []) {
            left += 1
            expect(dropped.because).toBe(because)
            for (const words of [dropped.asked, dropped.why, dropped.instead]) expect(words.length).toBeGreaterThan(0)
          }
          kept += kit.overrides?.length ?? 0
          // What holds there holds as chosen, and breaks nothing that stops.
          const again = overrideKit(
            there,
            computed,
            choicesIn(kit).filter(({ part }) => kit.overrides?.some((each) => each.part === part)),
          )
          expect(again.breaks.filter(({ severity }) => severity === 'stop')).toEqual([])
          // On it goes: nothing that was asked is forgotten on the way.
          expect(
            choicesIn(kit)
              .map(({ part }) => part)
              .sort(),
          ).toEqual(said.sort())
        },
      ),
      {
        numRuns: 300,
        // Of either kind one, first of all: however few there is time for, both are met.
        examples: [[WORKS[0], home, vintage, [CHOICES[0]!, CHOICES[4]!]]],
      },
    )
    // Both happen, or this shows nothing.
    expect(kept).toBeGreaterThan(0)
    expect(left).toBeGreaterThan(0)
  })

  it('holds again when they come back to a machine that can do it', () => {
    const work = WORKS[0] as unknown as KitRequest
    const [here, there] = [
      { ...work, machine: home },
      { ...work, machine: vintage },
    ]
    const given = overrideKit(here, best(here)!, [CHOICES[0]!]).kit
    const away = travel(there, given, best(there)!)
    expect(away.dropped).toMatchObject([{ part: 'needle', asked: 'jeans 90/14', because }])
    expect(away.needle.point).toBe('universal')
    const back = travel(here, away, best(here)!)
    expect(back).toMatchObject({ needle: { point: 'jeans', sizeNm: 90 }, overrides: [{ part: 'needle', because }] })
    expect(back.dropped).toBeUndefined()
  })
})
