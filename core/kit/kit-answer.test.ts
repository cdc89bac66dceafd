import { describe, expect, it } from 'vitest'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { isTwin } from '../knowledge/needle/needle'
import { everyAnswer, everyKit } from '../testing/every-kit'
import { ORDINARY_MACHINE } from '../testing/ordinary-machine'
import { usualFinish } from '../units/thread'
import { named as plainNamed, plain } from '../units/words'
import { kitQuestion } from './facts'
import { computeKit } from './kit'
import { LIMITS, type Kit, type KitMachine, type KitRequest } from './request'

const because = (kit: Kit, part: string) => kit.reasons.find((reason) => reason.part === part)!
/** Whether the needle costs something: its size, or how tight the thread is in it. */
const needleCosts = (kit: Kit) => because(kit, 'needle-size').price === true
/** Those with the thread that was asked for, and those with another in its place. */
const byThread = (kits: readonly Kit[]) => {
  const others = kits.filter((kit) => because(kit, 'thread').because.startsWith('In place of'))
  return { asked: kits.filter((kit) => !others.includes(kit)), others }
}

const MACHINE: KitMachine = { ...ORDINARY_MACHINE, feet: ['standard', 'zigzag', 'walking'], maxStackMm: 12 }

/** Laws of an answer as a whole; those of each kit of it stand in kit.test.ts. */
describe('an answer', () => {
  it('says what it took for granted: the machine and the thread that nobody named, and what is not known of the cloth', () =>
    everyAnswer(({ assumed }, request) => {
      const of = (field: string) => assumed.filter((each) => each.field === field)
      expect(of('machine')).toHaveLength(request.machine ? 0 : 1)
      expect(of('thread')).toHaveLength(request.thread ? 0 : 1)
      expect(assumed).toEqual(expect.arrayContaining([...kitQuestion(request, KNOWLEDGE).fabric.assumed]))
    }))

  it('refuses in the order in which limits are looked at by hand: what no machine does before what another would', () =>
    everyAnswer(({ refusals }) => {
      const order = refusals.map(({ limit }) => LIMITS.indexOf(limit))
      expect(order).toEqual([...order].sort((a, b) => a - b))
    }))

  it('offers no way twice', () =>
    everyAnswer(({ kits }) => {
      const ways = kits.map(({ needle, topThread }) => JSON.stringify([needle, topThread]))
      expect(new Set(ways).size).toBe(ways.length)
    }))

  it('offers a finer needle only where it is one, and costs nothing', () =>
    everyAnswer(({ kits }) => {
      const finer = kits.find((kit) => because(kit, 'needle-size').rule === 'bound-finer')
      if (!finer) return
      expect(needleCosts(finer)).toBe(false)
      for (const kit of kits) if (kit !== finer) expect(kit.needle.sizeNm).not.toBe(finer.needle.sizeNm)
    }))

  it('takes another thread than was asked for only where each way with that one has its price: one, last, that costs nothing', () =>
    everyAnswer(({ kits }) => {
      const { asked, others } = byThread(kits)
      if (others.length === 0 || asked.length === 0) return
      expect(asked.every(needleCosts)).toBe(true)
      expect(others).toEqual([kits.at(-1)])
      expect(needleCosts(others[0]!)).toBe(false)
      expect(because(others[0]!, 'thread').because).toMatch(/stands beside it with its price/)
    }))

  it('is in no kit for a thread that is not in it: a needle for metallic thread, and what is said of such', () =>
    everyAnswer(({ kits }, { thread }) => {
      for (const kit of byThread(kits).others) {
        if (kit.topThread.fibre !== 'metallic' && thread?.fibre === 'metallic')
          expect(kit.needle.point).not.toBe('metallic')
      }
    }))

  it('of a thread that nothing lets through is a finer one without a price, or all that have one', () =>
    everyAnswer(({ kits }) => {
      const { asked, others } = byThread(kits)
      if (others.length === 0 || asked.length > 0) return
      for (const kit of others)
        expect(because(kit, 'thread').because).toMatch(/for which this cloth and machine have no needle/)
      if (others.some((kit) => !needleCosts(kit))) expect(others).toHaveLength(1)
    }))

  it('is never ended by a thread that no needle lets through, where another is sewn', () =>
    everyAnswer(({ refusals }, request) => {
      if (!refusals.some(({ limit, value }) => limit === 'thread' && value === 'thread')) return
      const { thread: _, ...free } = request
      expect(computeKit(free).verdict).toBe('refused')
    }))

  it('stands in order: the thread asked for, what lies on the shelf, what has no price, a size that the cloth likes', () =>
    everyAnswer(({ kits }, request) => {
      const { others } = byThread(kits)
      const misses = (kit: Kit) => !request.thread && because(kit, 'needle-size').rule === 'bound-sold'
      const grades = kits.map((kit) =>
        [others.includes(kit), kit.inStock === false, kit.verdict === 'marginal', misses(kit)].map(Number).join(''),
      )
      expect(grades).toEqual([...grades].sort())
    }))

  it('names in each kit the needles of the others that take the thread that was asked for', () =>
    everyAnswer(({ kits }) => {
      const { asked } = byThread(kits)
      for (const kit of kits) {
        const others = asked.filter((other) => other !== kit).map(({ needle: { system: _, ...needle } }) => needle)
        expect(sorted(kit.alternates)).toEqual(sorted(others))
      }
    }))
})

