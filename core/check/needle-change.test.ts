import { describe, expect, it } from 'vitest'
import { ARCHETYPES, archetype } from '../knowledge/archetype'
import { kitMachine } from '../machine/kit-machine'
import { TRAITS, type TraitName, type Traits } from '../machine/trait'
import { check } from '../schema/validate'
import { needleChangeSteps } from './needle-change'
import { roomCheck, seatCheck } from './seat-check'

const said = (traits: Traits) =>
  needleChangeSteps(traits)
    .map(({ title, how, caution = '' }) => `${title} ${how} ${caution}`)
    .join('\n')

describe('a kind of machine', () => {
  it.each(ARCHETYPES.map((each) => [each.id, each] as const))(
    '%s answers every trait as its schema wants it',
    (_, each) => {
      for (const [name, value] of Object.entries(each.traits)) check(TRAITS[name as TraitName], value)
      expect(kitMachine(each.traits)).toHaveProperty('machine')
    },
  )

  it.each(ARCHETYPES.map((each) => [each.id, each] as const))(
    '%s has whole sentences in every list',
    (_, { traits }) => {
      const steps = [...seatCheck(traits), ...roomCheck(traits), ...needleChangeSteps(traits)]
      for (const { title, how } of steps) expect(`${title} ${how}`).not.toMatch(/[{}]|undefined|NaN/)
      expect(new Set(needleChangeSteps(traits).map(({ step }) => step)).size).toBe(needleChangeSteps(traits).length)
    },
  )
})

describe('a needle change', () => {
  it('begins with the power off and ends with a swatch, on every machine, even an unknown one', () => {
    for (const traits of [{}, ...ARCHETYPES.map((each) => each.traits)]) {
      const steps = needleChangeSteps(traits)
      expect(steps[0]!.title).toBe('Foot off the pedal, power off')
      expect(steps.at(-1)!.title).toBe('Power on, a test swatch')
    }
  })

  it('is worded for exactly this machine', () => {
    const vintage = said(archetype('vintage-straight').traits)
    expect(vintage).toContain('Flat to the left')
    expect(vintage).toContain('Thread it from right to left')
    expect(vintage).toContain('screw, at the left')
    expect(vintage).toContain('the wrong way round')
    const industrial = said(archetype('industrial-straight').traits)
    expect(industrial).toContain('Long groove to the left')
    expect(industrial).not.toContain('Flat to the')
    const electronic = said(archetype('electronic-drop-in').traits)
    expect(electronic).toContain('Flat to the back')
    expect(electronic).toContain('by fingers alone')
    expect(electronic).not.toContain('the wrong way round')
    expect(said({ ...archetype('vintage-straight').traits, handWheel: 'away' })).toContain('away from you')
  })

  it('says so when nobody knows which way the needle faces', () => {
    expect(said({})).toContain('Nobody has written down which way')
    expect(said({ shankFlat: 'round' })).toContain('Nobody has written down which way')
  })
})

describe('a seat check', () => {
  const ways = (traits: Traits) => seatCheck(traits).map(({ step }) => step)
  it('asks for the needle in the middle only where it can stand elsewhere', () => {
    expect(ways({ needlePosition: 'centre' })).not.toContain('needle-centred')
    expect(ways({ needlePosition: 'anywhere', straightNeedleAt: 'centre' })).toContain('needle-centred')
    expect(ways({ needlePosition: 'left-or-centre', straightNeedleAt: 'left' })).toContain('needle-centred-from-left')
  })

  it('offers the threader only for a needle that it takes', () => {
    const traits: Traits = { threader: 'built-in', threaderNm: { min: 75, max: 100 } }
    const kit = (sizeNm: number) =>
      ({
        needle: { point: 'universal', sizeNm },
        stitch: { iso: '301', lengthMm: 2.5, widthMm: 0 },
        dial: { offset: 0 },
      }) as Parameters<typeof seatCheck>[1]
    const steps = (sizeNm: number) => seatCheck(traits, kit(sizeNm)).map(({ step }) => step)
    expect(steps(80)).toContain('threader')
    expect(steps(70)).toContain('threader-too-fine')
    expect(seatCheck(traits).map(({ step }) => step)).not.toContain('threader')
  })
})
