import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STRUCTURES } from '../knowledge/cloth/fabric'
import { isLargestEyed, POINTS, type Point } from '../knowledge/needle/needle'
import { OPERATIONS, STITCHES } from '../knowledge/stitch/stitch'
import { FEET } from '../knowledge/stitch/foot'
import { anyFabric, anyMachine, anyRequest, anyStock } from '../testing/arbitraries'
import { everyAnswer, everyKit } from '../testing/every-kit'
import { checkFacts } from '../check/seat-check'
import { computeKit } from './kit'
import { needleFit } from './needle-fit'
import type { Kit, KitAnswer, KitMachine, KitRequest } from './request'

/**
 * What two experts hold of every kit, over cloths × operations × threads × machines × shelves: no refusal on a guess, the
 * thread asked for is sewn, no two parts contradict, each reason is about the part it stands beside, and more of a machine
 * is never worse.
 */
const household: KitMachine = {
  needleSystem: '130/705 H',
  needleNm: { min: 60, max: 110 },
  dial: { min: 0, max: 9, normal: 4, step: 0.5 },
  stitches: [...STITCHES],
  maxWidthMm: 7,
  lengthMm: { min: 0, max: 5 },
  spoolPins: 2,
  feet: [...FEET],
  evenFeed: false,
  maxStackMm: 6,
  maxLeatherMm: 3.2,
  footPressure: 'adjustable',
}
const ask = (
  fabric: KitRequest['fabric'],
  operation: KitRequest['operation'] = 'seam',
  more: Partial<KitRequest> = {},
): KitAnswer => computeKit({ fabric, operation, layers: { seam: 2, crossing: 2 }, machine: household, ...more })
const first = (...of: Parameters<typeof ask>): Kit => {
  const answer = ask(...of)
  if (!answer.kits[0]) throw new Error(`refused: ${answer.refusals.map(({ because }) => because).join(' ')}`)
  return answer.kits[0]
}
const reason = (kit: Kit, part: string) =>
  kit.reasons
    .filter((each) => each.part === part)
    .map(({ because }) => because)
    .join(' ')
const on = (more: Partial<KitMachine>): Partial<KitRequest> => ({ machine: { ...household, ...more } })
describe('no refusal on a guess', () => {
  it('of the stack: it is tried under the foot, and measured', () =>
    fc.assert(
      fc.property(anyRequest, ({ fabric: { thicknessMm: _, ...fabric }, ...rest }) => {
        const limits = computeKit({ ...rest, fabric }).refusals.map(({ limit }) => limit)
        expect(limits.filter((limit) => limit === 'stack' || limit === 'leather-stack')).toEqual([])
      }),
      { numRuns: 800 },
    ))

  it('and the kit says so', () => {
    const kit = first({ structure: 'woven', massGsm: 450, traits: ['denim'] }, 'seam', {
      layers: { seam: 2, crossing: 8 },
    })
    expect(kit.verdict).toBe('marginal')
    expect(reason(kit, 'stack')).toMatch(/guess: try it under the foot, and measure/)
  })
})

describe('loft is not stack', () => {
  it('counts half of pile, quilted and bulky cloth, and all of leather and film', () => {
    const six = on({ maxStackMm: 6 })
    const layers = { seam: 2, crossing: 4 }
    const fur = ask({ structure: 'pile', massGsm: 400, thicknessMm: 2.8, traits: [] }, 'seam', { ...six, layers })
    expect(fur.verdict).not.toBe('refused')
    const quilt = ask({ structure: 'woven', massGsm: 360, thicknessMm: 3, traits: ['quilted'] }, 'seam', {
      ...six,
      layers,
    })
    expect(quilt.verdict).not.toBe('refused')
    const film = ask({ structure: 'coated', massGsm: 900, thicknessMm: 1.6, traits: [] }, 'seam', { ...six, layers })
    expect(film.refusals[0]).toMatchObject({ limit: 'stack', value: 6.4 })
    const higher = ask({ structure: 'pile', massGsm: 400, thicknessMm: 4, traits: [] }, 'seam', { ...six, layers })
    expect(higher.refusals[0]).toMatchObject({ limit: 'stack', value: 8 })
    expect(higher.refusals[0]!.because).toContain('pressed to half')
  })

  it('lays coils of rope side by side', () => {
    const rope = { structure: 'rope', thicknessMm: 5 } as const
    expect(ask(rope, 'coil', { layers: { seam: 2, crossing: 4 } }).verdict).not.toBe('refused')
    expect(ask(rope, 'seam', { layers: { seam: 2, crossing: 4 } }).verdict).toBe('refused')
  })
})