const sorted = (all: readonly unknown[]) => all.map((each) => JSON.stringify(each)).sort()

describe('the shelf', () => {
  const lies = ({ needle }: Kit, { stock, machine }: KitRequest, own = machine?.needleSystem ?? '130/705 H') =>
    stock!.needles.some(
      ({ point, sizeNm, count, system = own }) =>
        point === needle.point && sizeNm === needle.sizeNm && count > 0 && system === own,
    )
  const NOT_THERE = /Not in stock: (.+)\.$/

  it('has what a kit says that it has, needle and thread, and what is missing is named where it belongs', () =>
    everyKit((kit, request) => {
      const [size, thread] = ['needle-size', 'thread'].map((part) => NOT_THERE.exec(because(kit, part).because)?.[1])
      if (!request.stock) return expect([kit.inStock, size, thread]).toEqual([undefined, undefined, undefined])
      expect(size === undefined).toBe(lies(kit, request))
      expect(kit.inStock).toBe(size === undefined && thread === undefined)
      const { sizeNm } = kit.needle
      const parts = [size !== undefined && `${sizeNm}/`, thread !== undefined && `${plain(kit.topThread.tex)} tex`]
      for (const said of [size, thread]) {
        if (said === undefined) continue
        for (const part of parts) if (part) expect(said).toContain(part)
        expect(said.split(' and ')).toHaveLength(parts.filter(Boolean).length)
      }
    }))

  it('of needles of another shank is as good as empty, and one that names the machine’s own is as it was', () =>
    everyAnswer((answer, request) => {
      if (!request.stock || answer.kits.length === 0) return
      const { needles } = request.stock
      const own = request.machine?.needleSystem ?? '130/705 H'
      const shelf = (more: typeof needles) => computeKit({ ...request, stock: { ...request.stock!, needles: more } })
      const other = answer.kits.map(({ needle: { point, sizeNm } }) => ({ point, sizeNm, count: 9, system: 'DV x 63' }))
      expect(shelf([...needles, ...other])).toEqual(answer)
      expect(shelf(needles.map((needle) => ({ ...needle, system: own })))).toEqual(answer)
      expect(shelf([...needles.map((needle) => ({ ...needle, system: own })), ...other])).toEqual(answer)
    }))
})

