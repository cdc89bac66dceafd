import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Structure } from '../knowledge/cloth/fabric'
import { KNOWLEDGE, type Knowledge } from '../knowledge/knowledge'
import { isTwin, needleSystem, POINTS, type Point } from '../knowledge/needle/needle'
import type { Rule } from '../knowledge/fact'
import { KitSchema } from './kit-schema'
import { check } from '../schema/validate'
import { anyMachine, anyRequest } from '../testing/arbitraries'
import { everyAnswer, everyKit } from '../testing/every-kit'
import { OPERATIONS } from '../knowledge/stitch/stitch'
import { computeKit } from './kit'
import { needleFit } from './needle-fit'
import type { Kit, KitMachine, KitRequest } from './request'

const machine: KitMachine = {
  needleSystem: '130/705 H',
  needleNm: { min: 60, max: 110 },
  dial: { min: 0, max: 9, normal: 4, step: 0.5 },
  stitches: ['straight', 'zigzag', 'buttonhole'],
  maxWidthMm: 5,
  lengthMm: { min: 0, max: 4 },
  spoolPins: 2,
  feet: ['standard', 'zigzag', 'walking', 'non-stick'],
  evenFeed: false,
  maxStackMm: 6,
  maxLeatherMm: 3.2,
  footPressure: 'adjustable',
}
const poplin: KitRequest = {
  fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3, traits: [] },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
  machine,
}
const jersey: KitRequest = {
  ...poplin,
  fabric: { structure: 'knit', massGsm: 180, thicknessMm: 0.6, stretchPercent: 30 },
}
const leather = (thicknessMm: number, more: Partial<KitRequest> = {}): KitRequest => ({
  ...poplin,
  fabric: { structure: 'leather', thicknessMm, traits: [] },
  layers: { seam: 2, crossing: 2 },
  ...more,
})
const best = (request: KitRequest): Kit => {
  const kit = computeKit(request).kits[0]
  if (!kit) throw new Error(`refused: ${JSON.stringify(computeKit(request).refusals)}`)
  return kit
}
const reason = (kit: Kit, part: string) => kit.reasons.find((each) => each.part === part)?.because ?? ''

