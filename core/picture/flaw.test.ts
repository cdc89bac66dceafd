import { describe, expect, it } from 'vitest'
import { SYMPTOMS } from '../knowledge/fault/symptom'
import { ORDINARY_TEST_THREADS } from '../room/venue-settings'
import { ORDINARY_SEAM } from '../stitch/geometry'
import { drawFace } from './face'
import { FLAWS } from './flaw'
import { linearOf, type Picture } from './picture'
import { swatchScene, UNDYED, type ShownFace } from './swatch-scene'
import { symptomFace } from './symptom-face'

const PX = 16
const shown = (more: Partial<ShownFace> = {}): ShownFace => ({
  ...symptomFace('skipped')!,
  stitch: ORDINARY_SEAM,
  threads: ORDINARY_TEST_THREADS,
  pxPerMm: PX,
  ...more,
})
const picture = (more: Partial<ShownFace> = {}) => drawFace(swatchScene(shown(more)))
const light = ({ width, pixels }: Picture, xMm: number, yMm: number): number => {
  const at = (Math.round(yMm * PX) * width + Math.round(xMm * PX)) * 3
  return linearOf(pixels[at]!) + linearOf(pixels[at + 1]!) + linearOf(pixels[at + 2]!)
}
/** Whether two pictures are the same in every place that is asked for. */
const alike = (a: Picture, b: Picture, where: (xMm: number, yMm: number) => boolean): boolean => {
  for (let row = 0; row < a.height; row += 1)
    for (let column = 0; column < a.width; column += 1) {
      const at = (row * a.width + column) * 3
      if (a.pixels[at] !== b.pixels[at] && where(column / PX, row / PX)) return false
    }
  return true
}
const threads = (more: Partial<ShownFace>) => swatchScene(shown(more)).face.strands

describe('a flaw', () => {
  it.each(FLAWS)('of the kind %s is seen, and the same for the same seed', (flaw) => {
    const flawed = picture({ flaw })
    expect(alike(flawed, picture({ flaw }), () => true)).toBe(true)
    expect(alike(flawed, picture(), () => true)).toBe(false)
  })

  it('that gapes is dark between its edges, where a rung of both threads stands at every stitch', () => {
    const gape = picture({ flaw: 'gape' })
    const middle = gape.height / PX / 2
    const between = Array.from({ length: 5 }, (_, index) => light(gape, 2.25 + index * 2.5, middle))
    expect(Math.max(...between)).toBeLessThan(0.25 * light(gape, 2.25, 0.4))
    const rungs = threads({ flaw: 'gape' })
    for (const of of ['own', 'other']) expect(rungs.filter((each) => each.of === of)).toHaveLength(8)
  })

  it('where the cloth was pulled down is a hole that the seam does not get past', () => {
    const pulled = picture({ flaw: 'swallowed' })
    expect(light(pulled, 4.5, pulled.height / PX / 2)).toBeLessThan(0.4 * light(pulled, 12, 1))
    const reach = threads({ flaw: 'swallowed' }).flatMap(({ places }) => places.map(({ x }) => x))
    expect(Math.max(...reach)).toBeLessThan(5)
  })

  it('that runs goes down one column of the knit and leaves the others', () => {
    const cloth = { structure: 'knit', massGsm: 160, colour: UNDYED } as const
    const [run, whole] = [picture({ flaw: 'run', cloth }), picture({ cloth })]
    expect(alike(run, whole, (_, y) => y < 2.5)).toBe(true)
    expect(alike(run, whole, (x, y) => y > 3.5 && (x < 4 || x > 13))).toBe(true)
    expect(alike(run, whole, (x, y) => y > 3.5 && x >= 4 && x <= 13)).toBe(false)
  })

  it('that is a snag is a yarn of the cloth itself', () =>
    expect(threads({ flaw: 'snag' }).filter(({ of }) => of === 'cloth')).toHaveLength(1))

  it('of a thread that broke leaves nothing of it beyond its end', () => {
    const reach = threads({ flaw: 'broken-thread', frayed: true }).flatMap(({ places }) => places.map(({ x }) => x))
    expect(Math.max(...reach)).toBeLessThan(14)
    expect(Math.max(...threads({ frayed: true }).flatMap(({ places }) => places.map(({ x }) => x)))).toBeGreaterThan(15)
  })
})

describe('cloth that gathers', () => {
  it('stands in folds, the deeper the more it is drawn', () => {
    const folds = (pucker: number) => {
      const drawn = picture({ pucker })
      // The mean of every two rows of yarns, so that only folds are left.
      const along = Array.from({ length: 26 }, (_, index) => {
        const patch = Array.from({ length: 100 }, (_, at) =>
          light(drawn, 1 + index / 2 + (at % 10) * 0.07, 1.2 + Math.floor(at / 10) * 0.07),
        )
        return patch.reduce((sum, each) => sum + each, 0) / patch.length
      })
      return Math.max(...along) - Math.min(...along)
    }
    expect(folds(1.2)).toBeGreaterThan(folds(0.5))
    expect(folds(1.8)).toBeGreaterThan(1.4 * folds(1.2))
  })
})

describe('the picture of a symptom', () => {
  const seen = SYMPTOMS.map((symptom) => [symptom, symptomFace(symptom)] as const)

  it('is unlike that of any other, so that one can be chosen by eye', () => {
    const pictures = seen.flatMap(([, face]) =>
      face ? [drawFace(swatchScene({ ...face, threads: ORDINARY_TEST_THREADS, pxPerMm: 10 })).pixels.join()] : [],
    )
    expect(pictures.length).toBeGreaterThan(9)
    expect(new Set(pictures).size).toBe(pictures.length)
  })

  it('is of nothing that is heard or felt at the machine', () => {
    for (const [symptom, face] of seen)
      if (['electrical', 'jam', 'popping', 'crash-at-start', 'will-not-start', 'bobbin-loose'].includes(symptom))
        expect(face).toBeUndefined()
  })
})
