/** One shape of a stitch, in mm: x along the seam, y across it (faces) or up from the middle of the stack (section). */
export type StitchShape =
  | {
      readonly kind: 'thread'
      readonly thread: 'top' | 'bobbin'
      readonly points: readonly Point[]
      readonly widthMm: number
      /** lies slack, in loops */
      readonly slack?: boolean
    }
  | { readonly kind: 'dot'; readonly thread: 'top' | 'bobbin'; readonly at: Point; readonly radiusMm: number }
  | { readonly kind: 'hole'; readonly at: Point; readonly radiusMm: number }

export interface Point {
  readonly x: number
  readonly y: number
}

export const STITCH_KINDS = ['straight', 'zigzag', 'three-step', 'twin'] as const
export type StitchKind = (typeof STITCH_KINDS)[number]

export interface DrawnStitch {
  readonly kind: StitchKind
  readonly lengthMm: number
  readonly widthMm: number
  /** between the needles of a twin */
  readonly gapMm?: number
  readonly topThreadMm: number
  readonly bobbinThreadMm: number
  readonly stackMm: number
  readonly needleMm: number
  /** height of the lock above the middle, mm */
  readonly lockMm: number
  /** score of the faces, −3 … 3 */
  readonly s: number
  /** share of stitches skipped, 0…1 */
  readonly skipped: number
}

/** A straight seam in ordinary thread, balanced: what a picture starts from that shows something else. */
export const ORDINARY_SEAM: DrawnStitch = {
  kind: 'straight',
  lengthMm: 2.5,
  widthMm: 0,
  topThreadMm: 0.28,
  bobbinThreadMm: 0.28,
  stackMm: 0.6,
  needleMm: 0.8,
  lockMm: 0,
  s: 0,
  skipped: 0,
}

/** How much of a face a picture of it shows: so much along the seam, which begins a little within, and so much across. */
export interface FaceFrame {
  readonly lengthMm: number
  readonly heightMm: number
}
/** Where the first hole lies in its frame. */
export const FRAME_START_MM = 1

export const faceFrame = ({ widthMm, gapMm = 0 }: DrawnStitch, lengthMm: number): FaceFrame => ({
  lengthMm,
  heightMm: 2 * Math.max(2.4, widthMm / 2 + 1.6, gapMm / 2 + 1.6),
})

/** Where the needle goes in, from 0 on; a skipped stitch has no hole. For a twin, those of its left needle. */
export function needlePoints(stitch: DrawnStitch, lengthMm: number): Point[] {
  const { skipped } = stitch
  const step = Math.max(stitch.lengthMm, 0.3)
  const count = Math.floor(lengthMm / step) + 1
  const every = skipped > 0 ? Math.max(2, Math.round(1 / skipped)) : Infinity
  return Array.from({ length: count }, (_, index): Point => ({
    x: index * step,
    y: swingOf(stitch, index),
  })).filter((_, index) => index === 0 || index % every !== every - 1)
}

/** Where across the seam the needle goes in for the n-th time, mm; of a twin its left needle. */
function swingOf({ kind, widthMm, gapMm = 0 }: DrawnStitch, index: number): number {
  switch (kind) {
    case 'straight':
      return 0
    case 'zigzag':
      return index % 2 === 0 ? -widthMm / 2 : widthMm / 2
    case 'three-step': {
      // Three small stitches across, three back.
      const turn = index % 6
      return -widthMm / 2 + (widthMm * (turn <= 3 ? turn : 6 - turn)) / 3
    }
    case 'twin':
      return -gapMm / 2
  }
}

/** How much of the other thread comes up at each hole, mm of radius; 0 where it stays inside. */
const peep = (s: number, threadMm: number): number => (s <= 0.15 ? 0 : threadMm * Math.min(1.4, 0.35 + s * 0.35))

/** The holes of a face, and from hole to hole the way of each thread that lies on it. */
export function linesOf(
  stitch: DrawnStitch,
  face: 'top' | 'under',
  lengthMm: number,
): { readonly holes: readonly Point[]; readonly lines: readonly (readonly Point[])[] } {
  const left = needlePoints(stitch, lengthMm)
  if (stitch.kind !== 'twin') return { holes: left, lines: [left] }
  const right = left.map(({ x, y }) => ({ x, y: y + (stitch.gapMm ?? 0) }))
  // Underneath, one bobbin thread goes to and fro between the lines of a twin.
  const lines = face === 'top' ? [left, right] : [left.flatMap((at, index) => [at, right[index]!])]
  return { holes: [...left, ...right], lines }
}

