import { chanceOf } from './noise'

/** A place on a face: along the seam, across it, and above the cloth; mm. */
export interface Place {
  readonly x: number
  readonly y: number
  readonly z: number
}

/** A length of thread as it lies, from place to place. */
export interface Strand {
  /** a yarn of the cloth is one that was pulled out of it */
  readonly of: 'own' | 'other' | 'cloth'
  /** how thick it is */
  readonly mm: number
  readonly places: readonly Place[]
}

/** How a seam has come out on one face. Lengths in mm. */
export interface SewnSeam {
  readonly from: number
  readonly to: number
  /** where it runs */
  readonly middle: number
  readonly stitchMm: number
  /** of a zigzag; 0 is a straight line */
  readonly widthMm: number
  /** how far lengths vary, as a share of the length */
  readonly uneven: number
  /** how far the line strays from straight */
  readonly wobbleMm: number
  /** the thread of this face, and the one of the other */
  readonly ownMm: number
  readonly otherMm: number
  /** of the way from hole to hole, how much the other thread lies on top; 0 … 1 */
  readonly otherShare: number
  /** how far loops of the other thread stand off the line; 0: none */
  readonly loopMm: number
  /** a tangle of the other thread over so much of the beginning; 0: none */
  readonly nestMm: number
  /** share of stitches that are skipped */
  readonly skipped: number
  /** how slack the thread lies; 0 is drawn straight */
  readonly slack: number
  readonly frayed: boolean
  /** how high above the middle of the yarns its threads rest; absent: they sink in */
  readonly restMm?: number
}

/** What of a seam its threads depend on once its holes are there. */
export type SewnThreads = Omit<SewnSeam, 'skipped' | 'uneven' | 'wobbleMm' | 'widthMm'>

export interface SewnFace {
  readonly holes: readonly { readonly x: number; readonly y: number }[]
  /** the length of each stitch along the seam, in order; a skipped one makes one of twice the length */
  readonly stitches: readonly number[]
  readonly skipped: number
  readonly strands: readonly Strand[]
}

const along = (from: Place, to: Place, part: number): Place => ({
  x: from.x + (to.x - from.x) * part,
  y: from.y + (to.y - from.y) * part,
  z: from.z + (to.z - from.z) * part,
})

/** Where every hole and thread of a seam lies: the geometry that a picture is made of. The same for the same seed. */
export function sewFace(seam: SewnSeam, seed: number): SewnFace {
  const chance = chanceOf(seed)
  const spread = () => chance() + chance() + chance() - 1.5
  const holes: { x: number; y: number }[] = []
  const stitches: number[] = []
  let skipped = 0
  let side = 1
  const sway = [chance() * 6.3, chance() * 6.3]
  const lineAt = (x: number) =>
    seam.middle + seam.wobbleMm * 0.6 * (Math.sin(x / 7 + sway[0]!) + 0.7 * Math.sin(x / 2.9 + sway[1]!))
  for (let x = seam.from; x <= seam.to;) {
    holes.push({ x, y: lineAt(x) + (seam.widthMm / 2) * side })
    let length = seam.stitchMm * Math.max(0.3, 1 + seam.uneven * spread())
    // No seam begins or ends with a skipped stitch.
    if (chance() < seam.skipped && holes.length > 1 && x + 2 * length < seam.to) {
      length += seam.stitchMm * Math.max(0.3, 1 + seam.uneven * spread())
      skipped += 1
    } else side = -side
    if (x + length <= seam.to) stitches.push(length)
    x += length
  }
  return { holes, stitches, skipped, strands: strandsThrough(holes, seam, seed + 1, lineAt) }
}

/** How the threads of a seam lie between holes that are there already. @param lineAt where the seam runs, if not straight */
export function strandsThrough(
  holes: readonly { readonly x: number; readonly y: number }[],
  seam: SewnThreads,
  seed: number,
  lineAt: (x: number) => number = () => seam.middle,
): Strand[] {
  const chance = chanceOf(seed)
  const spread = () => chance() + chance() + chance() - 1.5
  const strands: Strand[] = []
  const under = -0.35
  const rise = seam.ownMm * 0.55 + (seam.restMm ?? 0)
  for (let index = 0; index + 1 < holes.length; index += 1) {
    const [from, to] = [holes[index]!, holes[index + 1]!]
    const span = Math.hypot(to.x - from.x, to.y - from.y)
    if (span < 1e-6) continue
    const bow = seam.slack * spread() * 0.35
    const [acrossX, acrossY] = [-(to.y - from.y) / span, (to.x - from.x) / span]
    strands.push({
      of: 'own',
      mm: seam.ownMm,
      places: Array.from({ length: 13 }, (_, step) => {
        const part = step / 12
        const dip = Math.min(1, Math.min(part, 1 - part) * span * 3.2)
        const place = along({ ...from, z: 0 }, { ...to, z: 0 }, part)
        const off = bow * Math.sin(part * Math.PI)
        return {
          x: place.x + acrossX * off,
          y: place.y + acrossY * off,
          z: under + (rise - under) * Math.sqrt(dip) + seam.slack * 0.25 * Math.sin(part * Math.PI),
        }
      }),
    })
  }
  for (const [index, hole] of holes.entries()) {
    const next = holes[index + 1] ?? holes[index - 1]
    const direction = index + 1 < holes.length ? 1 : -1
    const ahead = next ? Math.atan2((next.y - hole.y) * direction, (next.x - hole.x) * direction) : 0
    if (seam.loopMm > 0) strands.push(loop(hole, seam, ahead, chance))
    else if (seam.otherShare > 0.03) strands.push(...shown(hole, seam, ahead, spread))
  }
  if (seam.nestMm > 0) strands.push(...nest(seam, chance))
  if (seam.frayed) strands.push(...fuzz(seam, lineAt, chance))
  return strands
}