describe('a machine that has a usable needle', () => {
  const denim = { structure: 'woven', massGsm: 450, thicknessMm: 0.9, traits: ['denim'] } as const
  const chiffon = { structure: 'woven', massGsm: 40, thicknessMm: 0.12, traits: ['sheer', 'slippery'] } as const
  it('sews one or two steps beyond what it takes, at a price that is said', () => {
    const jeans = first({ ...denim }, 'seam', {
      ...on({ needleNm: { min: 60, max: 100 } }),
      layers: { seam: 2, crossing: 4 },
    })
    expect(jeans).toMatchObject({ verdict: 'marginal', needle: { point: 'jeans', sizeNm: 100 } })
    expect(reason(jeans, 'needle-size')).toMatch(/nothing thicker than 100\/16.*by hand wheel/)
    const sharp = first({ ...chiffon }, 'seam', on({ needleNm: { min: 70, max: 110 } }))
    expect(sharp).toMatchObject({ verdict: 'marginal', needle: { point: 'microtex', sizeNm: 70 } })
    expect(reason(sharp, 'needle-size')).toMatch(/nothing finer than 70\/10.*visible holes/)
  })

  it('is refused beyond two steps, and told by how much', () => {
    const { refusals } = ask({ ...chiffon }, 'seam', on({ needleNm: { min: 90, max: 140 } }))
    expect(refusals[0]).toMatchObject({ limit: 'needle-size', value: 65, allowed: 90 })
  })

  it('never gets a size outside its own range', () =>
    everyKit((kit, { machine }) => {
      if (!machine) return
      for (const { sizeNm } of [kit.needle, ...kit.alternates]) {
        expect(sizeNm).toBeGreaterThanOrEqual(machine.needleNm.min)
        expect(sizeNm).toBeLessThanOrEqual(machine.needleNm.max)
      }
    }))

  it('sews two layers of webbing with jeans 100 to 110', () => {
    for (const massGsm of [800, 1000, 1200]) {
      const { needle } = first({ structure: 'woven', massGsm, thicknessMm: 2, traits: [] })
      expect([needle.point, needle.sizeNm >= 100 && needle.sizeNm <= 110]).toEqual(['jeans', true])
    }
  })
})

describe('a machine with more can do no less', () => {
  const rank = { refused: 0, marginal: 1, good: 2 } as const
  const more: readonly ((machine: KitMachine) => KitMachine)[] = [
    (of) => ({ ...of, stitches: [...STITCHES] }),
    (of) => ({ ...of, feet: [...FEET] }),
    (of) => ({ ...of, feet: [...new Set([...of.feet, 'walking' as const])] }),
    (of) => ({ ...of, evenFeed: true }),
    (of) => ({ ...of, straightPlate: true }),
    (of) => ({ ...of, spoolPins: 2 }),
    (of) => ({ ...of, footPressure: 'adjustable' }),
    (of) => ({ ...of, maxWidthMm: of.maxWidthMm + 2 }),
    (of) => ({ ...of, maxStackMm: of.maxStackMm + 3, maxLeatherMm: of.maxLeatherMm + 3 }),
    (of) => ({ ...of, lengthMm: { min: 0, max: of.lengthMm.max + 2 } }),
    (of) => ({ ...of, needleNm: { min: of.needleNm.min - 10, max: of.needleNm.max } }),
    (of) => ({ ...of, needleNm: { min: of.needleNm.min, max: of.needleNm.max + 20 } }),
  ]
  it('and a wider zigzag takes no edge stitch from a machine whose one foot is the straight foot: its needle stays in the middle', () => {
    const request: KitRequest = {
      fabric: { structure: 'woven', massGsm: 120 },
      layers: { seam: 2, crossing: 2 },
      operation: 'edge-stitch',
    }
    const of = (maxWidthMm: number) =>
      computeKit({ ...request, machine: { ...household, stitches: ['straight'], feet: ['straight'], maxWidthMm } })
    for (const width of [0, 2, 5]) expect([width, of(width).verdict]).toEqual([width, 'good'])
    expect(of(5).kits[0]!.stitch.aside).toBeUndefined()
    expect(of(5).kits[0]!.foot).toBe('straight')
  })

  it('and one that swings wider than its one foot allows sews what a machine that cannot swing would, and says why', () => {
    const request: KitRequest = {
      fabric: { structure: 'woven', massGsm: 120 },
      layers: { seam: 1, crossing: 1 },
      operation: 'decorative',
    }
    const of = (maxWidthMm: number) =>
      first(request.fabric, 'decorative', {
        ...request,
        machine: { ...household, stitches: ['straight', 'decorative'], feet: ['straight', 'zip'], maxWidthMm },
      })
    for (const width of [3, 5]) expect(of(width)).toMatchObject({ stitch: { of: 'straight' }, foot: 'straight' })
    expect(reason(of(5), 'stitch')).toContain('none leaves room for the needle of a decorative stitch')
    expect(reason(of(3), 'stitch')).not.toContain('leaves room')
  })

  it('whatever it has more of', () =>
    fc.assert(
      fc.property(
        anyRequest,
        anyMachine,
        fc.constantFrom(...more.keys()),
        ({ learner: _, ...request }, machine, index) => {
          const less = computeKit({ ...request, machine }).verdict
          const richer = computeKit({ ...request, machine: more[index]!(machine) }).verdict
          expect(rank[richer]).toBeGreaterThanOrEqual(rank[less])
        },
      ),
      { numRuns: 1500 },
    ))
})

