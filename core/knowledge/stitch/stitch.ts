import { readable, type Rule } from '../fact'

export const OPERATIONS = [
  'seam',
  'zigzag',
  'stretch-seam',
  'elastic',
  'knit-hem',
  'topstitch',
  'buttonhole',
  'quilting',
  'embroidery',
  'decorative',
  'wing',
  'coil',
  'gather',
  'baste',
  'mending',
  'zip',
  'blind-hem',
  'free-motion',
  'edge-stitch',
] as const
export type Operation = (typeof OPERATIONS)[number]

export const STITCHES = ['straight', 'zigzag', 'stretch', 'buttonhole', 'decorative'] as const
export type Stitch = (typeof STITCHES)[number]

export interface StitchWish {
  /** stitches that do the job, best first; the first that the machine has is taken */
  readonly of: readonly Stitch[]
  /** those of them that only just do */
  readonly poor?: readonly Stitch[]
  readonly widthMm: readonly [number, number] | 'widest'
  readonly lock: 'reverse' | 'tie-off' | 'none'
  /** what the stitch is called when it is neither plain straight nor plain zigzag */
  readonly name?: string
  /** said instead when another stitch than the first is taken */
  readonly otherwise?: Readonly<Partial<Record<Stitch, string>>>
}

const stitch = (
  operations: readonly Operation[],
  give: StitchWish,
  because: string,
  more: { readonly id?: string; readonly when?: Rule<unknown>['when'] } = {},
): Rule<StitchWish> => ({
  id: `stitch-${more.id ?? operations[0]}`,
  when: { operation: { in: operations }, ...more.when },
  give,
  because,
  source: 'common practice',
  confidence: 'medium',
})

/** First row that holds decides. How the ends are held is said by the rows of `LOCKS`. */
export const STITCH_WISHES: readonly Rule<StitchWish>[] = readable([
  stitch(
    ['seam'],
    {
      of: ['stretch', 'zigzag', 'straight'],
      poor: ['straight'],
      widthMm: [0.5, 1.5],
      lock: 'reverse',
      name: 'narrow zigzag',
      otherwise: {
        straight:
          'A straight seam pops where the cloth gives {stretchPercent} %, and nothing else can be sewn here: only where the seam is never pulled, or on a machine with a zigzag and its foot.',
      },
    },
    'A straight seam pops where the cloth gives {stretchPercent} %: a narrow zigzag or a stretch stitch gives with it.',
    { id: 'seam-that-gives', when: { pops: { is: true }, holesStay: { is: false } } },
  ),
  stitch(['seam', 'topstitch', 'quilting'], { of: ['straight'], widthMm: [0, 0], lock: 'reverse' }, 'Straight.'),
  stitch(
    ['gather'],
    { of: ['straight'], widthMm: [0, 0], lock: 'none' },
    'Straight, two rows side by side with open ends: the bobbin threads are pulled.',
  ),
  stitch(
    ['baste'],
    { of: ['straight'], widthMm: [0, 0], lock: 'none' },
    'Straight and open-ended: it comes out again.',
  ),
  stitch(
    ['knit-hem'],
    { of: ['straight'], widthMm: [0, 0], lock: 'reverse', name: 'straight, twin needle' },
    'Straight with the twin: the bobbin thread zigzags beneath and must lie wide and flat.',
  ),
  stitch(
    ['zip'],
    { of: ['straight'], widthMm: [0, 0], lock: 'reverse' },
    'Straight, with the needle moved beside the teeth.',
  ),
  stitch(
    ['edge-stitch'],
    { of: ['straight'], widthMm: [0, 0], lock: 'reverse', name: 'straight, near the edge' },
    'Straight, 1 to 2 mm from the edge; an understitch holds the allowance to the facing.',
  ),
  stitch(
    ['free-motion'],
    { of: ['straight'], widthMm: [0, 0], lock: 'tie-off', name: 'straight, moved by hand' },
    'Straight, with the feed dogs down: the hands make its length.',
  ),
  stitch(
    ['mending'],
    {
      of: ['zigzag', 'straight'],
      widthMm: [2, 4],
      lock: 'none',
      name: 'mending zigzag',
      otherwise: { straight: 'Straight lines to and fro over the hole, then across, with the feed dogs down.' },
    },
    'A zigzag moved to and fro over the hole bridges it in fewer lines.',
  ),
  stitch(
    ['blind-hem'],
    {
      of: ['stretch', 'zigzag'],
      poor: ['zigzag'],
      widthMm: [2, 3],
      lock: 'reverse',
      name: 'blind hem',
      otherwise: {
        zigzag: 'A plain zigzag catches the fold at every swing, so more of it shows than of a blind-hem stitch.',
      },
    },
    'A few stitches on the fold and one that just catches the face.',
  ),
  stitch(
    ['zigzag'],
    { of: ['zigzag'], widthMm: [1.5, 3], lock: 'reverse' },
    'On a sheer a zigzag of 1.5 to 3 mm does not roll the edge together.',
    { id: 'zigzag-sheer', when: { any: [{ band: { in: ['sheer'] } }, { traits: { has: ['sheer'] } }] } },
  ),
  stitch(['zigzag'], { of: ['zigzag'], widthMm: [3, 5], lock: 'reverse' }, 'A zigzag wide enough to wrap the edge.'),
  stitch(
    ['stretch-seam'],
    { of: ['stretch', 'zigzag'], widthMm: [0.5, 1.5], lock: 'reverse', name: 'narrow zigzag' },
    'A very narrow zigzag gives with the cloth, where a straight stitch would pop.',
  ),
  stitch(
    ['elastic'],
    { of: ['stretch', 'zigzag'], widthMm: [4, 5], lock: 'reverse', name: 'three-step zigzag' },
    'Three small steps a side hold elastic flat and stretch with it.',
  ),
  stitch(
    ['buttonhole'],
    { of: ['buttonhole'], widthMm: [4, 5], lock: 'tie-off', name: 'buttonhole' },
    'The machine’s own buttonhole.',
  ),
  stitch(
    ['embroidery'],
    { of: ['zigzag'], widthMm: [2, 4], lock: 'tie-off', name: 'satin stitch' },
    'A close zigzag that lies like satin.',
  ),
  stitch(
    ['decorative'],
    {
      of: ['decorative', 'zigzag', 'straight'],
      widthMm: [4, 5],
      lock: 'tie-off',
      otherwise: {
        zigzag: 'Where no pattern stitch can be sewn, a zigzag makes a pattern of its own.',
        straight: 'Where no pattern stitch can be sewn, rows of straight stitch make one.',
      },
    },
    'A pattern stitch of the machine’s own.',
  ),
  stitch(
    ['wing'],
    {
      of: ['decorative', 'zigzag', 'straight'],
      widthMm: [2, 3],
      lock: 'tie-off',
      otherwise: { straight: 'Straight, there and back through the very same holes.' },
    },
    'An open stitch that enters the same hole more than once; never a dense satin.',
  ),
  stitch(
    ['coil'],
    { of: ['zigzag'], widthMm: 'widest', lock: 'reverse' },
    'The widest zigzag the machine has, so that it catches both turns of the cord.',
  ),
])

