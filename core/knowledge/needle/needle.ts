/** Needles as they are sold: points, the sizes each exists in, how large the eye is, and shank systems. */

export type Point =
  | 'universal'
  | 'microtex'
  | 'ballpoint'
  | 'stretch'
  | 'jeans'
  | 'leather'
  | 'quilting'
  | 'embroidery'
  | 'metallic'
  | 'topstitch'
  | 'wing'
  | 'twin-universal'
  | 'twin-stretch'
  | 'twin-ballpoint'

export interface PointKnowledge {
  /** name as a person says it */
  readonly words: string
  readonly shape: string
  /** what it does to the loops of a knit: cuts them, pushes them softly, or slips between them */
  readonly tip: 'cutting' | 'soft' | 'ball'
  /** sizes sold for the household shank, in 1/100 mm */
  readonly sizesNm: readonly number[]
  /** effective width of the eye as a share of the blade. Source: common practice, checked by drop tests */
  readonly eyeShare: number
  /** the hole it leaves is the point of it, so the cloth's upper size does not bind */
  readonly holeWanted?: true
  /** gaps between the two needles, each with the sizes sold */
  readonly gaps?: readonly { readonly gapMm: number; readonly sizesNm: readonly number[] }[]
}

const STANDARD_EYE = 0.42
const WIDE_EYE = 0.5
const VERY_LARGE_EYE = 0.55

const twin = (
  shape: string,
  tip: PointKnowledge['tip'],
  gaps: NonNullable<PointKnowledge['gaps']>,
): Omit<PointKnowledge, 'words'> => ({
  shape,
  tip,
  sizesNm: [...new Set(gaps.flatMap((gap) => gap.sizesNm))].sort((a, b) => a - b),
  eyeShare: STANDARD_EYE,
  gaps,
})

export const POINTS: Readonly<Record<Point, PointKnowledge>> = {
  universal: {
    words: 'universal',
    shape: 'very slightly rounded',
    tip: 'cutting',
    sizesNm: [60, 65, 70, 75, 80, 90, 100, 110, 120],
    eyeShare: STANDARD_EYE,
  },
  microtex: {
    words: 'microtex (sharp)',
    shape: 'slim and acute',
    tip: 'cutting',
    sizesNm: [60, 65, 70, 75, 80, 90, 100, 110],
    eyeShare: STANDARD_EYE,
  },
  ballpoint: {
    words: 'ballpoint (jersey)',
    shape: 'a rounded tip that parts the loops',
    tip: 'ball',
    sizesNm: [70, 75, 80, 90, 100],
    eyeShare: STANDARD_EYE,
  },
  stretch: {
    words: 'stretch',
    shape: 'a ball tip with a deeper scarf',
    tip: 'ball',
    sizesNm: [65, 75, 90],
    eyeShare: STANDARD_EYE,
  },
  jeans: {
    words: 'jeans',
    shape: 'a reinforced blade',
    tip: 'cutting',
    sizesNm: [70, 80, 90, 100, 110],
    eyeShare: STANDARD_EYE,
  },
  leather: {
    words: 'leather',
    shape: 'a cutting wedge',
    tip: 'cutting',
    sizesNm: [70, 80, 90, 100, 110, 120],
    eyeShare: STANDARD_EYE,
  },
  quilting: { words: 'quilting', shape: 'a slim taper', tip: 'cutting', sizesNm: [75, 90], eyeShare: STANDARD_EYE },
  embroidery: {
    words: 'embroidery',
    shape: 'a soft tip with a wider eye',
    tip: 'soft',
    sizesNm: [75, 90],
    eyeShare: WIDE_EYE,
  },
  metallic: { words: 'metallic', shape: 'a long polished eye', tip: 'soft', sizesNm: [80, 90], eyeShare: WIDE_EYE },
  topstitch: {
    words: 'topstitch',
    shape: 'sharp, with a very large eye and groove',
    tip: 'cutting',
    sizesNm: [80, 90, 100],
    eyeShare: VERY_LARGE_EYE,
  },
  wing: {
    words: 'wing',
    shape: 'flat wings that open a hole',
    tip: 'cutting',
    sizesNm: [100, 120],
    eyeShare: STANDARD_EYE,
    holeWanted: true,
  },
  'twin-universal': {
    words: 'twin universal',
    ...twin('two needles on one shank', 'cutting', [
      { gapMm: 1.6, sizesNm: [70, 80] },
      { gapMm: 2, sizesNm: [80] },
      { gapMm: 2.5, sizesNm: [80] },
      { gapMm: 3, sizesNm: [90] },
      { gapMm: 4, sizesNm: [80, 90, 100] },
      { gapMm: 6, sizesNm: [100] },
    ]),
  },
  'twin-ballpoint': {
    words: 'twin ballpoint',
    ...twin('two ball tips on one shank', 'ball', [
      { gapMm: 2.5, sizesNm: [75] },
      { gapMm: 4, sizesNm: [75] },
    ]),
  },
  'twin-stretch': {
    words: 'twin stretch',
    ...twin('two ball tips with deeper scarves on one shank', 'ball', [
      { gapMm: 2.5, sizesNm: [75] },
      { gapMm: 4, sizesNm: [75] },
    ]),
  },
}