describe('the thread that was asked for', () => {
  it('is what the first kit sews with, wherever any point and size takes it', () =>
    everyAnswer(({ kits }, request) => {
      if (!request.thread || kits.length === 0) return
      const { tex, fibre } = request.thread
      const own = kits.filter(({ topThread }) => topThread.tex === tex && topThread.fibre === fibre)
      if (own.length > 0) expect(kits[0]!.topThread).toMatchObject({ tex, fibre })
      // A replaced thread is never silent.
      for (const kit of kits.filter((each) => !own.includes(each))) {
        expect(reason(kit, 'thread')).toContain('In place of the')
        expect(kit.verdict).toBe('marginal')
      }
    }))

  it('gets a larger-eyed point before any finer thread, and no gap between two threads that do', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('woven' as const, 'felt' as const, 'net' as const, 'coated' as const),
        fc.double({ min: 25, max: 700, noNaN: true }),
        fc.constantFrom('seam' as const, 'topstitch' as const, 'quilting' as const),
        (structure, massGsm, operation) => {
          const largest = Array.from({ length: 22 }, (_, index) => 20 + index * 5).map((tex) => {
            const kit = first({ structure, massGsm, traits: [] }, operation, {
              thread: { tex, fibre: 'polyester' },
              ...on({ needleNm: { min: 60, max: 120 }, maxStackMm: 30 }),
            })
            return kit.topThread.tex !== tex ? 'replaced' : isLargestEyed(POINTS[kit.needle.point]) ? 'large' : 'small'
          })
          const from = largest.indexOf('large')
          const to = largest.lastIndexOf('large')
          if (from >= 0) expect(new Set(largest.slice(from, to + 1))).toEqual(new Set(['large']))
        },
      ),
      { numRuns: 60 },
    ))

  it('stands first although it does not lie on the shelf', () => {
    const stock = {
      needles: [{ point: 'universal' as const, sizeNm: 70, count: 5 }],
      threads: [{ tex: 27, fibre: 'polyester' as const, use: 'all-purpose' as const }],
    }
    const thread = { tex: 70, fibre: 'polyester' as const }
    const kit = first({ structure: 'woven', massGsm: 150, traits: [] }, 'seam', { stock, thread })
    expect(kit).toMatchObject({ topThread: { tex: 70 }, inStock: false })
  })
})

describe('what is guessed', () => {
  it('is said as guessed in every reason that rests on it, and nowhere else', () => {
    const measured = first({ structure: 'woven', massGsm: 150, thicknessMm: 0.3, traits: [] })
    expect(JSON.stringify(measured.reasons)).not.toContain('guess')
    const guessed = first({ structure: 'woven', massGsm: 150, thicknessMm: 0.3, traits: [], guessed: ['massGsm'] })
    expect(reason(guessed, 'needle-size')).toContain('Its mass is a guess.')
    expect(reason(guessed, 'foot')).not.toContain('guess')
    const crossing = first({ structure: 'woven', massGsm: 340, traits: ['canvas'] }, 'seam', {
      layers: { seam: 2, crossing: 4 },
    })
    expect(reason(crossing, 'needle-size')).toContain('Its thickness is a guess.')
  })
})

