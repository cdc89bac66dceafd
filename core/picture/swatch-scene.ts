import type { FabricTrait, Structure } from '../knowledge/cloth/fabric'
import type { Fibre } from '../units/thread'
import { FRAME_START_MM, linesOf, type DrawnStitch, type FaceFrame } from '../stitch/geometry'
import type { Cloth, ClothLook } from './cloth'
import type { FaceScene } from './face'
import { FLAW_LOOKS, type Flaw } from './flaw'
import { drift } from './noise'
import { colourOf } from './picture'
import { strandsThrough, type SewnThreads } from './sewn-face'

/** A cloth as far as its look depends on it; its colour is "#rrggbb". */
export interface ShownCloth {
  readonly structure: Structure
  readonly traits?: readonly FabricTrait[]
  /** g/m² */
  readonly massGsm?: number
  readonly colour: string
  readonly wrongSide?: boolean
}

/** A cloth of which nobody has said the colour: light, so that both threads are seen on it. */
export const UNDYED = '#d3cfc3'

/** A cloth as a project has it. */
export const shownCloth = ({
  structure,
  traits = [],
  massGsm,
}: Pick<ShownCloth, 'structure' | 'traits' | 'massGsm'>): ShownCloth => ({
  structure,
  traits,
  ...(massGsm !== undefined && { massGsm }),
  colour: UNDYED,
})

/** One face of a swatch that is to be seen: what was sewn, on what, with what. Lengths in mm. */
export interface ShownFace extends FaceFrame {
  readonly face: 'top' | 'under'
  readonly stitch: DrawnStitch
  readonly cloth: ShownCloth
  /** "#rrggbb" */
  readonly threads: { readonly top: string; readonly bobbin: string }
  readonly fibre?: Fibre
  /** the beginning is a nest of the top thread underneath */
  readonly nest?: boolean
  /** how much the cloth gathers; above 1 it shows */
  readonly pucker?: number
  readonly frayed?: boolean
  readonly wobbles?: boolean
  /** no stitch is as long as the one before */
  readonly uneven?: boolean
  readonly flaw?: Flaw
  /** nothing is sewn on it */
  readonly bare?: boolean
  readonly pxPerMm: number
  readonly seed: number
}

/** How much a thread shines, by what it is made of. */
const LUSTRE: Partial<Record<Fibre, number>> = { cotton: 0.2, silk: 0.8, rayon: 1, polyester: 0.55, nylon: 0.75 }
const ORDINARY_LUSTRE = 0.5

/** The look of a cloth by what it is. Source: common practice. */
export function clothLookOf({ structure, traits = [], wrongSide = false }: ShownCloth): ClothLook {
  const is = (trait: FabricTrait) => traits.includes(trait)
  switch (structure) {
    case 'knit':
      return wrongSide ? 'knit-back' : 'knit'
    case 'leather':
      return wrongSide || is('suede') ? 'suede' : 'leather'
    case 'coated':
      return is('laminated') ? 'felt' : 'film'
    case 'felt':
    case 'pile':
    case 'net':
      return structure
    case 'rope':
      return 'canvas'
    case 'woven':
      if (is('napped')) return 'pile'
      if (is('denim')) return 'twill'
      if (is('canvas') || is('coated')) return 'canvas'
      return is('slippery') && !is('sheer') ? 'satin' : 'plain'
  }
}

/** The lighter a cloth, the finer its yarns. */
function yarnsPerCm({ structure, massGsm = 150 }: ShownCloth): number {
  const fine = Math.sqrt(120 / Math.max(20, massGsm))
  if (structure === 'net') return 5
  if (structure === 'knit') return Math.max(7, Math.min(18, 12 * fine))
  return Math.max(11, Math.min(44, 30 * fine))
}

/** Of the way from hole to hole, how much of the other thread lies on a face that scores so much. */
function shareOf(score: number): number {
  if (score <= 0.15) return 0
  return score < 2 ? 0.06 + ((score - 0.15) / 1.85) * 0.34 : 0.62 + 0.22 * Math.min(1, score - 2)
}

/** Threads rest on the yarns that they cross. */
const RESTS_MM = 0.06
/** After so many stitches every stitch, and every skipped one, comes round again. */
const ROUND = 12
/** How far a seam goes on beyond what is in view. */
const BEYOND_MM = 3

