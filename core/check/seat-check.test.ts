import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STALE_AFTER } from '../knowledge/check/check'
import { TRAIT_NAMES, type Traits } from '../knowledge/machine/trait'
import { archetype } from '../knowledge/machine/archetype'
import { CHECK_STATIONS } from '../knowledge/check/seat-check'
import { seatCheck, stationsOf } from './seat-check'

const frontLoader: Traits = {
  shankFlat: 'back',
  eyeThreaded: 'front-to-back',
  bobbinCase: 'front-latch',
  bobbinRuns: 'P',
  bobbinClass: '15',
  bobbinMaterial: 'metal',
  bobbinThreadRaised: true,
  handWheel: 'towards',
  takeUp: 'slot',
  tensionDiscs: 'hidden',
  tensionDial: { min: 0, max: 9, normal: 4, step: 0.5 },
  spoolPin: 'upright',
  lengthDial: 'millimetres',
  lengthMm: { min: 0, max: 4 },
  straightStitchMark: 'A',
}
const dropIn: Traits = {
  ...frontLoader,
  bobbinCase: 'drop-in',
  bobbinMaterial: 'plastic',
  bobbinThreadRaised: false,
  needleRaisedBy: 'button',
  spoolPin: 'lying',
}
const vintage: Traits = {
  ...frontLoader,
  shankFlat: 'left',
  eyeThreaded: 'right-to-left',
  takeUp: 'closed-eye',
  tensionDiscs: 'outside',
  bobbinCase: 'side',
  bobbinRuns: '9',
  lengthDial: 'stitches-per-inch',
}
const said = (traits: Traits) =>
  seatCheck(traits)
    .map(({ title, how }) => `${title}: ${how}`)
    .join('\n')

describe('the seat check is of exactly this machine', () => {
  it('differs visibly between a front-loader, a drop-in and a flat-left vintage', () => {
    expect(said(frontLoader)).toContain('push the case in by its latch')
    expect(said(frontLoader)).toContain('Raise the bobbin thread')
    expect(said(dropIn)).toContain('Drop the bobbin in')
    expect(said(dropIn)).not.toContain('Raise the bobbin thread')
    expect(said(dropIn)).toContain('Press needle-up')
    expect(said(vintage)).toContain('faces left')
    expect(said(vintage)).toContain('from right to left')
    expect(said(vintage)).toContain('closed eye')
    expect(said(vintage)).toContain('hangs like a 9')
    expect(said(vintage)).toContain('10 stitches to the inch')
  })

  it('says a backwards length dial and the hand wheel’s own way', () => {
    expect(said({ ...frontLoader, lengthDial: 'backwards' })).toContain('smaller number makes a longer stitch')
    expect(said({ ...frontLoader, handWheel: 'away' })).toContain('away from you')
  })

  it('puts foot up before the discs, and the discs before the eye', () => {
    const order = seatCheck(vintage).map(({ step }) => step)
    expect(order.indexOf('foot-up')).toBeLessThan(order.indexOf('discs-outside'))
    expect(order.indexOf('discs-outside')).toBeLessThan(order.indexOf('eye'))
  })

  it('can clear every group but the swatch, however little is known of a machine', () =>
    fc.assert(
      fc.property(fc.subarray([...TRAIT_NAMES]), (names) => {
        const known = Object.fromEntries(
          names.filter((name) => name in vintage).map((name) => [name, vintage[name]]),
        ) as Traits
        const steps = seatCheck(known)
        const groups = new Set(steps.map(({ group }) => group))
        expect(STALE_AFTER['first-look'].filter((group) => !groups.has(group))).toEqual(['swatch'])
        expect(new Set(steps.map(({ step }) => step)).size).toBe(steps.length)
      }),
    ))
})

describe('the stations of a seat check', () => {
  it('are eight at most, in the order of the thread, and every step of any machine stands at just one of them', () => {
    for (const kind of ['iron-front-loader', 'vintage-straight', 'lettered-dial', 'industrial-straight'] as const) {
      const steps = seatCheck(archetype(kind).traits)
      const stations = stationsOf(steps)
      expect(stations.length).toBeLessThanOrEqual(8)
      const order = Object.keys(CHECK_STATIONS)
      const at = stations.map(({ station }) => order.indexOf(station))
      expect(at).toEqual([...at].sort((a, b) => a - b))
      const standing = stations.flatMap(({ steps: here }) => here.map(({ step }) => step))
      expect([...standing].sort()).toEqual(steps.map(({ step }) => step).sort())
    }
  })

  it('keep the order that safety asks for: tied back before anything turns, the wheel by hand before the foot sews', () => {
    const standing = stationsOf(seatCheck(archetype('iron-front-loader').traits)).flatMap(({ steps }) => steps)
    const at = (id: string) => standing.findIndex(({ step }) => step === id)
    expect(at('tied-back')).toBe(0)
    expect(at('foot-up')).toBeLessThan(at('discs-hidden'))
    expect(at('no-touch')).toBeLessThan(at('foot-down'))
  })

  it('that a change has made stale alone are left', () => {
    const bobbin = seatCheck(archetype('iron-front-loader').traits).filter(({ group }) => group === 'bobbin')
    expect(stationsOf(bobbin).map(({ station }) => station)).toEqual(['bobbin'])
    expect(stationsOf([])).toEqual([])
  })
})
