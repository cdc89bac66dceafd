import { drift } from './noise'
import type { Strand } from './sewn-face'

/** What may have gone wrong with a cloth or its seam, beyond where the threads lie. */
export const FLAWS = ['gape', 'swallowed', 'run', 'snag', 'broken-thread', 'ridge'] as const
export type Flaw = (typeof FLAWS)[number]

/** A flaw as it is told to whoever does not see it. */
export const FLAW_WORDS: Readonly<Record<Flaw, string>> = {
  gape: 'pulled open, the threads stand between its edges like rungs',
  swallowed: 'the cloth is drawn down into a hole',
  run: 'below the seam one column of the knit has come undone',
  snag: 'a yarn is pulled out',
  'broken-thread': 'the thread ends and curls',
  ridge: 'a ridge stands between the lines',
}

/** What a flaw does to a face. Lengths in mm. */
export interface Flawed {
  /** how far the cloth stands above where it would lie */
  readonly lift?: (x: number, y: number) => number
  /** how much of the cloth is not there, 0 … 1: one sees the table beneath */
  readonly opens?: (x: number, y: number) => number
  /** threads that lie there because of it */
  readonly strands: readonly Strand[]
  /** the seam’s own threads are seen so far; absent: all along */
  readonly sewnTo?: number
}

/** What a flaw is drawn by. Lengths in mm. */
export interface FlawedSeam {
  readonly lengthMm: number
  readonly heightMm: number
  readonly stitchMm: number
  readonly ownMm: number
  readonly otherMm: number
  /** between the edges of a zigzag or the lines of a twin */
  readonly acrossMm: number
  /** yarns or loops in a centimetre */
  readonly perCm: number
  readonly seed: number
}

/** 1 inside, 0 outside, and soft over `soft` mm between. */
const within = (far: number, reach: number, soft: number): number =>
  Math.max(0, Math.min(1, (reach - far) / soft + 0.5))
const bell = (far: number, reach: number): number => Math.exp(-((far / reach) ** 2))

/** How each flaw looks. The same for the same seed. */
export const FLAW_LOOKS: Readonly<Record<Flaw, (seam: FlawedSeam) => Flawed>> = {
  gape: gapes,
  swallowed,
  run: runs,
  snag: snags,
  'broken-thread': breaks,
  ridge: ({ heightMm, acrossMm }) => ({
    // Drawn together from both sides, the cloth has nowhere to go but up.
    lift: (_, y) => 0.85 * bell(y - heightMm / 2, Math.max(0.8, acrossMm * 0.34)),
    strands: [],
  }),
}

const GAPE_MM = 1.7

/** A slack seam that is pulled open: both edges roll back, and the threads stand between them like rungs. */
function gapes({ lengthMm, heightMm, stitchMm, ownMm, otherMm, seed }: FlawedSeam): Flawed {
  const middle = heightMm / 2
  const half = (x: number) => (GAPE_MM / 2) * (0.85 + 0.3 * drift(x / 6, 1, seed))
  const count = Math.floor(lengthMm / stitchMm) + 2
  const strands = Array.from({ length: count }, (_, index): Strand[] => {
    const x = index * stitchMm + 1
    const reach = half(x) + 0.15
    const lean = (drift(index, 4, seed) - 0.5) * stitchMm * 0.3
    return (['other', 'own'] as const).map((of) => ({
      of,
      mm: of === 'own' ? ownMm : otherMm,
      places: Array.from({ length: 15 }, (_, step) => {
        const part = step / 14
        // Each goes round the other once, where they lock.
        const turn = (part - 0.5) * 2 * Math.PI
        const side = of === 'own' ? 1 : -1
        return {
          x: x + lean * (part - 0.5) + side * 0.55 * ownMm * Math.sin(turn),
          y: middle + (part - 0.5) * 2 * reach,
          z: -0.25 + 0.2 * side * Math.cos(turn),
        }
      }),
    }))
  }).flat()
  return {
    lift: (x, y) => 0.35 * bell(Math.abs(y - middle) - half(x) - 0.35, 0.4),
    opens: (x, y) => within(Math.abs(y - middle), half(x), 0.14),
    strands,
  }
}