/** One face, seen from outside: its own thread from hole to hole, and what comes up of the other. */
export function faceShapes(stitch: DrawnStitch, face: 'top' | 'under', lengthMm: number): StitchShape[] {
  const own = face === 'top' ? 'top' : 'bobbin'
  const other = face === 'top' ? 'bobbin' : 'top'
  const ownMm = face === 'top' ? stitch.topThreadMm : stitch.bobbinThreadMm
  const otherMm = face === 'top' ? stitch.bobbinThreadMm : stitch.topThreadMm
  /** above 0: the other thread shows here */
  const shows = face === 'top' ? stitch.s : -stitch.s
  const { holes: pierced, lines } = linesOf(stitch, face, lengthMm)
  const holes: StitchShape[] = pierced.map((at) => ({ kind: 'hole', at, radiusMm: stitch.needleMm / 2 }))
  const threads = lines.flatMap((line): StitchShape[] =>
    shows >= 2
      ? // Pulled flat, it is a straight cord that the other thread loops or lies over.
        [
          { kind: 'thread', thread: own, points: line, widthMm: ownMm * 0.6 },
          {
            kind: 'thread',
            thread: other,
            points: loopsAlong(line, face === 'under', stitch),
            widthMm: otherMm,
            slack: true,
          },
        ]
      : line.slice(1).map((to, index) => ({
          kind: 'thread',
          thread: own,
          points: shortened(line[index]!, to, stitch.needleMm * 0.35),
          widthMm: ownMm,
        })),
  )
  const radiusMm = peep(shows, otherMm)
  const dots: StitchShape[] =
    radiusMm > 0 && shows < 2 ? pierced.map((at) => ({ kind: 'dot', thread: other, at, radiusMm })) : []
  return [...holes, ...threads, ...dots]
}

/** A stitch between two holes: its thread dives into the cloth a little before each. */
function shortened(from: Point, to: Point, byMm: number): Point[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const share = length > 0 ? Math.min(0.3, byMm / length) : 0
  const at = (part: number): Point => ({ x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part })
  return [at(share), at(1 - share)]
}

/** The other thread where it lies outside: loops hanging to one side underneath, a line on top. */
function loopsAlong(line: readonly Point[], hangs: boolean, { lengthMm }: DrawnStitch): Point[] {
  if (!hangs) return [...line]
  const sag = Math.max(0.8, lengthMm * 0.55)
  return line.flatMap(({ x, y }) => [
    { x: x - lengthMm * 0.12, y },
    { x, y: y + sag },
    { x: x + lengthMm * 0.12, y },
  ])
}

/** A turn of a thread is drawn by so many points, one of them in its middle. */
const TURN_POINTS = 17

/** The seam cut along its line: both threads and the height at which they lock. y up from the middle of the stack. */
export function sectionShapes(stitch: DrawnStitch, lengthMm: number): StitchShape[] {
  const half = stitch.stackMm / 2
  const topAt = half + stitch.topThreadMm / 2
  const underAt = -half - stitch.bobbinThreadMm / 2
  // The lock may lie on a face, never beyond the threads themselves.
  const lock = Math.max(underAt, Math.min(topAt, stitch.lockMm))
  const points = needlePoints({ ...stitch, kind: 'straight', widthMm: 0 }, lengthMm)
  const { topThreadMm, bobbinThreadMm } = stitch
  const reach = Math.min(stitch.lengthMm * 0.45, Math.max(stitch.needleMm, topThreadMm + bobbinThreadMm) * 0.9)
  /** From where a thread lies to where it turns round the other, and back. */
  const round = (x: number, lies: number, turns: number): Point[] =>
    Array.from({ length: TURN_POINTS }, (_, step) => {
      const part = (2 * step) / (TURN_POINTS - 1) - 1
      return { x: x + part * reach, y: lies + ((turns - lies) * (1 + Math.cos(part * Math.PI))) / 2 }
    })
  // Each thread goes round the other where they lock: the one from above beneath it, the one from below over it.
  const tops = points.map(({ x }) => round(x, topAt, lock - bobbinThreadMm / 2))
  const bobbins = points.map(({ x }) => round(x, underAt, lock + topThreadMm / 2))
  const thread = (of: 'top' | 'bobbin', along: readonly Point[]): StitchShape => ({
    kind: 'thread',
    thread: of,
    points: along,
    widthMm: of === 'top' ? topThreadMm : bobbinThreadMm,
  })
  return [
    thread('bobbin', bobbins.flat()),
    thread('top', tops.flat()),
    // Behind it on one side, before it on the other: so it is seen to go round.
    ...bobbins.map((turn) => thread('bobbin', turn.slice((TURN_POINTS - 1) / 2, -2))),
  ]
}
