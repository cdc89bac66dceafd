import type { Point } from './needle'
import { readable, type Rule } from '../fact'
import { wayOf } from '../school'

/** Points to try, best first. `only`: nothing else does this job, so the search ends with this row. */
export interface PointProposal {
  readonly points: readonly Point[]
  readonly only?: true
  /** what is said of another than the first of them */
  readonly otherwise?: Readonly<Partial<Record<Point, string>>>
  /** a size the school asks for whatever the cloth's range says */
  readonly sizeNm?: number
}

const propose = (
  id: string,
  when: Rule<unknown>['when'],
  give: PointProposal,
  because: string,
  school?: string,
): Rule<PointProposal> => ({
  id: `point-${id}`,
  when,
  give,
  because,
  source: 'common practice',
  confidence: 'medium',
  ...(school && { school }),
})

const KNITTED = ['knit', 'pile']
const LOOPED = { looped: { is: true } } as const
const FIRM = ['woven', 'felt', 'coated', 'net']
const CLOTH = ['woven', 'felt', 'net']
const DENIM_BY_UNIVERSAL = {
  traits: { has: ['denim', 'canvas'] },
  schoolDenim: { in: ['universal-100'] },
  band: { in: ['heavy', 'very-heavy', 'extreme'] },
} as const
const UNIVERSAL_FOR_DENIM = [
  { points: ['universal'], sizeNm: 100 },
  'This room finds a universal 100/16 enough for denim and canvas.',
  'denim: universal-100',
] as const
const SUEDE_OR_THIN = [{ thicknessMm: { below: 1 } }, { traits: { has: ['suede'] } }]