describe('a marginal kit', () => {
  it('says what makes it so, and a good one has nothing to say', () =>
    everyKit((kit) => {
      const prices = kit.reasons.filter(({ price }) => price)
      expect(prices.length > 0).toBe(kit.verdict === 'marginal')
    }))
})

describe('no two parts of a kit contradict each other', () => {
  it('ends, pins, plates, feet and cautions', () =>
    everyKit((kit, { fabric, operation, machine }) => {
      const { extras, cautions, stitch, foot } = kit
      const has = (...names: Kit['extras']) => names.every((name) => extras.includes(name))
      expect(has('clips-not-pins', 'fine-pins-in-allowance')).toBe(false)
      expect(has('tape-plate-hole', 'straight-stitch-plate')).toBe(false)
      if (cautions.includes('permanent-holes')) expect(stitch.lock).not.toBe('reverse')
      if (stitch.widthMm > 0) {
        expect(extras).not.toContain('straight-stitch-plate')
        expect(extras).not.toContain('tape-plate-hole')
        expect(foot).not.toBe('straight')
      }
      if (['zip', 'edge-stitch'].includes(operation)) expect(extras).not.toContain('straight-stitch-plate')
      if (['buttonhole', 'decorative', 'embroidery', 'wing', 'mending', 'free-motion'].includes(operation))
        expect(foot === 'walking' && machine?.feet.some((each) => ['standard', 'zigzag'].includes(each))).toBe(false)
      expect(extras.includes('dogs-down')).toBe(['mending', 'free-motion'].includes(operation))
      if (fabric.structure === 'leather') expect(extras).not.toContain('lint-after')
      expect(new Set(extras).size).toBe(extras.length)
      expect(extras).toContain('test-scrap')
    }))

  it('no needle strikes the foot: it is the straight one only where the seat check asks for no wider opening', () => {
    everyKit((kit, { machine }) => {
      if (kit.foot !== 'straight') return
      const facts = checkFacts({ ...(machine && { maxWidthMm: machine.maxWidthMm }) }, kit)
      expect(facts['wantsWidePlate']).toBe(false)
    })
    const jersey = { structure: 'knit', massGsm: 180, thicknessMm: 0.5, stretchPercent: 25 } as const
    const cotton = { structure: 'woven', massGsm: 145, thicknessMm: 0.3 } as const
    for (const [cloth, operation] of [
      [jersey, 'knit-hem'],
      [cotton, 'edge-stitch'],
      [cotton, 'zip'],
      [cotton, 'wing'],
    ] as const) {
      const only = on({ feet: ['straight'], stitches: ['straight'] })
      // At an edge, beside the middle is a wish; beside a zip's teeth, a swing and wings are the stitch itself.
      if (operation === 'edge-stitch')
        expect(first(cloth, operation, only)).toMatchObject({ foot: 'straight', stitch: { of: 'straight' } })
      else expect(ask(cloth, operation, only).refusals.map(({ limit }) => limit)).toEqual(['foot'])
      expect(first(cloth, operation, on({ feet: ['straight', 'standard'] })).foot).toBe('standard')
    }
    // Nor is anybody told to move the needle aside under that foot, whatever the machine's needle can do.
    for (const maxWidthMm of [0, 2, 7]) {
      const only = on({ feet: ['straight'], stitches: ['straight'], maxWidthMm })
      expect(ask(cotton, 'zip', only).refusals.map(({ limit }) => limit)).toEqual(['foot'])
    }
    // A needle that moves to no side strikes nothing.
    expect(first(cotton, 'edge-stitch', on({ feet: ['straight'], stitches: ['straight'], maxWidthMm: 0 })).foot).toBe(
      'straight',
    )
  })

  it('a slow crossing has its shim, and neither is there where the crossing is no thicker than the seam', () =>
    everyKit((kit, { layers }) => {
      expect(kit.extras.includes('hump-shim')).toBe(kit.cautions.includes('slow-crossing'))
      if (layers.crossing <= layers.seam) expect(kit.cautions).not.toContain('slow-crossing')
    }))

  it('a sentence about the ends says what the ends are', () =>
    everyKit((kit) => {
      const said = reason(kit, 'stitch')
      expect(/three back\./.test(said) && !/never three back/.test(said)).toBe(kit.stitch.lock === 'reverse')
    }))
})

