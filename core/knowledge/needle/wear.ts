import { readable, type Rule } from '../fact'

/** How needles wear. All of it is data that a room may change. Source: common practice. */

export const LOADS = ['ordinary', 'hard', 'harsh'] as const
/** hard: dense, coated, denim, canvas, batting, fleece · harsh: leather, vinyl, rope, metallic, adhesive-backed */
export type Load = (typeof LOADS)[number]

export const LOAD_FACTOR: Readonly<Record<Load, number>> = { ordinary: 1, hard: 1.5, harsh: 2 }

export const NEEDLE_SCHOOLS = ['whichever-first', 'hours', 'project', 'every-n', 'signs'] as const
export type NeedleSchool = (typeof NEEDLE_SCHOOLS)[number]

export const NEEDLE_SIGNS = [
  'popping',
  'skipped',
  'snags',
  'holes',
  'labouring',
  'struck',
  'bent',
  'burr',
  'shredding',
] as const
export type NeedleSign = (typeof NEEDLE_SIGNS)[number]

export const NEEDLE_LIFE = {
  /** nominal life in effective hours */
  hours: 8,
  /** schools that go by projects or signs alone still end at this many lives */
  latest: 2,
  /** share of the life from which a change comes soon */
  warnAt: 0.75,
  everyN: 3,
  /** a project shorter than this is not counted */
  countedProjectHours: 0.5,
  /** a project that wears a needle out by itself, in effective hours */
  projectHours: 2,
  /** motor time ÷ chair time of beginners */
  duty: 0.15,
  stitchesPerMinute: 400,
} as const

const load = (id: string, when: Rule<unknown>['when'], give: Load, because: string): Rule<Load> => ({
  id: `load-${id}`,
  when,
  give,
  because,
  source: 'common practice',
  confidence: 'medium',
})

/** How hard a cloth and thread are on a needle; the first row that holds counts. */
export const CLOTH_LOAD: readonly Rule<Load>[] = readable([
  load(
    'leather-rope',
    { structure: { in: ['leather', 'rope'] } },
    'harsh',
    'Leather and rope wear a needle twice as fast.',
  ),
  load('vinyl', { traits: { has: ['imitation-leather'] } }, 'harsh', 'Imitation leather wears a needle twice as fast.'),
  load('metallic', { fibre: { in: ['metallic'] } }, 'harsh', 'Metallic thread wears a needle twice as fast.'),
  load(
    'coated',
    { structure: { in: ['coated', 'pile'] } },
    'hard',
    'Coated and piled cloth wear a needle half as fast again.',
  ),
  load(
    'dense',
    { traits: { has: ['dense', 'coated', 'denim', 'canvas', 'quilted', 'abrasive'] } },
    'hard',
    'Dense, coated or quilted cloth wears a needle half as fast again.',
  ),
  load('ordinary', {}, 'ordinary', 'Ordinary cloth.'),
])