describe('each kit', () => {
  const rows = new Map(
    [...KNOWLEDGE.cautions, ...KNOWLEDGE.extras, ...KNOWLEDGE.prices].map((rule) => [rule.id, rule] as const),
  )

  it('has a price where a row says so, where the thread is tight, and where a twin lacks its second pin; and only there', () =>
    everyKit((kit, { machine }) => {
      const { points } = KNOWLEDGE
      if (kit.fit.verdict === 'tight') expect(because(kit, 'needle-size').price).toBe(true)
      const lacksPin = isTwin(points[kit.needle.point]) && machine !== undefined && machine.spoolPins < 2
      for (const { part, rule, price } of kit.reasons) {
        const row = rows.get(rule)
        if (!row) continue
        const says = 'price' in row.give || ('marginal' in row.give && row.give.marginal === true)
        expect([part, price === true]).toEqual([part, says || (part === 'cone-stand' && lacksPin)])
      }
    }))

  it('is as sure as the least sure of its eight parts, whatever is added to them', () =>
    everyKit(({ confidence, reasons }) => {
      const parts = ['needle-point', 'needle-size', 'thread', 'bobbin', 'foot', 'foot-pressure', 'stitch', 'dial']
      const sure = reasons.filter(({ part }) => parts.includes(part)).map((reason) => reason.confidence)
      expect(sure).toHaveLength(8)
      expect(confidence).toBe(['low', 'medium', 'high'].find((one) => sure.some((each) => each === one)))
    }))

  it('names a way of this room where its row is one, and not for a point of which something else is said', () =>
    everyKit(({ needle: { point }, reasons: [reason] }) => {
      const row = KNOWLEDGE.pointProposals.find(({ id }) => id === reason!.rule)!
      expect(reason!.school).toBe(row.give.otherwise?.[point] === undefined ? row.school : undefined)
    }))

  it('names the rows that decided: every one of them is there', () =>
    everyKit(({ reasons }) => {
      for (const { rule } of reasons) expect(rule).toMatch(/^[\w-]+( [\w-]+)*$/)
      for (const { part, rule } of reasons.slice(8)) if (part !== 'stack') expect(rows.has(rule), rule).toBe(true)
    }))

  it('has each extra and each caution once, as the first row says that speaks of it, in the order of rows', () =>
    everyKit((kit) => {
      const inOrder = (of: readonly { readonly id: string }[], said: readonly string[]) => {
        const places = kit.reasons.flatMap(({ part, rule }) =>
          said.includes(part) ? [of.findIndex(({ id }) => id === rule)].filter((place) => place >= 0) : [],
        )
        expect(places).toEqual([...new Set(places)].sort((a, b) => a - b))
        expect(places).toHaveLength(said.length)
      }
      expect(new Set(kit.extras).size).toBe(kit.extras.length)
      expect(new Set(kit.cautions).size).toBe(kit.cautions.length)
      inOrder(KNOWLEDGE.extras, kit.extras)
      inOrder(KNOWLEDGE.cautions, kit.cautions)
    }))

  it('has the small round hole where the machine has such a plate and the needle goes down in the middle alone; tape where not', () =>
    everyKit(({ extras, stitch, needle }, { machine, operation }) => {
      const swings = stitch.iso !== '301' || isTwin(KNOWLEDGE.points[needle.point])
      const slips = extras.includes('scrap-leader')
      const aside = ['edge-stitch', 'zip'].includes(operation)
      const fits = slips && machine?.straightPlate === true && !aside && !swings && needle.point !== 'wing'
      if (extras.includes('straight-stitch-plate')) expect(fits).toBe(true)
      if (extras.includes('tape-plate-hole')) expect([fits, swings, slips, aside]).toEqual([false, false, true, false])
      if (slips && !swings && !aside)
        expect(extras.includes('straight-stitch-plate') || extras.includes('tape-plate-hole')).toBe(true)
    }))

  it('with a twin says how far it may swing, by its own gap; and no other needle has one', () =>
    everyKit((kit, { machine }) => {
      const { gapMm } = kit.needle
      const twin = isTwin(KNOWLEDGE.points[kit.needle.point])
      expect(Object.hasOwn(kit.needle, 'gapMm')).toBe(twin)
      if (gapMm === undefined) return expect(kit.cautions).not.toContain('width-limit')
      const plateMm = machine?.maxWidthMm ?? 9
      expect(because(kit, 'width-limit').because).toContain(
        `more than ${plain(Math.max(0, plateMm - gapMm - 0.5))} mm strikes`,
      )
    }))

  it('says of a thread what was chosen about it, and calls it by its finish where that is not the usual one', () =>
    everyKit((kit, { thread, stock }) => {
      const said = because(kit, 'thread').because
      const { tex, fibre, finish } = kit.topThread
      const taken = {
        finer: /is taken finer/.test(said),
        fits: /passes/.test(said),
        shelf: /lies on the shelf/.test(said),
      }
      if (thread) expect([taken.finer, taken.shelf]).toEqual([false, false])
      if (!stock) expect(taken.shelf).toBe(false)
      expect(said).toContain(`${plain(tex)} tex`)
      if (!kit.extras.includes('spool-net')) return
      const usual = finish === undefined || finish === usualFinish(fibre)
      const words = usual ? plainNamed(fibre) : `${plainNamed(finish)} ${plainNamed(fibre)}`
      expect(because(kit, 'spool-net').because).toMatch(new RegExp(`^${words} thread springs`, 'i'))
    }))
})