/** What a point is called in a sentence; a name that is part of another is looked for with its noun. */
const CALLED: Readonly<Partial<Record<Point, RegExp>>> = {
  universal: /\b(a|A) universal\b/,
  microtex: /sharp point/i,
  ballpoint: /rounded tip parts/i,
  stretch: /stretch point|deeper scarf/i,
  jeans: /jeans blade|reinforced (jeans )?blade/i,
  leather: /cutting wedge|leather point/i,
  quilting: /quilting needle/i,
  topstitch: /topstitch needle/i,
  'twin-stretch': /stretch twin/i,
  wing: /wing needle opens/i,
}

describe('every reason names the part really chosen', () => {
  it('the point', () =>
    everyKit((kit) => {
      const said = reason(kit, 'needle-point')
      const mine = kit.needle.point
      for (const [point, words] of Object.entries(CALLED)) {
        if (point === mine || !words.test(said)) continue
        // "the slim quilting taper is one": a sharp point by another name; "its deeper scarf" is the stretch point's own.
        const kin = mine === 'quilting' ? point === 'microtex' : false
        expect([mine, kin ? '' : said]).toEqual([mine, ''])
      }
    }))

  it('the size, the foot and the thread', () =>
    everyKit((kit) => {
      const size = `${kit.needle.sizeNm}/${kit.needle.sizeUs}`
      expect(reason(kit, 'needle-size')).toMatch(new RegExp(`${size}|wing needle`))
      const fibres = ['polyester', 'cotton', 'nylon', 'silk', 'rayon', 'metallic']
      const named = /(\d+(?:\.\d+)?) tex/.exec(reason(kit, 'thread'))
      expect(named).not.toBeNull()
      expect(fibres.some((fibre) => reason(kit, 'foot').includes(fibre))).toBe(false)
      for (const foot of FEET.filter((each) => each !== kit.foot)) {
        const said = reason(kit, 'foot')
        expect([kit.foot, foot, new RegExp(`\\b[Tt]he ${foot} foot\\b`).test(said) ? said : '']).toEqual([
          kit.foot,
          foot,
          '',
        ])
      }
    }))

  it('says of a needle that only lies on the shelf that it does', () =>
    fc.assert(
      fc.property(anyFabric, anyStock, fc.constantFrom(...OPERATIONS), (fabric, stock, operation) => {
        const request = { fabric, operation, layers: { seam: 2, crossing: 2 } }
        const free = computeKit(request)
        for (const kit of computeKit({ ...request, stock }).kits) {
          const wanted = free.kits.find(({ needle }) => needle.point === kit.needle.point)
          if (!wanted || wanted.needle.sizeNm === kit.needle.sizeNm || kit.inStock !== true) continue
          expect(reason(kit, 'needle-size')).toMatch(/lies on the shelf|finer way|thread/i)
        }
      }),
      { numRuns: 500 },
    ))
})

