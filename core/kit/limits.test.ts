import { describe, expect, it } from 'vitest'
import type { Thread } from '../units/thread'
import { ORDINARY_MACHINE } from '../testing/ordinary-machine'
import { computeKit } from './kit'
import type { KitMachine, KitRequest, Refusal } from './request'

const canvas = { structure: 'woven', massGsm: 400, thicknessMm: 0.7 } as const
const layers = { seam: 2, crossing: 2 }

/** What is said against a thread because of its weight on a machine, if anything. */
const againstThread = (thread: Thread, machine: Partial<KitMachine> = {}): Refusal | undefined =>
  computeKit({
    fabric: canvas,
    layers,
    operation: 'seam',
    thread,
    machine: { ...ORDINARY_MACHINE, needleNm: { min: 60, max: 140 }, ...machine },
  }).refusals.find(({ limit, value }) => limit === 'thread' && value === thread.tex)

const bonded = (tex: number): Thread => ({ tex, fibre: 'nylon', finish: 'bonded' })
const spun = (tex: number): Thread => ({ tex, fibre: 'polyester' })

describe('the heaviest thread of a machine', () => {
  it('is 70 tex bonded on a household machine whose card says nothing, and 70 itself is sewn', () => {
    expect(againstThread(bonded(70))).toBeUndefined()
    expect(againstThread(bonded(71))).toMatchObject({ allowed: 70 })
    expect(againstThread(bonded(71))?.because).toMatch(/heaviest bonded thread for a household machine/)
  })

  it('is no matter for thread that is not bonded, unless the card says so', () => {
    expect(againstThread(spun(90))).toBeUndefined()
    expect(againstThread(spun(90), { heaviestTex: 80 })).toMatchObject({ allowed: 80 })
    expect(againstThread(spun(80), { heaviestTex: 80 })).toBeUndefined()
  })

  it('is what its card says where it says so, above and below the usual', () => {
    expect(againstThread(bonded(100), { heaviestTex: 135 })).toBeUndefined()
    expect(againstThread(bonded(60), { heaviestTex: 40 })?.because).toMatch(/this machine’s card allows/)
  })

  it('is none on an industrial machine, until its card says one', () => {
    const industrial = { needleSystem: '134' }
    expect(againstThread(bonded(100), industrial)).toBeUndefined()
    expect(againstThread(bonded(100), { ...industrial, heaviestTex: 90 })).toMatchObject({ allowed: 90 })
  })
})

describe('a foot that is missing', () => {
  const leather = { structure: 'leather', thicknessMm: 1.2 } as const
  const withFeet = (feet: KitMachine['feet']) =>
    computeKit({ fabric: leather, layers, operation: 'zip', machine: { ...ORDINARY_MACHINE, feet } }).refusals.find(
      ({ limit }) => limit === 'foot',
    )

  it('is refused with the feet that the machine has, by name', () => {
    const refusal = withFeet(['darning'])
    expect(refusal?.allowed).toEqual(['darning'])
    expect(refusal?.because).toMatch(/The machine has darning\.$/)
    expect(withFeet([])?.because).toMatch(/The machine has none\.$/)
  })
})

describe('no needle at all', () => {
  const refusalOf = (request: Partial<Parameters<typeof computeKit>[0]>, machine: Partial<KitMachine>) =>
    computeKit({ fabric: canvas, layers, operation: 'seam', machine: { ...ORDINARY_MACHINE, ...machine }, ...request })
      .refusals
  const knit = { structure: 'knit', massGsm: 200, thicknessMm: 0.6 } as const

  it('of a system that nobody sells, or that is made in other points alone: what is, is named', () => {
    const [unknown] = refusalOf({}, { needleSystem: 'XX 9' })
    expect(unknown).toMatchObject({ limit: 'needle-system', value: 'XX 9' })
    expect(unknown!.allowed).toEqual(expect.arrayContaining(['130/705 H', '134']))
    const [other] = refusalOf({ fabric: knit }, { needleSystem: '134' })
    expect(other).toMatchObject({
      limit: 'needle-system',
      value: 'ballpoint or stretch',
      allowed: ['universal', 'leather'],
    })
    expect(other!.because).toMatch(/for system 134 only universal, leather are made/)
  })

  it('that is two steps or less from what the cloth wants is refused, either way', () => {
    const taken = (min: number, max: number, fabric: KitRequest['fabric']) =>
      refusalOf({ fabric }, { needleNm: { min, max } }).map(({ limit, value, allowed }) => [limit, value, allowed])
    expect(taken(60, 80, canvas)).toEqual([])
    expect(taken(60, 75, canvas)).toEqual([['needle-size', 100, 75]])
    const sheer = { structure: 'woven', massGsm: 40, thicknessMm: 0.1 } as const
    expect(taken(80, 120, sheer)).toEqual([])
    expect(taken(90, 120, sheer)).toEqual([['needle-size', 65, 90]])
    expect(refusalOf({ fabric: sheer }, { needleNm: { min: 90, max: 120 } })[0]!.wouldHelp).toMatch(
      /65 needle, or thicker cloth/,
    )
    expect(refusalOf({}, { needleNm: { min: 60, max: 70 } })[0]!.wouldHelp).toMatch(/100 needle, or thinner layers/)
  })

  it('that is double passes where the plate opens wide enough for the narrowest that is sold', () => {
    const hem = (maxWidthMm: number) => refusalOf({ fabric: knit, operation: 'knit-hem' }, { maxWidthMm })
    expect(hem(3.5)).toEqual([])
    expect(hem(3.4)).toMatchObject([{ limit: 'width', value: 3.5, allowed: 3.4 }])
    expect(hem(3.4)[0]!.because).toMatch(
      /of 2\.5 mm needs an opening for at least 3\.5 mm of zigzag; the machine has 3\.4 mm/,
    )
  })
})
