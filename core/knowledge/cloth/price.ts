import { readable, type Rule } from '../fact'

/** What a job costs on this cloth however well it is set up: the kit is marginal at best, and says so. */
export interface Price {
  readonly price: 'cloth'
}

const price = (id: string, when: Rule<unknown>['when'], because: string): Rule<Price> => ({
  id: `price-${id}`,
  when,
  give: { price: 'cloth' },
  because,
  source: 'common practice',
  confidence: 'high',
})

/** Every row that holds is said. Facts are those of the cloth and of the stitch chosen. */
export const PRICES: readonly Rule<Price>[] = readable([
  price(
    'buttonhole-cuts',
    { holesStay: { is: true }, operation: { in: ['buttonhole'] } },
    'The close bars of a buttonhole cut this cloth like a stamp: a punched keyhole or a bound opening holds better.',
  ),
  price(
    'satin-cuts',
    { holesStay: { is: true }, operation: { in: ['embroidery'] } },
    'Satin and dense embroidery cut this cloth like a stamp: an open outline, or a patch sewn on by its edge, holds better.',
  ),
  price(
    'close-holes',
    {
      holesStay: { is: true },
      operation: { notIn: ['buttonhole', 'embroidery', 'baste', 'gather'] },
      lengthMm: { below: 2.5 },
    },
    'Holes {lengthMm} mm apart weaken this cloth like a stamp: 2.5 mm or more where the machine reaches it.',
  ),
  price(
    'basting-stays',
    { holesStay: { is: true }, operation: { in: ['baste', 'gather'] } },
    'Its holes stay when the thread comes out: clips, or tape that peels off, hold this cloth instead.',
  ),
  price(
    'satin-on-loops',
    { looped: { is: true }, operation: { in: ['embroidery'] } },
    'Dense stitches pull a cloth of loops together: only with a backing that stays, and a small motif.',
  ),
  price(
    'wing-on-backing',
    { operation: { in: ['wing'] }, stable: { is: false } },
    'The holes are held open by the backing and not by this cloth: try it on a scrap of both.',
  ),
])

/** What an operation ruins, so that it is refused. Every row that holds refuses. */
export const FABRIC_LIMITS: readonly Rule<{ readonly allowed: string; readonly wouldHelp: string }>[] = readable([
  {
    id: 'fabric-wing',
    when: { operation: { in: ['wing'] }, stable: { is: false }, traits: { lacks: ['backed'] } },
    give: {
      allowed: 'stable woven cloth',
      wouldHelp: 'A stable woven cloth, or a woven backing fused behind this one.',
    },
    because:
      'The wings of the needle tear this {structure} instead of pressing its yarns aside: the holes never stand.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'fabric-wing-rope',
    when: { operation: { in: ['wing'] }, structure: { in: ['rope'] }, traits: { has: ['backed'] } },
    give: { allowed: 'stable woven cloth', wouldHelp: 'A stable woven cloth.' },
    because: 'A rope has no weave whose yarns the wings could press aside.',
    source: 'common practice',
    confidence: 'high',
  },
])