describe('a kit is right for its cloth', () => {
  it('takes a fine universal and all-purpose thread for poplin', () => {
    expect(best(poplin)).toMatchObject({
      verdict: 'good',
      needle: { point: 'universal', sizeNm: 70, sizeUs: 10 },
      topThread: { tex: 27, fibre: 'polyester', use: 'all-purpose' },
      stitch: { iso: '301', lock: 'reverse' },
      dial: { offset: 0, setting: 4 },
    })
  })

  it('takes a ball tip for jersey and the deeper scarf once it stretches over half', () => {
    expect(best(jersey).needle.point).toBe('ballpoint')
    expect(best({ ...jersey, fabric: { ...jersey.fabric, stretchPercent: 70 } }).needle.point).toBe('stretch')
  })

  it.each([
    [0.7, 'universal', 80, 40],
    [1.0, 'leather', 90, 60],
    [1.2, 'leather', 100, 60],
    [1.6, 'leather', 110, 60],
  ])('sews %s mm leather with %s %s and %s tex bonded thread, tied off', (thicknessMm, point, sizeNm, tex) => {
    expect(best(leather(thicknessMm))).toMatchObject({
      needle: { point, sizeNm },
      topThread: { tex, finish: 'bonded', use: 'heavy' },
      stitch: { lengthMm: 3.5, lock: 'tie-off' },
      foot: 'walking',
    })
  })

  it('follows the school where practitioners differ, and says which', () => {
    const denim: KitRequest = {
      ...poplin,
      fabric: { structure: 'woven', massGsm: 400, thicknessMm: 0.75, traits: ['denim'] },
      layers: { seam: 2, crossing: 6 },
    }
    expect(best(denim).needle.point).toBe('jeans')
    const universal = best({ ...denim, schools: { denim: 'universal-100' } })
    expect(universal.needle).toMatchObject({ point: 'universal', sizeNm: 100 })
    expect(universal.reasons[0]!.school).toBe('denim: universal-100')
    expect(best({ ...poplin, schools: { point: 'sharp-first' } }).needle.point).toBe('microtex')
    expect(best(leather(0.8, { schools: { suede: 'leather-point' } })).needle.point).toBe('leather')
  })

  it('offers a larger eye, then the price, then a finer thread, when thread and cloth disagree', () => {
    const kits = computeKit({
      ...poplin,
      fabric: { structure: 'woven', massGsm: 90 },
      thread: { tex: 80, fibre: 'polyester' },
    }).kits
    expect(kits.map(({ needle, topThread }) => [needle.point, topThread.tex])).toEqual([
      ['topstitch', 80],
      ['universal', 80],
      ['microtex', 80],
      ['universal', 27],
    ])
    expect(reason(kits[3]!, 'thread')).toMatch(/In place of the 80 tex asked for/)
    expect(kits.every(({ verdict }) => verdict === 'marginal')).toBe(true)
  })

  it('starts the dial from what the screen shows for the stitch', () => {
    const screen = {
      ...machine,
      dial: { min: 0, max: 10, normal: 5, step: 0.25, byStitch: { zigzag: 4.25, buttonhole: 2.5 } },
    }
    expect(best({ ...poplin, operation: 'zigzag', machine: screen }).dial).toMatchObject({ offset: 0, setting: 4.25 })
    expect(best({ ...poplin, machine: screen }).dial.setting).toBe(5)
    expect(best({ ...poplin, operation: 'buttonhole', machine }).dial).toMatchObject({ offset: -2, setting: 2 })
  })

  it('prefers what is on the shelf and says when it is not', () => {
    const stock = {
      needles: [{ point: 'universal' as const, sizeNm: 80, count: 2 }],
      threads: [{ tex: 27, fibre: 'polyester' as const, use: 'all-purpose' as const }],
    }
    const { kits } = computeKit({ ...poplin, stock })
    expect(kits[0]).toMatchObject({ needle: { sizeNm: 80 }, inStock: true })
    const missing = kits.find((kit) => kit.needle.sizeNm === 70)!
    expect(missing.inStock).toBe(false)
    expect(reason(missing, 'needle-size')).toContain('Not in stock: universal 70/10')
  })

  it('neither stretches the shelf beyond the cloth’s sizes nor lets its own thread decide the needle', () => {
    const stock = {
      needles: [
        { point: 'universal' as const, sizeNm: 70, count: 9 },
        { point: 'universal' as const, sizeNm: 120, count: 0 },
      ],
      threads: [
        { tex: 60, fibre: 'polyester' as const, use: 'topstitch' as const },
        { tex: 27, fibre: 'polyester' as const, use: 'all-purpose' as const },
      ],
    }
    const coarse = computeKit({ ...poplin, fabric: { structure: 'woven', massGsm: 420, thicknessMm: 0.4 }, stock })
    expect(coarse.kits.every(({ needle }) => needle.sizeNm >= 100)).toBe(true)
    const brim = computeKit({
      ...poplin,
      operation: 'topstitch',
      machine: { ...machine, needleSystem: 'long shank' },
      stock,
    })
    expect(brim.kits[0]).toMatchObject({ verdict: 'good', needle: { sizeNm: 70 }, topThread: { tex: 27 } })
  })
})

describe('a reason is made from the numbers that decided', () => {
  it('changes its sentence with the mass', () => {
    const sentences = [150, 170, 240].map((massGsm) =>
      reason(best({ ...poplin, fabric: { ...poplin.fabric, massGsm } }), 'needle-size'),
    )
    expect(new Set(sentences).size).toBe(3)
    expect(sentences[2]).toContain('240 g/m²')
  })

  it('names the crossing that raised the size, and the thread that did', () => {
    const canvas: KitRequest = { ...poplin, fabric: { structure: 'woven', massGsm: 340, thicknessMm: 0.6 } }
    expect(reason(best(canvas), 'needle-size')).toContain('2.4 mm is over 2')
    const thick = best({
      ...poplin,
      fabric: { structure: 'woven', massGsm: 190 },
      thread: { tex: 50, fibre: 'polyester' },
    })
    expect(reason(thick, 'needle-size')).toContain('The thread decided')
  })

  it('gives one for every part, extra and caution, with no gap in it', () =>
    everyKit((kit) => {
      const parts = kit.reasons.map(({ part }) => part)
      const expected = ['needle-point', 'needle-size', 'thread', 'bobbin', 'foot', 'foot-pressure', 'stitch', 'dial']
      // What the job costs on this cloth, and a stack that a guess makes too high, stand after them.
      const rest = parts.slice(expected.length + kit.extras.length + kit.cautions.length)
      expect(parts).toEqual([...expected, ...kit.extras, ...kit.cautions, ...rest])
      expect(rest.filter((part) => part !== 'cloth' && part !== 'stack')).toEqual([])
      if (rest.length > 0) expect(kit.verdict).toBe('marginal')
      expect(kit.reasons.filter(({ because }) => !/^[^{}]{8,}[.!]$/.test(because))).toEqual([])
      expect(JSON.stringify(kit.reasons)).not.toMatch(/undefined|NaN/)
    }))
})