/** Every row that holds adds its points, in this order. */
export const POINT_PROPOSALS: readonly Rule<PointProposal>[] = readable([
  propose(
    'wing',
    { operation: { in: ['wing'] } },
    { points: ['wing'], only: true },
    'Only a wing needle opens the row of holes that this edge is made of.',
  ),
  propose(
    'hem-elastane',
    { operation: { in: ['knit-hem'] }, ...LOOPED, elastane: { is: true } },
    {
      points: ['twin-stretch', 'twin-ballpoint'],
      only: true,
      otherwise: {
        'twin-ballpoint':
          'Two rows above and a zigzag below give with the hem; ball tips may skip where there is elastane.',
      },
    },
    'Two rows above and a zigzag below give with the hem; with elastane the stretch twin skips least.',
  ),
  propose(
    'hem-knit',
    { operation: { in: ['knit-hem'] }, ...LOOPED },
    { points: ['twin-ballpoint', 'twin-stretch'], only: true },
    'Two rows above and a zigzag below give with the hem; its rounded tips part the loops.',
  ),
  propose(
    'hem-other',
    { operation: { in: ['knit-hem'] } },
    { points: ['twin-universal'], only: true },
    'A twin needle makes the two rows; this cloth has no loops to spare, so the universal twin does.',
  ),
  propose(
    'metallic',
    { threadFibre: { in: ['metallic'] } },
    { points: ['metallic'], only: true },
    'Metallic thread frays in an ordinary eye; the long polished eye is made for it.',
  ),
  propose(
    'embroidery',
    { operation: { in: ['embroidery'] } },
    { points: ['embroidery'], only: true },
    'Dense stitches with soft thread want the wider eye and soft tip of an embroidery needle.',
  ),
  propose(
    'leather-school-universal',
    { structure: { in: ['leather'] }, schoolSuede: { in: ['universal'] }, any: SUEDE_OR_THIN },
    {
      points: ['universal', 'leather'],
      otherwise: { leather: 'The cutting wedge goes through it too, and its cut tears more easily than a round hole.' },
    },
    'At {thicknessMm} mm a universal pierces it, and its round hole tears less than a cut: this room’s way.',
    wayOf('suede', 'universal'),
  ),
  propose(
    'leather-school-point',
    { structure: { in: ['leather'] }, schoolSuede: { in: ['leather-point'] }, any: SUEDE_OR_THIN },
    { points: ['leather'] },
    'This room cuts through all leather, {thicknessMm} mm too, with the leather point.',
    wayOf('suede', 'leather-point'),
  ),
  propose(
    'leather-thin',
    { structure: { in: ['leather'] }, thicknessMm: { below: 1 } },
    {
      points: ['universal', 'leather'],
      otherwise: { leather: 'At {thicknessMm} mm, under 1, the cutting wedge goes through too, with a larger hole.' },
    },
    'At {thicknessMm} mm, under 1, a universal pierces leather well and leaves a smaller hole.',
    wayOf('suede', 'universal'),
  ),
  propose(
    'leather',
    { structure: { in: ['leather'] } },
    { points: ['leather'] },
    'Leather of {thicknessMm} mm, 1 or more, wants the cutting wedge.',
  ),
  propose(
    'imitation-jeans',
    { traits: { has: ['imitation-leather'] }, structure: { notIn: KNITTED }, schoolImitation: { in: ['jeans'] } },
    {
      points: ['jeans', 'microtex'],
      otherwise: { microtex: 'A slim sharp point pierces imitation leather without cutting it.' },
    },
    'This room sews imitation leather with the strong jeans blade.',
    wayOf('imitation', 'jeans'),
  ),
  propose(
    'imitation-leather',
    { traits: { has: ['imitation-leather'] }, structure: { notIn: KNITTED }, schoolImitation: { in: ['leather'] } },
    {
      points: ['leather', 'microtex'],
      otherwise: { microtex: 'A slim sharp point pierces imitation leather without cutting it.' },
    },
    'This room sews imitation leather with the leather point; test first, its cut can tear a thin film.',
    wayOf('imitation', 'leather'),
  ),
  propose(
    'imitation',
    { traits: { has: ['imitation-leather'] }, structure: { notIn: KNITTED } },
    {
      points: ['microtex', 'jeans', 'leather'],
      otherwise: {
        jeans: 'A reinforced blade stands up to imitation leather where a slim one bends.',
        leather:
          'The cutting wedge is for imitation leather that skips otherwise; test first, its cut can tear a thin film.',
      },
    },
    'Imitation leather is pierced by a slim sharp point without cutting it.',
    wayOf('imitation', 'microtex'),
  ),
  propose(
    'elastane-microtex',
    { structure: { in: KNITTED }, elastane: { is: true }, schoolElastane: { in: ['microtex'] } },
    {
      points: ['microtex', 'stretch'],
      otherwise: {
        stretch: 'The stretch point’s deeper scarf keeps the loop where elastane makes ordinary points skip.',
      },
    },
    'This room uses microtex on fine elastane; it may cut yarns, so stretch the test swatch and look for runs.',
    wayOf('elastane', 'microtex'),
  ),
  propose(
    'elastane',
    { elastane: { is: true }, structure: { in: KNITTED } },
    { points: ['stretch'] },
    'Elastane makes ordinary points skip; the stretch point’s deeper scarf keeps the loop.',
    wayOf('elastane', 'stretch'),
  ),
  propose(
    'elastane-woven',
    { elastane: { is: true }, structure: { in: ['net', 'woven', 'coated'] }, traits: { lacks: ['laminated'] } },
    { points: ['stretch'] },
    'Elastane in a {structure} makes ordinary points skip; the stretch point keeps the loop.',
    wayOf('elastane', 'stretch'),
  ),
  propose(
    'elastic',
    { operation: { in: ['elastic'] }, structure: { notIn: ['coated', 'rope', 'leather'] } },
    {
      points: ['stretch', 'ballpoint'],
      otherwise: { ballpoint: 'A rounded tip slips between the rubber threads of elastic; it may skip.' },
    },
    'Elastic bends ordinary points away; the stretch point’s deeper scarf keeps the loop.',
  ),
  propose(
    'laminated',
    { traits: { has: ['laminated'] }, structure: { notIn: ['leather'] } },
    {
      points: ['stretch', 'universal'],
      otherwise: { universal: 'A universal makes a small round hole in a laminate that gives little.' },
    },
    'A laminate gives, and its face is often a knit: the stretch point’s deeper scarf keeps the loop.',
  ),
  propose(
    'knit',
    LOOPED,
    {
      points: ['ballpoint', 'stretch'],
      otherwise: {
        stretch: 'Its ball tip parts the loops of a {structure}, and its deeper scarf helps where it skips.',
      },
    },
    'A rounded tip parts the loops of a {structure}; an ordinary point would cut them and leave runs.',
  ),
  propose(
    'thick-thread',
    { thickThread: { is: true }, structure: { in: FIRM } },
    { points: ['topstitch'] },
    'Thick thread passes the very large eye of a topstitch needle at a smaller blade.',
  ),
  propose(
    'webbing',
    { webbing: { is: true }, thickThread: { is: false } },
    { points: ['jeans'] },
    'At {massGsm} g/m² this is webbing: the reinforced jeans blade deflects least in it.',
  ),
  propose(
    'denim-topstitching-school',
    { operation: { in: ['topstitch', 'edge-stitch'] }, ...DENIM_BY_UNIVERSAL },
    ...UNIVERSAL_FOR_DENIM,
  ),
  propose(
    'denim-topstitching',
    { operation: { in: ['topstitch', 'edge-stitch'] }, traits: { has: ['denim', 'canvas'] }, structure: { in: CLOTH } },
    {
      points: ['jeans', 'topstitch'],
      otherwise: { topstitch: 'The very large eye of a topstitch needle spares the thread in denim and canvas.' },
    },
    'A line that shows on denim or canvas stays straight with the reinforced jeans blade.',
  ),
  propose(
    'fine-topstitching',
    {
      operation: { in: ['topstitch', 'edge-stitch'] },
      thickThread: { is: false },
      structure: { in: CLOTH },
      traits: { lacks: ['quilted'] },
    },
    {
      points: ['microtex', 'universal'],
      otherwise: { universal: 'A universal point does for topstitching in thread of {threadTex} tex.' },
    },
    'A line that shows runs straightest with a slim sharp point.',
  ),
  propose(
    'rope',
    { structure: { in: ['rope'] } },
    {
      points: ['jeans', 'universal'],
      otherwise: {
        universal: 'A thick universal goes through a soft cord too, though it bends.',
      },
    },
    'Cotton rope wants the reinforced jeans blade.',
  ),
  propose(
    'quilting',
    { any: [{ operation: { in: ['quilting'] } }, { traits: { has: ['quilted'] } }] },
    {
      points: ['quilting', 'universal'],
      otherwise: {
        universal: 'A universal passes layers and batting as well, a little less cleanly than a slim taper.',
      },
    },
    'The slim taper of a quilting needle passes layers and batting without pushing them apart.',
  ),
  propose('denim-universal', DENIM_BY_UNIVERSAL, ...UNIVERSAL_FOR_DENIM),
  propose(
    'denim-jeans-always',
    { traits: { has: ['denim', 'canvas'] }, schoolDenim: { in: ['jeans'] } },
    { points: ['jeans'] },
    'This room takes the jeans point for all denim and canvas.',
    wayOf('denim', 'jeans'),
  ),
  propose(
    'denim-jeans',
    { traits: { has: ['denim', 'canvas'] }, schoolDenim: { known: false }, crossingLayers: { over: 2 } },
    { points: ['jeans'] },
    'The crossing has {crossingLayers} layers, more than two: the reinforced jeans blade deflects least in denim and canvas.',
    wayOf('denim', 'jeans'),
  ),
  propose(
    'denim-jeans-heavy',
    { traits: { has: ['denim', 'canvas'] }, schoolDenim: { known: false }, massGsm: { over: 350 } },
    { points: ['jeans'] },
    'At {massGsm} g/m², over 350, the reinforced jeans blade deflects least in denim and canvas.',
    wayOf('denim', 'jeans'),
  ),
  propose(
    'coated',
    {
      any: [{ structure: { in: ['coated'] } }, { traits: { has: ['coated'] } }],
      structure: { notIn: ['leather'] },
      traits: { lacks: ['laminated'] },
    },
    {
      points: ['microtex', 'jeans'],
      otherwise: { jeans: 'A reinforced blade stands up to a coating where a slim one bends.' },
    },
    'A coating closes round a slim sharp hole; a rounded tip would push it in.',
  ),
  propose(
    'large-eye-school',
    { structure: { in: CLOTH }, schoolPoint: { in: ['large-eye'] } },
    { points: ['topstitch'] },
    'This room takes the topstitch needle for nearly all woven work, since thread passes the eye so often.',
    wayOf('point', 'large-eye'),
  ),
  propose(
    'sharp-school',
    { structure: { in: CLOTH }, schoolPoint: { in: ['sharp-first'] } },
    {
      points: ['microtex', 'quilting'],
      otherwise: {
        quilting: 'This room takes a sharp point for today’s denser wovens; the slim quilting taper is one.',
      },
    },
    'This room takes a sharp point for today’s denser wovens.',
    wayOf('point', 'sharp-first'),
  ),
  propose(
    'dense',
    { structure: { in: CLOTH }, schoolPoint: { known: false }, traits: { has: ['dense'] } },
    { points: ['microtex'] },
    'The weave is dense: a slim sharp point goes between its yarns without picks or puckers.',
    wayOf('point', 'universal-first'),
  ),
  propose(
    'silky',
    { structure: { in: CLOTH }, schoolPoint: { known: false }, silky: { is: true } },
    { points: ['microtex'] },
    'At {massGsm} g/m² this is sheer or silky: a slim sharp point makes neither picks nor puckers.',
    wayOf('point', 'universal-first'),
  ),
  propose(
    'universal',
    { structure: { notIn: [...KNITTED, 'leather'] } },
    { points: ['universal'] },
    'A universal point does for ordinary {structure} cloth of {massGsm} g/m².',
    wayOf('point', 'universal-first'),
  ),
  propose(
    'denim-alternate',
    { traits: { has: ['denim', 'canvas'] }, structure: { in: FIRM } },
    { points: ['jeans'] },
    'The reinforced jeans blade does in denim and canvas of any weight.',
  ),
  propose(
    'sharp-fallback',
    { structure: { in: CLOTH } },
    { points: ['microtex'] },
    'A sharp point does as well here, and picks less.',
  ),
  propose(
    'large-eye-fallback',
    { structure: { in: FIRM }, threadGiven: { is: true } },
    { points: ['topstitch'] },
    'The very large eye of a topstitch needle lets {threadTex} tex pass at a smaller blade.',
  ),
])