describe('cloth by cloth', () => {
  const velvet = { structure: 'woven', massGsm: 280, thicknessMm: 1.2, traits: ['napped'] } as const
  it('velvet: 70 to 90, low pressure, even feed, with the pile, pressed from the back', () => {
    const kit = first({ ...velvet })
    expect(kit).toMatchObject({ footPressure: 'low', foot: 'walking' })
    expect(kit.needle.sizeNm).toBeLessThanOrEqual(90)
    expect(reason(kit, 'foot')).toContain('with the pile')
    expect(reason(kit, 'press-cloth')).toMatch(/from the back only, lying on a towel/)
    expect(first({ ...velvet, massGsm: 180, thicknessMm: 0.8 }).needle.sizeNm).toBe(70)
  })

  it.each([
    [260, 0.85, 4, [80, 90]],
    [300, 1.1, 4, [80, 90]],
    [450, 1.7, 2, [80, 90]],
    [450, 1.7, 6, [90, 100]],
    [600, 2.4, 4, [90, 100]],
  ])('lofty wool of %s g/m² and %s mm, %s layers at the crossing: %s', (massGsm, thicknessMm, crossing, [low, up]) => {
    const more = { layers: { seam: 2, crossing }, ...on({ maxStackMm: 9 }) }
    const { needle } = first({ structure: 'woven', massGsm, thicknessMm, traits: [] }, 'seam', more)
    expect(needle.sizeNm).toBeGreaterThanOrEqual(low!)
    expect(needle.sizeNm).toBeLessThanOrEqual(up!)
  })

  it('denim: jeans over two layers or over 350 g/m², and always an alternate', () => {
    const denim = (massGsm: number, crossing: number, more: Partial<KitRequest> = {}) =>
      first({ structure: 'woven', massGsm, traits: ['denim'] }, 'seam', { layers: { seam: 2, crossing }, ...more })
    expect(denim(250, 3).needle.point).toBe('jeans')
    expect(denim(400, 2).needle.point).toBe('jeans')
    for (const kit of [denim(250, 2), denim(400, 4, { schools: { denim: 'universal-100' } })]) {
      expect(kit.needle.point).toBe('universal')
      expect(kit.alternates.map(({ point }) => point)).toContain('jeans')
    }
    const shown = first({ structure: 'woven', massGsm: 300, traits: ['denim'] }, 'topstitch', {
      thread: { tex: 27, fibre: 'polyester' },
    })
    const order = [shown.needle, ...shown.alternates].map(({ point }) => point)
    expect(order.indexOf('jeans')).toBeLessThan(order.includes('microtex') ? order.indexOf('microtex') : 99)
  })

  it('lawn: 70 with 27 tex, and the finer way beside it', () => {
    const { kits } = ask({ structure: 'woven', massGsm: 95, thicknessMm: 0.2, traits: [] })
    expect(kits[0]).toMatchObject({ verdict: 'good', needle: { sizeNm: 70 }, topThread: { tex: 27 } })
    const finer = kits.find(({ topThread }) => topThread.tex === 18)!
    expect(finer.needle.sizeNm).toBeLessThanOrEqual(65)
    expect(reason(finer, 'needle-size')).toContain('finer way')
  })

  it('oilcloth 80 to 90; a laminate with stretch or universal and never past 90', () => {
    expect(first({ structure: 'coated', massGsm: 280, thicknessMm: 0.4, traits: [] }).needle.sizeNm).toBe(80)
    for (const structure of ['woven', 'coated', 'knit'] as const)
      for (const crossing of [2, 8]) {
        const more = { layers: { seam: 2, crossing }, ...on({ maxStackMm: 12 }) }
        const { needle, stitch } = first(
          { structure, massGsm: 320, thicknessMm: 1, traits: ['laminated'] },
          'seam',
          more,
        )
        expect(['stretch', 'universal', 'ballpoint']).toContain(needle.point)
        expect(needle.sizeNm).toBeLessThanOrEqual(90)
        expect(stitch.lock).toBe('tie-off')
      }
  })

  it('a rib without elastane: ballpoint first, however much it gives; a good kit before a better-liked point', () => {
    const rib = first({ structure: 'knit', massGsm: 260, stretchPercent: 80, traits: [] })
    expect(rib.needle.point).toBe('ballpoint')
    everyAnswer(({ kits }) => {
      const own = kits.filter(({ inStock, topThread }) => inStock !== false && topThread.tex === kits[0]!.topThread.tex)
      if (own.some(({ verdict }) => verdict === 'good') && kits[0]!.inStock !== false)
        expect(kits[0]!.verdict).toBe('good')
    })
  })

  it('a net that stretches: ball or stretch points, and their twins for its hem', () => {
    const mesh = { structure: 'net', massGsm: 150, thicknessMm: 0.9, stretchPercent: 60, traits: [] } as const
    expect(['ballpoint', 'stretch']).toContain(first({ ...mesh }).needle.point)
    expect(['twin-stretch', 'twin-ballpoint']).toContain(first({ ...mesh }, 'knit-hem').needle.point)
  })

  it('a straight seam where cloth gives over 25 %: it pops, and the narrow zigzag comes first', () => {
    const jersey = { structure: 'knit', massGsm: 180, stretchPercent: 40, traits: [] } as const
    const kit = first({ ...jersey })
    expect(kit.stitch).toMatchObject({ iso: '304', name: 'narrow zigzag' })
    expect(reason(kit, 'stitch')).toContain('A straight seam pops where the cloth gives 40 %')
    const straight = first({ ...jersey }, 'seam', on({ stitches: ['straight'] }))
    expect(straight).toMatchObject({ verdict: 'marginal', stitch: { iso: '301' } })
    expect(reason(straight, 'stitch')).toContain('pops')
    expect(first({ ...jersey, stretchPercent: 20 }).stitch.iso).toBe('301')
  })
})

