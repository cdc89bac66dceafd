import { readable, type Rule } from '../fact'

export const STRUCTURES = ['woven', 'knit', 'felt', 'leather', 'coated', 'pile', 'net', 'rope'] as const
export type Structure = (typeof STRUCTURES)[number]

export const TRAITS_OF_FABRIC = [
  'slippery',
  'dense',
  'sheer',
  'napped',
  'coated',
  'delicate',
  'bulky',
  'abrasive',
  'elastane',
  'denim',
  'canvas',
  'quilted',
  'suede',
  'imitation-leather',
  'handmade-cotton',
  'laminated',
  'backed',
] as const
export type FabricTrait = (typeof TRAITS_OF_FABRIC)[number]

export type Band = 'sheer' | 'light' | 'medium-light' | 'medium' | 'heavy' | 'very-heavy' | 'extreme'

/** Half-open mass bands in g/m²; `below` absent: no upper edge. Source: common practice. */
const WOVEN_BANDS: readonly { readonly band: Band; readonly below: number }[] = [
  { band: 'sheer', below: 70 },
  { band: 'light', below: 120 },
  { band: 'medium-light', below: 180 },
  { band: 'medium', below: 250 },
  { band: 'heavy', below: 350 },
  { band: 'very-heavy', below: 500 },
  { band: 'extreme', below: Infinity },
]
const KNIT_BANDS: typeof WOVEN_BANDS = [
  { band: 'light', below: 160 },
  { band: 'medium', below: 240 },
  { band: 'heavy', below: 350 },
  { band: 'very-heavy', below: Infinity },
]

/** Which bands a structure is read in; leather and rope go by thickness and have none. */
export const BANDS: Readonly<Record<Structure, typeof WOVEN_BANDS | undefined>> = {
  woven: WOVEN_BANDS,
  felt: WOVEN_BANDS,
  coated: WOVEN_BANDS,
  net: WOVEN_BANDS,
  knit: KNIT_BANDS,
  pile: KNIT_BANDS,
  leather: undefined,
  rope: undefined,
}

export const bandOf = (structure: Structure, massGsm: number, bands: typeof BANDS = BANDS): Band | undefined =>
  bands[structure]?.find(({ below }) => massGsm < below)?.band

/** Mass per area of one millimetre of this cloth, for guessing one of thickness and mass from the other (± 30 %). */
export const GSM_PER_MM: readonly Rule<{ readonly gsmPerMm: number }>[] = readable([
  row('quilted', { traits: { has: ['quilted'] } }, 110, 'two cotton faces with batting between'),
  row('denim-canvas', { structure: { in: ['woven'] }, traits: { has: ['denim', 'canvas'] } }, 500, 'denim and canvas'),
  row('leather', { structure: { in: ['leather'] } }, 850, 'leather'),
  row('laminated', { traits: { has: ['laminated'] } }, 330, 'softshell and other laminates'),
  row('coated', { structure: { in: ['coated'] } }, 700, 'film and coated cloth'),
  row('net', { structure: { in: ['net'] } }, 170, 'net and mesh'),
  row(
    'velvet',
    { structure: { in: ['woven', 'pile'] }, traits: { has: ['napped'], lacks: ['bulky'] } },
    220,
    'velvet and other napped cloth',
  ),
  row('terry', { structure: { in: ['pile'] }, massGsm: { from: 350 }, traits: { lacks: ['bulky'] } }, 130, 'terry'),
  row('fleece', { structure: { in: ['pile'] } }, 110, 'fleece and pile'),
  row('lofty', { structure: { in: ['woven'] }, traits: { has: ['bulky'] } }, 290, 'lofty wool'),
  row(
    'webbing',
    { structure: { in: ['woven'] }, any: [{ massGsm: { from: 600 } }, { thicknessMm: { from: 1.35 } }] },
    500,
    'webbing',
  ),
  row('felt', { structure: { in: ['felt'] } }, 200, 'felt'),
  row('jersey', { structure: { in: ['knit'] } }, 300, 'jersey'),
  row('woven', {}, 450, 'ordinary woven cloth'),
])

function row(id: string, when: Rule<unknown>['when'], gsmPerMm: number, words: string): Rule<{ gsmPerMm: number }> {
  return {
    id: `guess-${id}`,
    when,
    give: { gsmPerMm },
    because: `Guessed from about ${gsmPerMm} g/m² for each millimetre of ${words}; measure it to be sure.`,
    source: 'common practice',
    confidence: 'low',
  }
}
