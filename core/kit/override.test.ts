import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { KitSchema } from './kit-schema'
import { check } from '../schema/validate'
import { anyRequest } from '../testing/arbitraries'
import { computeKit } from './kit'
import { overrideKit, type Override } from './override'
import type { KitRequest } from './request'

const request: KitRequest = {
  fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3, traits: [] },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
  machine: {
    needleSystem: '130/705 H',
    needleNm: { min: 60, max: 100 },
    dial: { min: 0, max: 9, normal: 4, step: 0.5 },
    stitches: ['straight', 'zigzag'],
    maxWidthMm: 5,
    lengthMm: { min: 0.5, max: 4 },
    spoolPins: 2,
    feet: ['standard', 'zigzag'],
    evenFeed: false,
    maxStackMm: 6,
    maxLeatherMm: 3.2,
    footPressure: 'fixed',
  },
}
const kit = computeKit(request).kits[0]!
/** A machine whose stitches do not go down to nothing. */
const withShortest = (asked: KitRequest): KitRequest =>
  asked.machine ? { ...asked, machine: { ...asked.machine, lengthMm: { ...asked.machine.lengthMm, min: 0.5 } } } : asked
const because = 'the drawer is empty'
const breaks = (...overrides: Override[]) =>
  overrideKit(request, kit, overrides).breaks.map(({ rule, severity }) => `${severity} ${rule.replace('breaks-', '')}`)