describe('what perforates', () => {
  const stays = [
    { structure: 'leather', thicknessMm: 1 },
    { structure: 'coated', massGsm: 300, thicknessMm: 0.5, traits: [] },
    { structure: 'woven', massGsm: 380, thicknessMm: 0.7, traits: ['canvas', 'coated'] },
    { structure: 'woven', massGsm: 350, thicknessMm: 0.8, traits: ['imitation-leather'] },
    { structure: 'woven', massGsm: 300, thicknessMm: 0.9, traits: ['laminated'] },
  ] as const
  it.each(OPERATIONS)(
    '%s, where holes stay: tied off, and never better than marginal with close stitches',
    (operation) => {
      for (const fabric of stays) {
        const { kits } = ask({ ...fabric, traits: [...('traits' in fabric ? fabric.traits : [])] }, operation)
        for (const kit of kits) {
          expect(kit.stitch.lock).not.toBe('reverse')
          expect(kit.cautions).toContain('permanent-holes')
          if (kit.stitch.lengthMm < 2.5) expect(kit.verdict).toBe('marginal')
        }
      }
    },
  )

  it('a buttonhole names the keyhole and the bound opening', () =>
    expect(reason(first({ structure: 'leather', thicknessMm: 1 }, 'buttonhole'), 'cloth')).toMatch(
      /keyhole or a bound/,
    ))

  it.each(STRUCTURES)('a wing needle in %s: stable woven, or backed, or refused', (structure) => {
    const fabric = { structure, massGsm: 150, thicknessMm: 0.5 }
    const plain = ask({ ...fabric, traits: [] }, 'wing')
    const backed = ask({ ...fabric, traits: ['backed'] }, 'wing')
    expect(plain.verdict === 'refused').toBe(structure !== 'woven')
    if (structure !== 'woven') {
      expect(plain.refusals[0]).toMatchObject({ limit: 'fabric', value: structure })
      expect(backed.verdict).toBe(structure === 'rope' ? 'refused' : 'marginal')
    }
  })
})

describe('feet', () => {
  it.each([
    ['buttonhole', 'buttonhole'],
    ['zip', 'zip'],
    ['blind-hem', 'blind-hem'],
    ['mending', 'darning'],
  ] as const)('%s wants its %s foot; without it a plain one, by eye, marginal', (operation, foot) => {
    const poplin = { structure: 'woven', massGsm: 150, traits: [] } as const
    expect(first({ ...poplin, traits: [] }, operation)).toMatchObject({ verdict: 'good', foot })
    const bare = first(
      { ...poplin, traits: [] },
      operation,
      on({ feet: ['standard', 'walking', 'embroidery', 'straight'] }),
    )
    expect(bare).toMatchObject({ verdict: 'marginal', foot: 'standard' })
    expect(reason(bare, 'foot')).toMatch(/^There is no/)
  })

  it('without a foot for mending, glasses', () =>
    expect(
      first({ structure: 'woven', massGsm: 150, traits: [] }, 'mending', on({ feet: ['standard'] })).cautions,
    ).toContain('glasses'))

  it('leather under a plain foot: tissue or tape, marginal, not refused', () => {
    const kit = first({ structure: 'leather', thicknessMm: 1 }, 'seam', on({ feet: ['standard'] }))
    expect(kit).toMatchObject({ verdict: 'marginal', foot: 'standard' })
    expect(kit.extras).toContain('foot-slip')
    expect(first({ structure: 'leather', thicknessMm: 1 }).extras).not.toContain('foot-slip')
  })

  it('knits and naps are sewn with low pressure', () => {
    expect(first({ structure: 'knit', massGsm: 250, traits: [] }).footPressure).toBe('low')
    expect(first({ structure: 'woven', massGsm: 320, traits: ['napped'] }).footPressure).toBe('low')
    expect(first({ structure: 'woven', massGsm: 320, traits: [] }).footPressure).toBe('normal')
  })
})

