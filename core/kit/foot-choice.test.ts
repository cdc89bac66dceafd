import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Facts } from '../knowledge/fact'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { EVEN_FEED, FEET, FOOT_WISHES, type Foot } from '../knowledge/stitch/foot'
import { holds } from '../schema/rule'
import { anyMachine } from '../testing/arbitraries'
import { chooseFoot } from './foot-choice'
import type { KitMachine } from './request'

const OPERATIONS = ['seam', 'buttonhole', 'zip', 'blind-hem', 'mending', 'free-motion', 'embroidery', 'quilting']
const anyFacts: fc.Arbitrary<Facts> = fc.record({
  operation: fc.constantFrom(...OPERATIONS),
  structure: fc.constantFrom('woven', 'pile', 'leather'),
  traits: fc.subarray(['napped', 'bulky', 'quilted']),
  holesStay: fc.boolean(),
})
const anyFeet = fc.subarray([...FEET])
const choose = (facts: Facts, machine: KitMachine | undefined, wide = false) =>
  chooseFoot({ facts, knowledge: KNOWLEDGE }, machine, wide)
const wishOf = (facts: Facts) => FOOT_WISHES.find(({ when }) => holds(when, facts))!.give

describe('the foot of a kit', () => {
  it('is one that the machine has and the needle does not strike: the first wished for that is there', () =>
    fc.assert(
      fc.property(anyFacts, anyMachine, anyFeet, fc.boolean(), (facts, some, feet, wide) => {
        const chosen = choose(facts, { ...some, feet, evenFeed: false }, wide)
        const there = (foot: Foot) => feet.includes(foot) && !(wide && foot === 'straight')
        const wish = wishOf(facts)
        if ('refusal' in chosen) {
          const others = wish.essential ? [] : ['standard', 'zigzag', 'straight', ...(wish.standIns ?? [])]
          expect([...wish.feet, ...(others as Foot[])].filter(there)).toEqual([])
          return
        }
        expect(there(chosen.foot)).toBe(true)
        const first = wish.feet.find(there)
        if (first) expect(chosen.foot).toBe(first)
        // A foot whose work the eye and the hand do instead is said to be missing, and prices the kit.
        expect(chosen.byEye).toBe(first === undefined && wish.missing !== undefined)
        if (chosen.byEye) expect(chosen.because).toBe(wish.missing)
      }),
    ))

  it('is a plain one beside built-in even feed, the plainest that is there, and the feed is what does the work', () =>
    fc.assert(
      fc.property(anyMachine, anyFeet, (some, feet) => {
        const chosen = choose({ operation: 'quilting' }, { ...some, feet, evenFeed: true })
        if ('refusal' in chosen) {
          expect(feet).not.toContain('walking')
          return
        }
        const plain = (['walking', 'standard', 'zigzag', 'straight'] as const).find((foot) => feet.includes(foot))
        if (plain) expect(chosen.foot).toBe(plain)
        const said = EVEN_FEED.replace('{foot}', chosen.foot)
        if (plain && plain !== 'walking') expect(chosen.because).toBe(said)
        else expect(chosen.because).not.toBe(said)
      }),
    ))

  it('on cloth that sticks glides first, and even feed frees no foot from sticking', () => {
    const sticky: Facts = { operation: 'seam', holesStay: true }
    const [machine] = fc.sample(anyMachine, { numRuns: 1, seed: 1 })
    const on = (...feet: Foot[]) => choose(sticky, { ...machine!, feet, evenFeed: true })
    expect(on('standard', 'roller', 'non-stick')).toMatchObject({ foot: 'non-stick', byEye: false })
    expect(on('standard', 'zigzag')).toMatchObject({ foot: 'standard', byEye: true })
  })

  it('that no plain one can stand in for is refused without it, and says what would help', () => {
    const [machine] = fc.sample(anyMachine, { numRuns: 1, seed: 1 })
    const chosen = choose({ operation: 'free-motion' }, { ...machine!, feet: ['standard', 'zigzag'], evenFeed: true })
    expect(chosen).toMatchObject({
      refusal: {
        limit: 'foot',
        value: 'darning or embroidery',
        allowed: ['standard', 'zigzag'],
        wouldHelp: 'A darning or embroidery foot that fits this machine.',
      },
    })
    expect(choose({ operation: 'free-motion' }, { ...machine!, feet: [], evenFeed: false })).toMatchObject({
      refusal: { because: expect.stringMatching(/The machine has none\.$/) as string },
    })
  })

  it('wants more than a preference where its absence is a thing to say, or nothing stands in', () => {
    const wanted = (operation: string) => (choose({ operation }, undefined) as { wanted: boolean }).wanted
    expect(Object.fromEntries(OPERATIONS.map((each) => [each, wanted(each)]))).toEqual({
      seam: false,
      buttonhole: true,
      zip: true,
      'blind-hem': true,
      mending: true,
      'free-motion': true,
      embroidery: false,
      quilting: false,
    })
  })
})