/** The other thread where the lock is drawn up to this face: it rises from the hole, bends over the own thread, and goes back. */
function shown(
  hole: { x: number; y: number },
  { stitchMm, otherShare, otherMm, ownMm }: SewnThreads,
  ahead: number,
  spread: () => number,
): Strand[] {
  const length = stitchMm * otherShare * (1 + 0.12 * spread())
  const [cos, sin] = [Math.cos(ahead), Math.sin(ahead)]
  const top = ownMm + otherMm * 0.35
  const lean = otherMm * 0.3 * spread()
  return [
    {
      of: 'other',
      mm: otherMm,
      places: Array.from({ length: 9 }, (_, step) => {
        const part = step / 8 - 0.5
        const off = lean * Math.sin((part + 0.5) * Math.PI)
        return {
          x: hole.x + cos * length * part - sin * off,
          y: hole.y + sin * length * part + cos * off,
          z: -0.2 + (top + 0.2) * Math.sqrt(Math.max(0, 1 - (part * 2) ** 4)),
        }
      }),
    },
  ]
}

/** A loop droops and leans, and none is like the next. */
function loop(
  hole: { x: number; y: number },
  { loopMm, otherMm }: SewnThreads,
  ahead: number,
  chance: () => number,
): Strand {
  const size = loopMm * (0.75 + 0.6 * chance())
  const side = chance() < 0.75 ? 1 : -1
  const lean = (chance() - 0.5) * size
  const belly = size * (0.22 + 0.16 * chance())
  const [cos, sin] = [Math.cos(ahead), Math.sin(ahead)]
  return {
    of: 'other',
    mm: otherMm,
    places: Array.from({ length: 25 }, (_, step) => {
      const turn = (step / 24) * 2 * Math.PI
      const out = ((1 - Math.cos(turn)) / 2) * size * side
      const beside = Math.sin(turn) * belly + (lean * (1 - Math.cos(turn))) / 2
      return {
        x: hole.x + cos * beside - sin * out,
        y: hole.y + sin * beside + cos * out,
        z: -0.15 + otherMm * (0.9 + 0.8 * Math.sin(turn / 2)) + 0.15 * Math.sin(turn / 2),
      }
    }),
  }
}

/** Thread that nothing holds piles up where the seam begins. */
function nest({ from, middle, nestMm, otherMm }: SewnThreads, chance: () => number): Strand[] {
  return Array.from({ length: 14 }, () => {
    let [x, y, ahead] = [from + chance() * nestMm, middle + (chance() - 0.5) * 2, chance() * 6.3]
    const height = otherMm * (0.6 + chance() * 3)
    return {
      of: 'other' as const,
      mm: otherMm,
      places: Array.from({ length: 40 }, (_, step) => {
        ahead += (chance() - 0.5) * 1.6
        // It stays where the needle goes down.
        const home = Math.atan2(middle - y, from + nestMm / 2 - x)
        if (Math.hypot(x - from - nestMm / 2, y - middle) > Math.max(2.2, nestMm / 2)) ahead = home
        x += Math.cos(ahead) * 0.35
        y += Math.sin(ahead) * 0.35
        return { x, y, z: height + 0.1 * Math.sin(step / 3) }
      }),
    }
  })
}

function fuzz({ from, to, ownMm }: SewnThreads, lineAt: (x: number) => number, chance: () => number): Strand[] {
  return Array.from({ length: Math.floor((to - from) * 2.5) }, () => {
    const x = from + chance() * (to - from)
    const [ahead, length] = [chance() * 6.3, 0.3 + chance() * 0.9]
    const bend = (chance() - 0.5) * 1.5
    return {
      of: 'own' as const,
      mm: ownMm * 0.22,
      places: Array.from({ length: 6 }, (_, step) => {
        const part = (step / 5) * length
        return {
          x: x + Math.cos(ahead + bend * part) * part,
          y: lineAt(x) + Math.sin(ahead + bend * part) * part,
          z: ownMm * 0.8,
        }
      }),
    }
  })
}