describe('a kit is never', () => {
  it('anything but what its schema says', () =>
    everyKit((kit) => void check(KitSchema, JSON.parse(JSON.stringify(kit)))))

  it('a point in a size nobody sells, of another system, or outside the machine', () =>
    everyKit((kit, { machine: on }) => {
      const system = needleSystem(on?.needleSystem ?? '130/705 H')!
      expect(kit.needle.system).toBe(system.name)
      expect(system.sold[kit.needle.point]).toContain(kit.needle.sizeNm)
      if (on) {
        expect(kit.needle.sizeNm).toBeGreaterThanOrEqual(on.needleNm.min)
        expect(kit.needle.sizeNm).toBeLessThanOrEqual(on.needleNm.max)
      }
      if (kit.needle.gapMm) {
        const gap = POINTS[kit.needle.point].gaps!.find(({ gapMm }) => gapMm === kit.needle.gapMm)
        expect(gap?.sizesNm).toContain(kit.needle.sizeNm)
      }
    }))

  it('a universal on a knit, not even as an alternate', () =>
    everyKit((kit, { fabric }) => {
      if (fabric.structure !== 'knit') return
      for (const { point } of [kit.needle, ...kit.alternates])
        expect(['universal', 'twin-universal', 'jeans', 'leather']).not.toContain(point)
    }))

  it('a zigzag under a straight-stitch plate or foot', () =>
    everyKit((kit) => {
      if (kit.stitch.iso === '301') return
      expect(kit.extras).not.toContain('straight-stitch-plate')
      expect(kit.foot).not.toBe('straight')
    }))

  it('a twin without its second spool', () =>
    everyKit((kit) => {
      if (isTwin(POINTS[kit.needle.point])) expect(kit.extras).toContain('second-spool')
    }))

  it('a setting that the machine does not have', () =>
    everyKit((kit, { machine: on }) => {
      if (!on) return expect(kit.dial.setting).toBeUndefined()
      const { min, max, step } = on.dial
      const unit = (max - min) / 9
      const steps = (kit.dial.setting! - min) / step
      expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
      expect(kit.dial.setting).toBeGreaterThanOrEqual(min + unit - 1e-9)
      expect(kit.dial.setting).toBeLessThanOrEqual(max - unit + 1e-9)
      expect(kit.stitch.lengthMm).toBeLessThanOrEqual(on.lengthMm.max)
      expect(kit.stitch.widthMm).toBeLessThanOrEqual(on.maxWidthMm)
      expect(on.stitches).toContain(kit.stitch.of)
      expect(on.feet).toContain(kit.foot)
    }))

  it('called good while its thread is tight or a learner needs staff', () =>
    everyKit((kit, { learner }) => {
      if (kit.fit.verdict === 'tight' || (learner && kit.cautions.includes('staff-only')))
        expect(kit.verdict).toBe('marginal')
      expect(kit.fit.verdict).not.toBe('shreds')
    }))

  it('finer for a heavier cloth with the same point and thread', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('woven' as const, 'knit' as const, 'felt' as const, 'pile' as const),
        fc.constantFrom(...OPERATIONS),
        fc.double({ min: 20, max: 700, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.constantFrom(16, 18, 27, 40, 60, 80, 105),
        (structure, operation, lighter, more, tex) => {
          // Webbing closes round a thick blade: it is another cloth, and no heavier one.
          const isWebbing = (massGsm: number) => structure === 'woven' && massGsm >= 600
          fc.pre(isWebbing(lighter) === isWebbing(lighter + more))
          const sizes = (massGsm: number) => {
            const { kits } = computeKit({
              fabric: { structure, massGsm, traits: [] },
              layers: { seam: 2, crossing: 2 },
              operation,
              thread: { tex, fibre: 'polyester' },
            })
            const asked = kits.filter(({ topThread }) => topThread.tex === tex)
            return new Map(asked.map(({ needle }) => [needle.point, needle.sizeNm]))
          }
          const heavier = sizes(lighter + more)
          for (const [point, size] of sizes(lighter))
            expect(heavier.get(point) ?? Infinity, point).toBeGreaterThanOrEqual(size)
        },
      ),
      { numRuns: 300 },
    ))
})