describe('a needle far from what the cloth likes', () => {
  const on = (min: number, max: number, fabric: Omit<KitRequest['fabric'], 'structure'>, crossing = 2) => {
    const machine = { ...MACHINE, needleNm: { min, max } }
    const { verdict, kits, refusals } = computeKit({
      ...{ fabric: { structure: 'woven', traits: [], ...fabric }, layers: { seam: 2, crossing } },
      ...{ operation: 'seam', machine },
    })
    return [verdict, kits[0]?.needle.sizeNm ?? refusals[0]!.limit]
  }

  it('is refused by what was measured, and by no guess: neither of the mass nor of how thick a crossing is', () => {
    expect(on(110, 140, { massGsm: 150 })).toEqual(['refused', 'needle-size'])
    expect(on(110, 140, { massGsm: 150, guessed: ['massGsm'] })).toEqual(['marginal', 110])
    expect(on(110, 140, { thicknessMm: 0.3 })).toEqual(['marginal', 110])
    expect(on(60, 70, { massGsm: 300, thicknessMm: 0.7 }, 8)).toEqual(['refused', 'needle-size'])
    expect(on(60, 70, { massGsm: 300 }, 8)).toEqual(['marginal', 70])
    // By as much as was measured it is.
    expect(on(60, 65, { massGsm: 300 }, 8)).toEqual(['refused', 'needle-size'])
  })
})