/** A face of a swatch as it will lie: the same for the same seed, and its holes where the diagram of it has them. */
export function swatchScene(shown: ShownFace): FaceScene {
  const { face, stitch, cloth, threads, nest = false, pucker = 0, seed, lengthMm, heightMm } = shown
  const nested = nest && face === 'under'
  const shows = face === 'top' ? stitch.s : -stitch.s
  const loops = face === 'under' && (shows >= 2 || nested)
  // A nest is at the beginning; any other seam came from outside, in whole rounds, so that its holes are those of the diagram.
  const before = FRAME_START_MM - (nested ? 0 : ROUND * Math.max(0.3, stitch.lengthMm))
  const middle = heightMm / 2
  const strays = (x: number) =>
    shown.wobbles ? 1.4 * (drift(x / 6, 1, seed + 3) - 0.5) : 0.12 * (drift(x / 5, 1, seed + 3) - 0.5)
  const { holes, lines } = linesOf(stitch, face, lengthMm + BEYOND_MM - before)
  const hastens = (x: number) =>
    shown.uneven ? 0.9 * stitch.lengthMm * (drift(x / stitch.lengthMm / 1.3, 2, seed + 8) - 0.5) : 0
  const place = ({ x, y }: { x: number; y: number }) => ({ x: x + before + hastens(x), y: y + middle + strays(x) })
  const [ownMm, otherMm] =
    face === 'top' ? [stitch.topThreadMm, stitch.bobbinThreadMm] : [stitch.bobbinThreadMm, stitch.topThreadMm]
  const perCm = yarnsPerCm(cloth)
  const acrossMm = Math.max(stitch.widthMm, stitch.gapMm ?? 0)
  const flawed =
    shown.flaw &&
    FLAW_LOOKS[shown.flaw]({ lengthMm, heightMm, stitchMm: stitch.lengthMm, ownMm, otherMm, acrossMm, perCm, seed })
  // A seam that gapes shows its threads between its edges, and one that ends no more of them.
  const sewnTo = shown.flaw === 'gape' ? -Infinity : (flawed?.sewnTo ?? Infinity)
  const seam: SewnThreads = {
    from: before,
    to: Math.min(lengthMm + BEYOND_MM, sewnTo),
    middle,
    stitchMm: stitch.lengthMm,
    ownMm: loops ? ownMm * 0.9 : ownMm,
    otherMm,
    otherShare: shareOf(shows),
    loopMm: loops ? 1.1 + 0.7 * Math.min(1, Math.max(0, shows - 2)) : 0,
    nestMm: nested ? Math.min(9, lengthMm * 0.5) : 0,
    slack: loops ? 0 : 0.06,
    restMm: RESTS_MM,
    frayed: shown.frayed ?? false,
  }
  const sewn = (line: readonly { x: number; y: number }[]) => line.map(place).filter(({ x }) => x <= sewnTo + 1e-6)
  const strands = [
    ...lines.flatMap((line, index) =>
      strandsThrough(sewn(line), index === 0 ? seam : { ...seam, nestMm: 0, frayed: false }, seed + index * 17),
    ),
    ...(flawed?.strands ?? []),
  ]
  const lustre = LUSTRE[shown.fibre ?? 'polyester'] ?? ORDINARY_LUSTRE
  const [own, other] = face === 'top' ? [threads.top, threads.bobbin] : [threads.bobbin, threads.top]
  const lies: Cloth = {
    look: clothLookOf(cloth),
    colour: colourOf(cloth.colour),
    perCm,
  }
  return {
    widthMm: lengthMm,
    heightMm,
    pxPerMm: shown.pxPerMm,
    cloth: lies,
    own: { colour: colourOf(own), lustre },
    other: { colour: colourOf(other), lustre },
    face: {
      holes: shown.bare ? [] : sewn(holes),
      stitches: [stitch.lengthMm],
      skipped: 0,
      strands: shown.bare ? [] : strands,
    },
    holeMm: stitch.needleMm * (cloth.structure === 'leather' || cloth.structure === 'coated' ? 0.95 : 0.6),
    pucker: Math.max(0, Math.min(2.6, (pucker - 0.7) * 2.2)),
    ...(flawed && { flaw: flawed }),
    seed,
  }
}