/** How the ends are held. First row that holds decides; `lockWished` is what the stitch itself would have. */
export const LOCKS: readonly Rule<{ readonly lock: StitchWish['lock'] }>[] = readable([
  lock('open', { lockWished: { in: ['none'] } }, 'none', 'Its ends stay open.'),
  lock(
    'holes-stay',
    { holesStay: { is: true } },
    'tie-off',
    'Every hole stays here: tie the ends off or sew them over by hand, never three back.',
  ),
  lock('tie-off', { lockWished: { in: ['tie-off'] } }, 'tie-off', 'Draw the ends through and tie them off.'),
  lock('reverse', {}, 'reverse', 'Lock the ends with three stitches forward and three back.'),
])

function lock(
  id: string,
  when: Rule<unknown>['when'],
  give: StitchWish['lock'],
  because: string,
): Rule<{ lock: StitchWish['lock'] }> {
  return { id: `lock-${id}`, when, give: { lock: give }, because, source: 'common practice', confidence: 'high' }
}

/** Length in mm as a range, whose middle is taken. */
export interface LengthWish {
  readonly lengthMm: readonly [number, number]
  readonly startMm?: number
  /** a machine whose longest stitch is shorter spoils the work, so it is refused; between the two it is marginal */
  readonly essentialMm?: number
}

const length = (
  id: string,
  when: Rule<unknown>['when'],
  lengthMm: readonly [number, number],
  because: string,
  more: { startMm?: number; essentialMm?: number } = {},
): Rule<LengthWish> => ({
  id: `length-${id}`,
  when,
  give: { lengthMm, ...more },
  because,
  source: 'common practice',
  confidence: 'medium',
})

