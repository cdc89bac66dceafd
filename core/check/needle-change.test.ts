import { describe, expect, it } from 'vitest'
import { ARCHETYPES, archetype } from '../knowledge/machine/archetype'
import { kitMachine } from '../kit/kit-machine'
import { TRAITS, type TraitName, type Traits } from '../knowledge/machine/trait'
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
        extras: [] as string[],
      }) as Parameters<typeof seatCheck>[1]
    const steps = (sizeNm: number) => seatCheck(traits, kit(sizeNm)).map(({ step }) => step)
    expect(steps(80)).toContain('threader')
    expect(steps(70)).toContain('threader-too-fine')
    expect(seatCheck(traits).map(({ step }) => step)).not.toContain('threader')
  })

  describe('with what is in the bag', () => {
    const bag = (kit: object): NonNullable<Parameters<typeof seatCheck>[1]> => ({
      needle: { system: '130/705 H', point: 'universal', sizeNm: 80, sizeUs: 12 },
      topThread: { tex: 27, fibre: 'polyester', use: 'all-purpose' },
      stitch: { of: 'straight', iso: '301', lengthMm: 2.5, widthMm: 0, lock: 'reverse' },
      dial: { offset: 0, setting: 4 },
      extras: [],
      ...kit,
    })
    const named = (traits: Traits, kit: object, step: string) =>
      seatCheck(traits, bag(kit)).find((each) => each.step === step)
    const zigzag = { stitch: { of: 'zigzag', iso: '304', lengthMm: 2, widthMm: 4, lock: 'reverse' } }

    it.each(['twin-universal', 'twin-stretch', 'wing'] as const)('threads a %s by hand, never by threader', (point) => {
      const traits: Traits = { threader: 'built-in', threaderNm: { min: 60, max: 120 } }
      const needle = { system: '130/705 H', point, sizeNm: 100, sizeUs: 16 }
      expect(named(traits, { needle }, 'threader')).toBeUndefined()
      expect(named(traits, { needle }, 'threader-too-fine')!.how).toMatch(/made for one ordinary needle.*by hand/)
    })

    it('threads by hand a thread that the threader does not take', () => {
      const traits: Traits = { threader: 'built-in', threaderNm: { min: 60, max: 120 }, threaderTex: 40 }
      const thick = { topThread: { tex: 70, fibre: 'polyester', use: 'topstitch' } }
      expect(named(traits, thick, 'threader')).toBeUndefined()
      expect(named(traits, {}, 'threader')).toBeDefined()
    })

    it('says where zigzag is for a plain zigzag alone; other stitches are found in the manual', () => {
      const traits: Traits = { straightStitchMark: 'A', zigzagStitchMark: 'B' }
      expect(named(traits, zigzag, 'stitch-mark-zigzag')!.how).toContain('Zigzag is at B')
      for (const of of ['stretch', 'buttonhole', 'decorative'] as const) {
        const kit = { stitch: { ...zigzag.stitch, of } }
        expect(named(traits, kit, 'stitch-mark-zigzag')).toBeUndefined()
        expect(named(traits, kit, 'stitch-mark-other')!.how).toMatch(/find it in the manual/)
      }
    })

    it('tells the number to set from the number that the screen shows for the stitch', () => {
      const tensionDial = { min: 0, max: 9, normal: 4, step: 0.5, byStitch: { straight: 5 } }
      expect(named({ tensionSetOn: 'screen', tensionDial }, {}, 'dial-on-screen-shown')!.how).toContain(
        'Set it to 4; it shows 5 for this stitch',
      )
    })

    it('is tugged between take-up and needle or straight back, never sideways at the needle', () => {
      expect(named({}, {}, 'tug')!.how).toMatch(/between take-up lever and needle, or straight back.*never sideways/)
    })

    it('looks at plate and foot before whatever swings, is a twin or has wings, where a straight one may be on', () => {
      const here: Traits = { straightPlate: true }
      const needle = (point: string) => ({ needle: { system: '130/705 H', point, sizeNm: 100, sizeUs: 16 } })
      for (const kit of [zigzag, needle('twin-universal'), needle('wing')]) {
        const step = named(here, kit, 'zigzag-plate')!
        expect(step.after).toMatchObject({ stops: 'do-not-sew' })
        expect(step.caution).toMatch(/^Power off/)
        expect(named({ feet: ['standard', 'straight'] }, kit, 'zigzag-plate')).toBeDefined()
        expect(named({ feet: ['standard'] }, kit, 'zigzag-plate')).toBeUndefined()
      }
      expect(named(here, {}, 'zigzag-plate')).toBeUndefined()
    })

    it('has the feed dogs down, or covered, where the hands move the cloth, and up everywhere else', () => {
      const moved = { extras: ['dogs-down'] }
      expect(named({ dogsDrop: true }, moved, 'dogs-up')).toBeUndefined()
      expect(named({ dogsDrop: true }, moved, 'dogs-down')!.how).toContain('hands move the cloth')
      expect(named({ dogsDrop: false }, moved, 'dogs-covered')!.how).toContain('cover plate')
      expect(named({ dogsDrop: true }, {}, 'dogs-up')).toBeDefined()
      expect(named({ dogsDrop: true }, {}, 'dogs-down')).toBeUndefined()
    })

    it('has the needle to the side of a zip, turned by hand past foot and plate, and never on a straight plate', () => {
      const zip = { stitch: { of: 'straight', iso: '301', lengthMm: 2.5, widthMm: 0, lock: 'reverse', aside: true } }
      const traits: Traits = { needlePosition: 'anywhere', straightPlate: true }
      expect(named(traits, zip, 'needle-centred')).toBeUndefined()
      expect(named(traits, zip, 'needle-aside')!.how).toContain('turn one stitch by hand')
      expect(named(traits, zip, 'zigzag-plate')!.after).toMatchObject({ stops: 'do-not-sew' })
      expect(named({ needlePosition: 'centre' }, zip, 'needle-fixed')!.how).toContain('set the foot beside it')
    })

    it('begins with hair, cords and sleeves', () => {
      expect(seatCheck({})[0]!.title).toBe('Hair, cords and sleeves tied back')
    })
  })
})