/** Points that a cloth never gets, whatever proposed them. */
export const POINT_VETOES: readonly Rule<{ readonly points: readonly Point[] }>[] = readable([
  {
    id: 'veto-knit',
    when: LOOPED,
    give: { points: ['universal', 'jeans', 'leather', 'quilting', 'topstitch', 'twin-universal'] },
    because: 'A point that is not rounded cuts the loops of a {structure}.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'veto-knit-sharp',
    when: { ...LOOPED, schoolElastane: { notIn: ['microtex'] } },
    give: { points: ['microtex'] },
    because: 'A sharp point cuts the loops of a {structure}.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'veto-wedge-on-cloth',
    when: { structure: { in: ['woven', 'felt', 'net', 'rope'] }, traits: { lacks: ['imitation-leather'] } },
    give: { points: ['leather'] },
    because: 'The leather point cuts the yarns of cloth.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'veto-jeans-on-sheer',
    when: { any: [{ band: { in: ['sheer'] } }, { traits: { has: ['sheer'] } }] },
    give: { points: ['jeans'] },
    because: 'A reinforced blade leaves holes in a sheer.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'veto-ball-on-dense',
    when: { structure: { in: ['woven'] }, traits: { has: ['dense'] } },
    give: { points: ['ballpoint'] },
    because: 'A rounded tip cannot pass a dense weave cleanly.',
    source: 'common practice',
    confidence: 'high',
  },
])