/** First row that holds decides. */
export const LENGTH_WISHES: readonly Rule<LengthWish>[] = readable([
  length(
    'baste',
    { operation: { in: ['baste'] } },
    [4, 6],
    'Basting is long, {lengthLow} to {lengthHigh} mm, to come out easily.',
  ),
  length(
    'gather',
    { operation: { in: ['gather'] } },
    [4, 5],
    'Gathering slides on long stitches of {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'buttonhole',
    { operation: { in: ['buttonhole'] } },
    [0.3, 0.5],
    'A buttonhole’s bars lie at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'embroidery',
    { operation: { in: ['embroidery'] } },
    [0.3, 0.5],
    'Satin lies closed at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'coil',
    { operation: { in: ['coil'] } },
    [2, 3],
    'Rope coils take {lengthLow} to {lengthHigh} mm; start at 2.5.',
    { startMm: 2.5 },
  ),
  length(
    'free-motion',
    { operation: { in: ['free-motion'] } },
    [2, 3],
    'The hands aim at {lengthLow} to {lengthHigh} mm; the dial stands where it likes.',
  ),
  length(
    'mending',
    { operation: { in: ['mending'] } },
    [1, 2],
    'Lines of {lengthLow} to {lengthHigh} mm, made by the hands.',
  ),
  length(
    'leather',
    { structure: { in: ['leather'] } },
    [3, 4],
    'Leather takes {lengthLow} to {lengthHigh} mm: closer holes perforate it like a stamp.',
    { essentialMm: 2 },
  ),
  length('zip', { operation: { in: ['zip'] } }, [2.5, 2.5], 'A zip is sewn at {lengthLow} mm.'),
  length(
    'film',
    { holesStay: { is: true } },
    [2.5, 3.5],
    'Holes stay here, and close ones perforate it like a stamp: {lengthLow} to {lengthHigh} mm.',
    { essentialMm: 1.5 },
  ),
  length('elastic', { operation: { in: ['elastic'] } }, [1, 1.5], 'Each small step is {lengthLow} to {lengthHigh} mm.'),
  length(
    'stretch-seam',
    { operation: { in: ['stretch-seam'] } },
    [2.5, 3],
    'The narrow zigzag runs at {lengthLow} to {lengthHigh} mm.',
  ),
  length('zigzag', { operation: { in: ['zigzag'] } }, [1.5, 2.5], 'An edge is held at {lengthLow} to {lengthHigh} mm.'),
  length(
    'decorative',
    { operation: { in: ['decorative', 'wing'] } },
    [2, 2.5],
    'Patterns open at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'topstitch-light',
    {
      operation: { in: ['topstitch', 'edge-stitch'] },
      any: [{ band: { in: ['sheer', 'light'] } }, { traits: { has: ['sheer'] } }],
    },
    [2, 2.5],
    'On sheer or light cloth a shown line stays at {lengthLow} to {lengthHigh} mm; longer ones pucker it.',
  ),
  length(
    'edge-stitch',
    { operation: { in: ['edge-stitch'] } },
    [2.5, 3],
    'A line at the edge lies evenly at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'blind-hem',
    { operation: { in: ['blind-hem'] } },
    [2, 2.5],
    'The catches lie far enough apart at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'topstitch',
    { operation: { in: ['topstitch'] } },
    [3, 4],
    'Topstitching shows at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'quilting',
    { operation: { in: ['quilting'] } },
    [2.5, 3],
    'A quilt sandwich takes up length: {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'knit-hem',
    { operation: { in: ['knit-hem'] } },
    [2.5, 3],
    'A hem that stretches wants {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'bulky',
    { structure: { in: ['pile'] } },
    [3, 3.5],
    'A bulky pair takes up length: {lengthLow} to {lengthHigh} mm.',
  ),
  length('knit', { structure: { in: ['knit'] } }, [2.5, 2.5], 'A plain seam in a knit: {lengthLow} mm.'),
  length(
    'sheer',
    { band: { in: ['sheer'] } },
    [1.8, 2],
    'At {massGsm} g/m², sheer, {lengthLow} to {lengthHigh} mm keeps it from puckering.',
  ),
  length(
    'light',
    { any: [{ band: { in: ['light'] } }, { traits: { has: ['slippery', 'sheer'] } }] },
    [2, 2.2],
    'Light or slippery cloth ({massGsm} g/m²) is sewn at {lengthLow} to {lengthHigh} mm.',
  ),
  length(
    'medium-light',
    { band: { in: ['medium-light'] } },
    [2.2, 2.5],
    '{massGsm} g/m² is medium-light: {lengthLow} to {lengthHigh} mm.',
  ),
  length('medium', { band: { in: ['medium'] } }, [2.5, 2.5], '{massGsm} g/m² is medium: {lengthLow} mm.'),
  length('heavy', {}, [3, 3], 'Heavy work ({massGsm} g/m²): {lengthLow} mm.'),
])

export const LENGTH_REASONS = {
  middle: 'The middle is {lengthMm} mm, {stitchesPerInch} to the inch.',
  start: 'That is {stitchesPerInch} to the inch.',
  mark: 'On this machine’s length dial that is {lengthMark}, which makes {lengthMm} mm.',
  fitted: 'This machine reaches {reachLow} to {reachHigh} mm, so {lengthMm} mm.',
} as const

/** What is said of a length that the machine's reach forced on a construction seam in cloth. Every row that holds is said. */
export const LENGTH_NOTES: readonly Rule<{ readonly note: true }>[] = readable([
  {
    id: 'length-note-pops',
    when: {
      pops: { is: true },
      stitchOf: { in: ['straight'] },
      operation: { in: ['topstitch', 'edge-stitch', 'quilting'] },
    },
    give: { note: true },
    because: 'A straight line pops where the cloth gives {stretchPercent} %: only where it is never pulled.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'length-note-short',
    when: {
      operation: { in: ['seam', 'stretch-seam', 'quilting', 'knit-hem', 'zip'] },
      structure: { notIn: ['leather'] },
      lengthMm: { below: 1.5 },
    },
    give: { note: true },
    because: 'Under 1.5 mm a seam cannot be unpicked.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'length-note-long',
    when: {
      operation: { in: ['seam', 'stretch-seam', 'quilting', 'knit-hem', 'zip'] },
      structure: { notIn: ['leather'] },
      lengthMm: { over: 3.5 },
    },
    give: { note: true },
    because: 'Over 3.5 mm a seam is weak and snags.',
    source: 'common practice',
    confidence: 'high',
  },
])
