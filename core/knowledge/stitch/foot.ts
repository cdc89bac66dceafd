import { readable, type Rule } from '../fact'

export const FEET = [
  'standard',
  'zigzag',
  'walking',
  'non-stick',
  'roller',
  'straight',
  'zip',
  'buttonhole',
  'embroidery',
  'darning',
  'blind-hem',
] as const
export type Foot = (typeof FEET)[number]

export interface FootWish {
  /** best first */
  readonly feet: readonly Foot[]
  /** said when another than the first of them is taken */
  readonly otherwise?: string
  /** said when the machine has none of them and a plain foot stands in: what the eye and the hand do. The kit is marginal */
  readonly missing?: string
  /** no plain foot can stand in */
  readonly essential?: true
  /** other feet that press plain work down as well */
  readonly standIns?: readonly Foot[]
}

const wish = (id: string, when: Rule<unknown>['when'], give: FootWish, because: string): Rule<FootWish> => ({
  id: `foot-${id}`,
  when,
  give,
  because,
  source: 'common practice',
  confidence: 'high',
})

/** The walking foot carries the upper layer too; any foot that presses them down does at a pinch. */
const CARRIED = {
  feet: ['walking', 'standard', 'zigzag', 'straight'],
  standIns: ['roller', 'non-stick'],
} as const satisfies FootWish

/** First row that holds decides. Built-in even feed stands in for a walking foot. */
export const FOOT_WISHES: readonly Rule<FootWish>[] = readable([
  wish(
    'buttonhole',
    { operation: { in: ['buttonhole'] } },
    {
      feet: ['buttonhole'],
      missing:
        'There is no buttonhole foot: mark both ends and the width, sew the bars by eye, and sew one on a scrap first.',
    },
    'The buttonhole foot measures the hole and keeps its bars apart.',
  ),
  wish(
    'zip',
    { operation: { in: ['zip'] } },
    {
      feet: ['zip'],
      missing:
        'There is no zip foot: tack the zip in by hand, move the needle to the side, and keep clear of the teeth by eye.',
    },
    'The zip foot runs beside the teeth, on either side.',
  ),
  wish(
    'blind-hem',
    { operation: { in: ['blind-hem'] } },
    {
      feet: ['blind-hem'],
      missing: 'There is no blind-hem foot: guide the fold by eye along a mark, so that the swing just catches it.',
    },
    'The blind-hem foot’s guide holds the fold where the swing just catches it.',
  ),
  wish(
    'darning',
    { operation: { in: ['mending'] } },
    {
      feet: ['darning'],
      missing:
        'There is no darning foot: take the foot off, lower its lever for the tension, stretch the cloth in a hoop, glasses on.',
    },
    'The darning foot hops, so that the hands can move the cloth under it.',
  ),
  wish(
    'free-motion',
    { operation: { in: ['free-motion'] } },
    {
      feet: ['darning', 'embroidery'],
      essential: true,
      otherwise:
        'The hands move the cloth: the {foot} foot is open enough to see it, and keeps fingers from the needle.',
    },
    'The hands move the cloth: a darning foot that hops keeps fingers from the needle and the cloth down at each stitch.',
  ),
  wish(
    'embroidery',
    { operation: { in: ['embroidery', 'decorative', 'wing'] } },
    {
      feet: ['embroidery', 'standard', 'zigzag', 'non-stick', 'roller', 'straight'],
      otherwise: 'The {foot} foot does; look that raised stitches pass beneath it.',
    },
    'A foot open at the front, with room beneath for raised stitches; a walking foot would drag a pattern out of shape.',
  ),
  wish(
    'sticky',
    { holesStay: { is: true } },
    {
      feet: ['walking', 'non-stick', 'roller'],
      otherwise: 'Leather and coated cloth stick to a plain foot; the {foot} foot glides.',
      missing: 'A plain foot sticks to this cloth: tissue paper or matte tape goes under it.',
    },
    'Leather and coated cloth stick to a plain foot; the walking foot carries them along.',
  ),
  wish(
    'napped',
    { structure: { in: ['woven', 'pile'] }, traits: { has: ['napped'] } },
    {
      ...CARRIED,
      otherwise: 'Two naps creep against each other: under the {foot} foot, tack them first, and sew with the pile.',
    },
    'Two naps creep against each other: the walking foot keeps them together; sew with the pile.',
  ),
  wish(
    'creeping',
    { any: [{ operation: { in: ['quilting'] } }, { traits: { has: ['quilted', 'bulky'] } }] },
    {
      ...CARRIED,
      otherwise: 'Thick soft layers creep apart: under the {foot} foot, tack or pin them closely.',
    },
    'Thick soft layers creep apart: the walking foot moves the upper one too.',
  ),
  wish(
    'standard',
    {},
    { feet: ['standard', 'zigzag', 'straight'], standIns: ['walking', 'roller', 'non-stick'] },
    'The {foot} foot does.',
  ),
])

/** Said of a machine that feeds from above by itself, where a walking foot was wished for. */
export const EVEN_FEED = 'The machine’s built-in even feed stands in for a walking foot, so the {foot} foot does.'

export type FootPressure = 'low' | 'normal' | 'high'

/** First row that holds decides. */
export const PRESSURE_WISHES: readonly Rule<{ readonly pressure: FootPressure; readonly lost: string }>[] = readable([
  {
    id: 'pressure-light',
    when: {
      structure: { notIn: ['leather', 'rope', 'coated'] },
      any: [{ silky: { is: true } }, { band: { in: ['sheer', 'light'] } }],
    },
    give: { pressure: 'low', lost: 'light cloth may pucker or creep under it' },
    because: 'At {massGsm} g/m² the cloth is light: ease the foot, about two turns in from loose.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'pressure-bulky',
    when: { structure: { notIn: ['leather', 'rope', 'coated'] }, lofty: { is: true } },
    give: { pressure: 'low', lost: 'thick soft layers may be pushed along' },
    because: 'Thick soft layers of {stackMm} mm feed better under a lighter foot.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'pressure-napped',
    when: { traits: { has: ['napped'] }, structure: { notIn: ['leather', 'rope', 'coated'] } },
    give: { pressure: 'low', lost: 'the nap is flattened along the seam' },
    because: 'A heavy foot marks a nap for good: ease it.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'pressure-knit',
    when: { structure: { in: ['knit', 'net'] }, looped: { is: true } },
    give: { pressure: 'low', lost: 'the edge may stretch into waves' },
    because: 'Under a heavy foot a {structure} is stretched as it is sewn: ease it.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'pressure-normal',
    when: {},
    give: { pressure: 'normal', lost: 'nothing' },
    because: 'Ordinary foot pressure holds {stackMm} mm of this well.',
    source: 'common practice',
    confidence: 'medium',
  },
])