describe('a thread that is too thick for every size the cloth likes', () => {
  const chiffon = (massGsm: number) =>
    computeKit({
      fabric: { structure: 'woven', massGsm, traits: [] },
      layers: { seam: 2, crossing: 2 },
      operation: 'seam',
      thread: { tex: 40, fibre: 'polyester' },
    }).kits

  it('is sewn all the same, in the finest size that takes it, with both prices said; a finer thread comes last', () => {
    const asked = chiffon(40)
    expect(asked[0]!.topThread.tex).toBe(40)
    expect(asked.at(-1)).toMatchObject({ topThread: { tex: 18 }, needle: { sizeNm: 60 } })
    const kept = asked.find(({ needle }) => needle.point === 'microtex')!
    expect(kept).toMatchObject({ verdict: 'marginal', fit: { verdict: 'tight' }, needle: { sizeNm: 70 } })
    expect(reason(kept, 'needle-size')).toContain('thicker than the 65 this cloth likes')
    expect(reason(kept, 'needle-size')).toContain('let a drop test decide')
  })

  it('gets a size that the cloth likes as soon as one takes it, tight as it is', () => {
    const kept = chiffon(70).find(({ needle, topThread }) => topThread.tex === 40 && needle.point === 'universal')!
    expect(kept).toMatchObject({ verdict: 'marginal', fit: { verdict: 'tight' }, needle: { sizeNm: 75 } })
    expect(reason(kept, 'needle-size')).not.toContain('thicker than')
  })
})

describe('a refusal names the limit and what would help', () => {
  it.each<[string, Partial<KitRequest>, string, unknown, unknown]>([
    ['leather too thick', leather(2.4), 'leather-stack', 4.8, 3.2],
    ['stack too high', { layers: { seam: 2, crossing: 30 } }, 'stack', 9, 6],
    [
      'no buttonhole',
      { operation: 'buttonhole', machine: { ...machine, stitches: ['straight'] } },
      'stitch',
      'buttonhole',
      ['straight'],
    ],
    [
      'no foot for free motion',
      { operation: 'free-motion', machine: { ...machine, feet: ['standard'] } },
      'foot',
      'darning or embroidery',
      ['standard'],
    ],
    ['a wing needle on a knit', { ...jersey, operation: 'wing' }, 'fabric', 'knit', 'stable woven cloth'],
    [
      'too coarse a cloth',
      { fabric: { structure: 'woven', massGsm: 600 }, machine: { ...machine, needleNm: { min: 60, max: 75 } } },
      'needle-size',
      110,
      75,
    ],
    [
      'unknown shank',
      { machine: { ...machine, needleSystem: 'its own' } },
      'needle-system',
      'its own',
      expect.any(Array),
    ],
    [
      'twin on a narrow plate',
      { ...jersey, operation: 'knit-hem', machine: { ...machine, maxWidthMm: 2 } },
      'width',
      3.5,
      2,
    ],
    [
      'short stitches on leather',
      leather(1, { machine: { ...machine, lengthMm: { min: 0, max: 1.5 } } }),
      'length',
      3,
      1.5,
    ],
    ['bonded cord', { thread: { tex: 135, fibre: 'nylon', finish: 'bonded' } }, 'thread', 135, 70],
  ])('%s', (_, more, limit, value, allowed) => {
    const { verdict, kits, refusals } = computeKit({ ...poplin, ...more })
    expect([verdict, kits]).toEqual(['refused', []])
    expect(refusals[0]).toMatchObject({
      limit,
      value: typeof value === 'number' ? (expect.closeTo(value, 6) as unknown) : value,
      allowed,
    })
    expect(refusals[0]!.wouldHelp).not.toBe('')
  })

  it('exactly when there is no kit', () =>
    everyAnswer(({ verdict, kits, refusals }) => {
      expect(verdict === 'refused').toBe(kits.length === 0)
      expect(refusals.length > 0).toBe(kits.length === 0)
    }))

  it('and a machine with more of everything never refuses what a smaller one sews', () =>
    fc.assert(
      fc.property(anyRequest, anyMachine, (request, on) => {
        if (computeKit({ ...request, machine: on }).verdict === 'refused') return
        const larger = {
          ...on,
          maxStackMm: on.maxStackMm + 3,
          maxLeatherMm: on.maxLeatherMm + 3,
          needleNm: { min: 60, max: 140 },
        }
        expect(computeKit({ ...request, machine: larger }).verdict).not.toBe('refused')
      }),
      { numRuns: 300 },
    ))
})