describe('a part chosen otherwise', () => {
  it('takes the place of what was chosen, keeps the reason, and says what it was', () => {
    const { kit: chosen } = overrideKit(request, kit, [{ part: 'dial', value: 4.5, because }])
    expect(chosen.dial.setting).toBe(4.5)
    expect(chosen.overrides).toEqual([{ part: 'dial', because, instead: '4', breaks: [] }])
    expect(chosen.reasons.find(({ part }) => part === 'dial')).toMatchObject({ rule: 'override', because })
    check(KitSchema, JSON.parse(JSON.stringify(chosen)))
  })

  it.each<[string, Override, string[]]>([
    ['a needle nobody sells', { part: 'needle', value: { point: 'stretch', sizeNm: 80 }, because }, ['stop not-sold']],
    [
      'a needle the machine does not take',
      { part: 'needle', value: { point: 'universal', sizeNm: 110 }, because },
      ['stop too-large-for-machine', 'note too-thick'],
    ],
    ['a needle too thick', { part: 'needle', value: { point: 'universal', sizeNm: 100 }, because }, ['note too-thick']],
    [
      'a needle too fine',
      { part: 'needle', value: { point: 'universal', sizeNm: 60 }, because },
      ['note too-fine', 'note tight'],
    ],
    ['the wrong point', { part: 'needle', value: { point: 'leather', sizeNm: 80 }, because }, ['note wrong-point']],
    [
      'a twin wider than the plate',
      { part: 'needle', value: { point: 'twin-universal', sizeNm: 100, gapMm: 6 }, because },
      ['stop twin-plate', 'note too-thick'],
    ],
    [
      'a thread too thick',
      { part: 'thread', value: { tex: 80, fibre: 'polyester', use: 'topstitch' }, because },
      ['note shreds', 'note unequal-weights'],
    ],
    [
      'bonded cord',
      { part: 'thread', value: { tex: 90, fibre: 'nylon', finish: 'bonded', use: 'heavy' }, because },
      ['note shreds', 'stop bonded-too-heavy', 'note unequal-weights'],
    ],
    ['a foot that is not there', { part: 'foot', value: 'walking', because }, ['stop no-such-foot']],
    ['a pressure that is fixed', { part: 'pressure', value: 'low', because }, ['stop pressure-fixed']],
    ['too wide', { part: 'stitch', value: { lengthMm: 2.5, widthMm: 6 }, because }, ['stop width-reach']],
    [
      'too short to unpick',
      { part: 'stitch', value: { lengthMm: 1, widthMm: 0 }, because },
      ['note length-note-short'],
    ],
    ['beyond the dial', { part: 'dial', value: 11, because }, ['stop dial-off-scale', 'note dial-far']],
    ['far from the start', { part: 'dial', value: 7, because }, ['note dial-far']],
    ['as it was', { part: 'dial', value: kit.dial.setting!, because }, []],
  ])('%s', (_, override, expected) => expect(breaks(override)).toEqual(expected))

  it('no hand puts a straight foot under a needle that would strike it, nor such a needle over that foot', () => {
    const strikes = (asked: KitRequest, override: Override) =>
      overrideKit(asked, computeKit(asked).kits[0]!, [override]).breaks.some(
        ({ rule, severity }) => rule === 'breaks-straight-foot' && severity === 'stop',
      )
    const withFeet = (...feet: NonNullable<KitRequest['machine']>['feet']): KitRequest => ({
      ...request,
      machine: { ...request.machine!, feet },
    })
    const foot = { part: 'foot', value: 'straight', because } as const
    const twin = { part: 'needle', value: { point: 'twin-universal', sizeNm: 80, gapMm: 2 }, because } as const
    expect(strikes({ ...withFeet('standard', 'straight'), operation: 'edge-stitch' }, foot)).toBe(true)
    expect(strikes(withFeet('standard', 'straight'), foot)).toBe(false)
    expect(strikes(withFeet('straight'), twin)).toBe(true)
  })

  it('breaks nothing by repeating what the kit has, for any request, and always speaks whole sentences', () =>
    fc.assert(
      fc.property(anyRequest, fc.constantFrom(60, 80, 120), (asked, sizeNm) => {
        const [best] = computeKit(asked).kits
        if (!best) return
        const { point, gapMm } = best.needle
        const same = overrideKit(asked, best, [
          {
            part: 'needle',
            value: { point, sizeNm: best.needle.sizeNm, ...(gapMm !== undefined && { gapMm }) },
            because,
          },
        ])
        expect(same.breaks.filter(({ severity }) => severity === 'stop')).toEqual([])
        const other = overrideKit(asked, best, [{ part: 'needle', value: { point: 'universal', sizeNm }, because }])
        for (const each of other.breaks) expect(each.because).toMatch(/^[^{}]{8,}\.$/)
      }),
      { numRuns: 500 },
    ))

  it('can break every rule there is', () => {
    const told = new Set<string>()
    fc.assert(
      fc.property(anyRequest, fc.integer({ min: 0, max: 1e6 }), (asked, seed) => {
        const [best] = computeKit(asked).kits
        if (!best) return
        const pick = <Value>(...values: Value[]): Value => values[seed % values.length]!
        const overrides: Override[] = [
          {
            part: 'needle',
            value: pick(
              { point: 'twin-universal' as const, sizeNm: 100, gapMm: 6 },
              { point: 'leather' as const, sizeNm: 120 },
              { point: 'universal' as const, sizeNm: 60 },
              { point: 'stretch' as const, sizeNm: 80 },
            ),
            because,
          },
          {
            part: 'thread',
            value: pick(
              { tex: 90, fibre: 'nylon' as const, finish: 'bonded' as const, use: 'heavy' as const },
              { tex: 30, fibre: 'polyester' as const, use: 'all-purpose' as const },
            ),
            because,
          },
          { part: 'foot', value: pick('straight' as const, 'zip' as const, 'standard' as const), because },
          { part: 'pressure', value: 'high', because },
          { part: 'stitch', value: { lengthMm: pick(0.2, 2, 9), widthMm: pick(4, 0, 12) }, because },
          { part: 'dial', value: pick(-3, 4, 30), because },
        ]
        for (const { rule } of overrideKit({ ...withShortest(asked), learner: true }, best, overrides).breaks)
          told.add(rule)
      }),
      { numRuns: 1500, seed: 7 },
    )
    for (const { id } of KNOWLEDGE.overrideChecks) expect([...told]).toContain(id)
  })
})