/** Cloth that was drawn down through the needle’s hole: folds run into it from all round. */
function swallowed({ lengthMm, heightMm, seed }: FlawedSeam): Flawed {
  const [atX, atY] = [lengthMm * 0.3, heightMm / 2]
  const far = (x: number, y: number) => Math.hypot((x - atX) / 1.5, y - atY)
  return {
    lift: (x, y) => {
      const away = far(x, y)
      const round = Math.atan2(y - atY, x - atX)
      const fold = drift(round * 2.2 + 20, 2, seed) - 0.5 + 0.35 * Math.sin(round * 5)
      return 0.9 * fold * bell(away - 0.9, 1.5) - 1.5 * bell(away, 0.9)
    },
    opens: (x, y) => 0.85 * within(far(x, y), 0.55, 0.5),
    strands: [],
    sewnTo: atX,
  }
}

/** One loop of a knit is cut, and its column comes undone row by row: bars with nothing between them. */
function runs({ lengthMm, heightMm, perCm }: FlawedSeam): Flawed {
  const pitch = 10 / perCm
  const column = (Math.round((lengthMm * 0.55) / pitch) + 0.5) * pitch
  const from = heightMm * 0.5
  return {
    opens: (x, y) => {
      if (y < from) return 0
      const wide = pitch * (0.5 + 0.5 * Math.min(1, (y - from) / 3))
      const bar = Math.abs((y / (pitch * 0.8)) % 1) - 0.5
      return within(Math.abs(x - column), wide, 0.12) * (Math.abs(bar) < 0.16 ? 0 : 1)
    },
    lift: (x, y) => (y < from ? 0 : -0.12 * bell(x - column, pitch)),
    strands: [],
  }
}

/** A yarn that was caught: it stands out as a loop, and is drawn tight through the cloth on either side. */
function snags({ lengthMm, heightMm, perCm, seed }: FlawedSeam): Flawed {
  const yarn = 10 / perCm
  const [atX, atY] = [lengthMm * 0.6, heightMm * 0.22]
  return {
    lift: (x, y) =>
      bell(x - atX, 4.5) *
      (0.16 * (drift(x / 0.9, y / 1.2, seed) - 0.5) * bell(y - atY, 0.9) - 0.16 * bell(y - atY, yarn * 0.6)),
    strands: [
      {
        of: 'cloth',
        mm: Math.min(0.3, yarn * 0.6),
        places: Array.from({ length: 25 }, (_, step) => {
          const turn = (step / 24) * 2 * Math.PI
          return {
            x: atX + 0.45 * Math.sin(turn) + 0.25 * (1 - Math.cos(turn)),
            y: atY - 0.65 * (1 - Math.cos(turn)),
            z: 0.15 + 0.5 * Math.sin(turn / 2),
          }
        }),
      },
    ],
  }
}

/** The thread of this face gave way: the seam ends, and what is left of it curls, its end frayed. */
function breaks({ lengthMm, heightMm, ownMm, stitchMm, seed }: FlawedSeam): Flawed {
  const at = Math.round((lengthMm * 0.5) / stitchMm) * stitchMm + 1
  const middle = heightMm / 2
  const tail = Array.from({ length: 22 }, (_, step) => {
    const part = step / 21
    return {
      x: at + 3.6 * part + 0.4 * Math.sin(part * 5),
      y: middle - 0.9 * Math.sin(part * 3.4) * part - 0.2 * part,
      z: -0.2 + (ownMm + 0.4) * Math.sqrt(part),
    }
  })
  const end = tail.at(-1)!
  const ends = Array.from({ length: 7 }, (_, index): Strand => {
    const ahead = (drift(index, 9, seed) - 0.5) * 2.2 + 0.3
    return {
      of: 'own',
      mm: ownMm * 0.25,
      places: Array.from({ length: 5 }, (_, step) => ({
        x: end.x + Math.cos(ahead) * step * 0.16,
        y: end.y + Math.sin(ahead) * step * 0.16 + 0.02 * step * step,
        z: end.z,
      })),
    }
  })
  return { strands: [{ of: 'own', mm: ownMm, places: tail }, ...ends], sewnTo: at }
}