describe('what goes with it', () => {
  const bag = (...of: Parameters<typeof ask>) => first(...of).extras
  it('backing behind dense stitches on light, sheer and stretchy cloth, paper under a zigzag on a sheer', () => {
    const sheer = { structure: 'woven', massGsm: 45, traits: ['sheer' as const] } as const
    expect(bag({ ...sheer, traits: ['sheer'] }, 'buttonhole')).toContain('stabiliser')
    expect(bag({ structure: 'knit', massGsm: 200, traits: ['elastane'] }, 'buttonhole')).toContain('stabiliser')
    expect(bag({ structure: 'woven', massGsm: 250, traits: [] }, 'buttonhole')).not.toContain('stabiliser')
    const zigzag = first({ ...sheer, traits: ['sheer'] }, 'zigzag')
    expect(zigzag.stitch.widthMm).toBeGreaterThanOrEqual(1.5)
    expect(zigzag.stitch.widthMm).toBeLessThanOrEqual(3)
    expect(reason(zigzag, 'stabiliser')).toContain('Paper')
    const shown = first({ structure: 'woven', massGsm: 100, traits: [] }, 'topstitch').stitch.lengthMm
    expect(shown >= 2 && shown <= 2.5).toBe(true)
  })

  it('lint after fleece, batting and sequins; a new needle after leather, vinyl and sequins; a pressing cloth', () => {
    expect(bag({ structure: 'pile', massGsm: 240, traits: [] })).toEqual(
      expect.arrayContaining(['lint-after', 'press-cloth']),
    )
    expect(bag({ structure: 'woven', massGsm: 300, traits: ['quilted'] })).toContain('lint-after')
    expect(bag({ structure: 'woven', massGsm: 200, traits: ['abrasive'] })).toEqual(
      expect.arrayContaining(['lint-after', 'new-needle-after']),
    )
    expect(bag({ structure: 'leather', thicknessMm: 1 })).toContain('new-needle-after')
    expect(bag({ structure: 'coated', massGsm: 300, traits: [] })).toEqual(
      expect.arrayContaining(['new-needle-after', 'press-cloth']),
    )
    expect(bag({ structure: 'woven', massGsm: 150, traits: [] })).toEqual(['test-scrap'])
  })

  it('gathering: long tails, two rows, a number looser', () => {
    const kit = first({ structure: 'woven', massGsm: 150, traits: [] }, 'gather')
    expect(kit.extras).toContain('long-tails')
    expect(kit.dial.offset).toBe(-1)
    expect(reason(kit, 'stitch')).toContain('bobbin threads are pulled')
  })

  it('metallic and monofilament: slow, from an upright pin or a net', () => {
    for (const thread of [
      { tex: 40, fibre: 'metallic' },
      { tex: 12, fibre: 'nylon', finish: 'monofilament' },
    ] as const)
      expect(bag({ structure: 'woven', massGsm: 150, traits: [] }, 'decorative', { thread })).toContain('spool-net')
  })
})

describe('twins', () => {
  it('take the next narrower gap that passes the plate, and are refused by width where none does', () => {
    const hem = (maxWidthMm: number) =>
      ask({ structure: 'woven', massGsm: 200, traits: [] }, 'knit-hem', on({ maxWidthMm }))
    expect(hem(7).kits[0]!.needle.gapMm).toBe(2.5)
    expect(hem(3).kits[0]!.needle.gapMm).toBe(2)
    expect(hem(2.6).kits[0]!.needle.gapMm).toBe(1.6)
    expect(hem(2).refusals[0]).toMatchObject({ limit: 'width', allowed: 2 })
  })
})

it('half, on a machine that presets its tension, is half of the number shown for that stitch', () => {
  const dial = { min: 0, max: 9, normal: 4, step: 0.5, byStitch: { straight: 6 } }
  const thread = { tex: 40, fibre: 'metallic' } as const
  expect(
    first({ structure: 'woven', massGsm: 200, traits: [] }, 'topstitch', { ...on({ dial }), thread }).dial.setting,
  ).toBe(3)
})

it('a drop test or a formula: the fit of the first kit is never one that shreds', () =>
  everyKit((kit) => expect(needleFit(kit.needle, kit.topThread).verdict).not.toBe('shreds')))