/** Sizes of the kits with the thread asked for, best first; empty when refused. */
const sizesWith = (request: KitRequest) =>
  computeKit(request)
    .kits.filter(({ topThread }) => topThread.tex === request.thread?.tex)
    .map(({ needle, fit }) => ({ ...needle, eyeMm: fit.eyeMm }))

describe('as in the world', () => {
  const cloth = fc.record({
    structure: fc.constantFrom('woven' as const, 'knit' as const, 'felt' as const, 'pile' as const),
    massGsm: fc.double({ min: 20, max: 700, noNaN: true }),
    thicknessMm: fc.double({ min: 0.1, max: 1.5, noNaN: true }),
  })

  it('a thicker thread never gets a smaller eye of the same point', () =>
    fc.assert(
      fc.property(
        cloth,
        fc.double({ min: 10, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (fabric, tex, more) => {
          const eyes = (of: number) =>
            sizesWith({
              fabric,
              layers: { seam: 2, crossing: 2 },
              operation: 'seam',
              thread: { tex: of, fibre: 'polyester' },
            })
          const thick = eyes(tex + more)
          for (const fine of eyes(tex)) {
            const same = thick.find(({ point }) => point === fine.point)
            if (same) expect(same.eyeMm).toBeGreaterThanOrEqual(fine.eyeMm - 1e-9)
          }
        },
      ),
      { numRuns: 300 },
    ))

  it('more layers never get a thinner needle of the same point', () =>
    fc.assert(
      fc.property(cloth, fc.integer({ min: 2, max: 6 }), fc.integer({ min: 0, max: 6 }), (fabric, layers, more) => {
        const sizes = (crossing: number) =>
          sizesWith({
            fabric,
            layers: { seam: 2, crossing },
            operation: 'seam',
            thread: { tex: 27, fibre: 'polyester' },
          })
        const thick = sizes(layers + more)
        for (const thin of sizes(layers)) {
          const same = thick.find(({ point }) => point === thin.point)
          if (same) expect(same.sizeNm).toBeGreaterThanOrEqual(thin.sizeNm)
        }
      }),
      { numRuns: 300 },
    ))
})

describe('a drop test at the table', () => {
  const canvas: KitRequest = {
    ...poplin,
    fabric: { structure: 'woven', massGsm: 190, traits: [] },
    thread: { tex: 40, fibre: 'polyester' },
  }
  const first = best(canvas)
  const tested = (result: 'slides' | 'spirals' | 'stays', sizeNm: number): KitRequest => ({
    ...canvas,
    dropTests: [{ point: first.needle.point, sizeNm, thread: canvas.thread!, result }],
  })

  it('beats the formula both ways, and the reason says so', () => {
    const up = best(tested('stays', first.needle.sizeNm))
    expect(up.needle.sizeNm).toBeGreaterThan(first.needle.sizeNm)
    const slid = best(tested('slides', 80))
    expect(slid).toMatchObject({ needle: { sizeNm: 80 }, fit: { verdict: 'good', dropTest: 'slides' } })
    expect(reason(slid, 'needle-size')).toContain('A drop test with 80/12 decided: it slid')
  })

  it('holds for larger eyes when it slid and for smaller when it did not, and for no other thread', () => {
    const fit = (sizeNm: number, request: KitRequest) =>
      needleFit({ point: 'universal', sizeNm }, request.thread!, { points: POINTS, dropTests: request.dropTests })
        .verdict
    expect([fit(70, tested('slides', 80)), fit(80, tested('slides', 80)), fit(90, tested('slides', 80))]).toEqual([
      fit(70, canvas),
      'good',
      'good',
    ])
    expect([fit(80, tested('stays', 90)), fit(90, tested('stays', 90))]).toEqual(['shreds', 'shreds'])
    expect(fit(90, { ...tested('stays', 90), thread: { tex: 27, fibre: 'cotton' } })).toBe('good')
  })
})

describe('a room', () => {
  it('changes a number, and the kit and its sentence follow', () => {
    const sheer: KitRequest = { ...poplin, fabric: { structure: 'woven', massGsm: 55, traits: ['sheer'] } }
    expect(best(sheer).dial.setting).toBe(3)
    const looser = best({ ...sheer, room: { offsetSilky: -2 } })
    expect(looser.dial.setting).toBe(2)
    expect(reason(looser, 'dial')).toContain('−2')
    const denim: KitRequest = { ...poplin, fabric: { structure: 'woven', massGsm: 300 }, learner: true }
    expect(best(denim).cautions).not.toContain('staff-only')
    expect(best({ ...denim, room: { learnerThickestNm: 80 } })).toMatchObject({ verdict: 'marginal' })
  })

  it('is less sure of a kit whose cloth was guessed', () => {
    const measured = best(poplin)
    const guessed = best({ ...poplin, fabric: { ...poplin.fabric, guessed: ['massGsm'] } })
    expect([measured.confidence, guessed.confidence]).toEqual(['medium', 'low'])
    expect(guessed.reasons.find(({ part }) => part === 'needle-size')?.confidence).toBe('low')
    expect(guessed.reasons.find(({ part }) => part === 'bobbin')?.confidence).toBe('high')
  })
})

describe('a machine’s own marks', () => {
  it('are what a stitch length is set to, also on a dial that runs backwards', () => {
    const marks = { lowest: 1, highest: 5, step: 0.5, mmAtLowest: 4, mmAtHighest: 0.5 }
    const { stitch } = best({ ...poplin, machine: { ...machine, lengthMm: { min: 0.5, max: 4 }, lengthMarks: marks } })
    expect(stitch.lengthMark).toBe(3)
    expect(stitch.lengthMm).toBeCloseTo(2.25, 9)
    const longer = best({ ...leather(1.2), machine: { ...machine, lengthMarks: marks } }).stitch
    expect(longer.lengthMark!).toBeLessThan(3)
  })
})

describe('what the field adds by data alone', () => {
  it('a new structure, a new point and a rule make a reasoned kit', () => {
    const cork = 'cork' as Structure
    const felting = 'corker' as Point
    const knowledge: Knowledge = {
      ...KNOWLEDGE,
      points: { ...POINTS, [felting]: { words: 'corker', shape: 'square', sizesNm: [80, 90], eyeShare: 0.45 } },
      bands: { ...KNOWLEDGE.bands, [cork]: undefined },
      gsmPerMm: [
        rule('guess-cork', { structure: { in: [cork] } }, { gsmPerMm: 250 }, 'Guessed.'),
        ...KNOWLEDGE.gsmPerMm,
      ],
      clothSizes: [
        rule(
          'size-cork',
          { structure: { in: [cork] } },
          { low: 80, up: 90 },
          'Cork of {thicknessMm} mm wants {low} to {up}.',
        ),
        ...KNOWLEDGE.clothSizes,
      ],
      pointProposals: [
        rule(
          'point-cork',
          { structure: { in: [cork] } },
          { points: [felting], only: true },
          'Cork of {massGsm} g/m² wants the corker.',
        ),
        ...KNOWLEDGE.pointProposals,
      ],
      cautions: [
        rule(
          'caution-cork',
          { structure: { in: [cork] } },
          { caution: 'permanent-holes' },
          'Every hole in {structure} stays.',
        ),
        ...KNOWLEDGE.cautions,
      ],
    }
    const { kits } = computeKit(
      { fabric: { structure: cork, thicknessMm: 0.8 }, layers: { seam: 2, crossing: 2 }, operation: 'seam' },
      knowledge,
    )
    expect(kits[0]).toMatchObject({ needle: { point: 'corker', sizeNm: 80 }, cautions: ['permanent-holes'] })
    expect(reason(kits[0]!, 'needle-point')).toBe('Cork of 200 g/m² wants the corker. Its mass is a guess.')
    expect(reason(kits[0]!, 'needle-size')).toContain('Cork of 0.8 mm wants 80 to 90.')
  })

  const rule = <Given>(id: string, when: Rule<Given>['when'], give: Given, because: string): Rule<Given> => ({
    id,
    when,
    give,
    because,
    source: 'house rule',
    confidence: 'medium',
  })
})
