import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STALE_AFTER } from '../knowledge/check/check'
import { TRAIT_NAMES, type Traits } from '../knowledge/machine/trait'
import { seatCheck } from './seat-check'

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