describe('what costs something, and what is said of it', () => {
  const plainWork: KitRequest = {
    fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3, traits: [] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    machine: MACHINE,
  }
  const first = (more: Partial<KitRequest>) => computeKit({ ...plainWork, ...more }).kits[0]!

  it('is a second spool that no pin holds, and not a second spool', () => {
    const hem = (spoolPins: number) => {
      const kit = first({
        fabric: { structure: 'knit', massGsm: 180, stretchPercent: 30, traits: [] },
        operation: 'knit-hem',
        machine: { ...MACHINE, spoolPins },
      })
      const prices = kit.reasons.filter(({ price }) => price).map(({ part }) => part)
      return [kit.verdict, prices, kit.extras.includes('cone-stand'), kit.extras.includes('second-spool')]
    }
    expect(hem(1)).toEqual(['marginal', ['cone-stand'], true, true])
    expect(hem(2)).toEqual(['good', [], false, true])
  })

  it('is a needle that the cloth does not like, though the thread has room in it', () => {
    const kit = first({ machine: { ...MACHINE, needleNm: { min: 90, max: 110 } } })
    expect([kit.fit.verdict, needleCosts(kit)]).toEqual(['good', true])
  })

  it('is an empty drawer: needles of which none is left are not there', () => {
    const shelf = (count: number) =>
      first({ stock: { needles: [{ point: 'universal', sizeNm: 70, count }], threads: [] } })
    expect([shelf(1), shelf(0)].map((kit) => /Not in stock/.test(because(kit, 'needle-size').because))).toEqual([
      false,
      true,
    ])
  })

  it('is told of the thread: that it is finer than the cloth would have, or that it lies on the shelf', () => {
    const { machine: _, ...anywhere } = plainWork
    const unbound = (more: Partial<KitRequest>) => computeKit({ ...anywhere, ...more }).kits[0]!
    const net = unbound({
      fabric: { structure: 'net', massGsm: 480, thicknessMm: 0.26, traits: [] },
      operation: 'free-motion',
    })
    expect(because(net, 'thread').because).toContain('It is taken finer, 18 tex')
    expect(because(net, 'thread').because).not.toContain('lies on the shelf')
    const rope = unbound({
      fabric: { structure: 'pile', massGsm: 52, thicknessMm: 0.22, traits: ['laminated', 'denim'] },
      operation: 'coil',
      stock: { needles: [], threads: [{ tex: 20, fibre: 'polyester', use: 'fine' }] },
    })
    expect(because(rope, 'thread').because).toContain('20 tex polyester is what lies on the shelf')
    expect(because(rope, 'thread').because).not.toContain('taken finer')
    expect(because(first({}), 'thread').because).toMatch(/27 tex polyester passes 70\/10/)
  })
})

describe('the ways out where thread and cloth disagree', () => {
  const order = (request: KitRequest) =>
    computeKit(request).kits.map(({ needle, topThread }) => [needle.point, needle.sizeNm, Math.round(topThread.tex)])

  it('begin with the larger eye, though the cloth would have another point', () => {
    expect(
      order({
        fabric: { structure: 'woven', traits: ['laminated'] },
        layers: { seam: 4, crossing: 7 },
        operation: 'free-motion',
        thread: { tex: 51.6, fibre: 'polyester', finish: 'spun', strands: 2 },
      }),
    ).toEqual([
      ['topstitch', 90, 52],
      ['universal', 110, 52],
      ['microtex', 110, 52],
      ['stretch', 90, 27],
    ])
  })

  it('leave a larger eye in its place that makes a thicker hole than the cloth’s own point needs', () => {
    expect(
      order({
        fabric: { structure: 'woven', massGsm: 54, traits: ['imitation-leather', 'elastane'] },
        layers: { seam: 3, crossing: 2 },
        operation: 'seam',
        thread: { tex: 18.06, fibre: 'cotton', finish: 'filament', strands: 2 },
      }),
    ).toEqual([
      ['microtex', 65, 18],
      ['leather', 70, 18],
      ['stretch', 65, 18],
      ['topstitch', 80, 18],
      ['universal', 65, 18],
      ['microtex', 60, 18],
    ])
  })

  it('have a finer thread in them also where the work itself wants the larger eye', () => {
    const embroidery = (tex: number) =>
      order({
        fabric: { structure: 'woven', massGsm: 120, traits: [] },
        layers: { seam: 2, crossing: 2 },
        operation: 'embroidery',
        thread: { tex, fibre: 'cotton' },
      })
    expect(embroidery(100)).toEqual([
      ['embroidery', 90, 100],
      ['embroidery', 75, 26],
    ])
    expect(embroidery(20)).toEqual([['embroidery', 75, 20]])
  })

  it('are none where no point for the thread is made in the shank: then another machine helps', () => {
    const answer = computeKit({
      fabric: { structure: 'woven', massGsm: 120, traits: [] },
      layers: { seam: 2, crossing: 2 },
      operation: 'seam',
      thread: { tex: 30, fibre: 'metallic' },
      machine: { ...MACHINE, needleSystem: '135×17' },
    })
    expect(answer.refusals).toMatchObject([{ limit: 'needle-system' }])
  })
})