/** The points of which something holds, by name, for rows that ask for them. */
export const pointsThat = (holds: (point: PointKnowledge) => boolean): readonly Point[] =>
  (Object.keys(POINTS) as Point[]).filter((point) => holds(POINTS[point]))

/** Two needles on one shank. */
export const isTwin = ({ gaps }: Pick<PointKnowledge, 'gaps'>): boolean => gaps !== undefined
/** An eye wider than an ordinary one: never called loose. */
export const isWideEyed = ({ eyeShare }: Pick<PointKnowledge, 'eyeShare'>): boolean => eyeShare > STANDARD_EYE
/** The widest eye there is: the first way out where a thread wants more eye than the cloth allows blade. */
export const isLargestEyed = ({ eyeShare }: Pick<PointKnowledge, 'eyeShare'>): boolean => eyeShare >= VERY_LARGE_EYE

/** Sizes of a point that are made for a shank system, ascending; empty where the point is not made for it. */
export const sizesSold = (
  system: NeedleSystem,
  point: Point,
  points: Readonly<Record<Point, PointKnowledge>> = POINTS,
): readonly number[] => (system.household ? points[point].sizesNm : (system.sold[point] ?? []))

/** A shank system: which needles seat in the machine at all. Another system is refused, never "close enough". */
export interface NeedleSystem {
  readonly name: string
  /** other names of the very same shank */
  readonly names: readonly string[]
  readonly household: boolean
  /** sizes sold for each point; absent points are not made for this shank. The household shank gets every point there is */
  readonly sold: Readonly<Partial<Record<Point, readonly number[]>>>
}

const ROUND_SHANK_SIZES = [70, 75, 80, 90, 100, 110, 120, 125, 130, 140]
/** A shank by what stands on the packet, which is the same in every language. */
const ofShank = (name: string, ...names: string[]): Pick<NeedleSystem, 'name' | 'names'> => ({ name, names })
const roundShank = (name: string, ...names: string[]): NeedleSystem => ({
  ...ofShank(name, ...names),
  household: false,
  sold: { universal: ROUND_SHANK_SIZES, leather: ROUND_SHANK_SIZES },
})

export const HOUSEHOLD_SYSTEM: NeedleSystem = {
  ...ofShank('130/705 H', 'HA×1', '15×1'),
  household: true,
  sold: Object.fromEntries(Object.entries(POINTS).map(([point, knowledge]) => [point, knowledge.sizesNm])),
}

export const LONG_SHANK = ofShank('long shank', 'own long shank')

export const NEEDLE_SYSTEMS: readonly NeedleSystem[] = [
  HOUSEHOLD_SYSTEM,
  roundShank('134', '135×5', '134/135×5', 'DP×5'),
  roundShank('135×17', 'DP×17'),
  roundShank('16×231', 'DB×1'),
  {
    ...LONG_SHANK,
    household: false,
    sold: { universal: [70, 80, 90, 100, 110] },
  },
]

const FOLDED = new Map<string, string>()
/** A shank's name without case or spaces, × as x; the same few names are asked for again and again. */
function folded(name: string): string {
  let known = FOLDED.get(name)
  if (known === undefined) {
    known = name.toLowerCase().replace(/\s+/g, '').replace(/×/g, 'x')
    if (FOLDED.size < 1000) FOLDED.set(name, known)
  }
  return known
}

/** A shank as it is told apart: the same text for every name of the same shank. */
export const systemKey = (name: string): string => folded(needleSystem(name)?.name ?? name)

/** A shank as it is said: its catalogue name, or what somebody wrote down. */
export const systemName = (name: string): string => needleSystem(name)?.name ?? name

export const isHousehold = (name: string): boolean => systemKey(name) === folded(HOUSEHOLD_SYSTEM.name)

/** The system of that name, written in any case, with or without spaces, × or x. Undefined: not in the catalogue. */
export const needleSystem = (
  name: string,
  systems: readonly NeedleSystem[] = NEEDLE_SYSTEMS,
): NeedleSystem | undefined =>
  systems.find((system) => [system.name, ...system.names].some((known) => folded(known) === folded(name)))

/** ", system long shank": said of every needle that is no household one. */
export const systemWords = (system: string, sayHousehold = false): string =>
  isHousehold(system) ? (sayHousehold ? `, system ${systemName(system)}` : '') : `, system ${systemName(system)}`
