import { LOCKSTITCH, type StitchFault } from '../knowledge/stitch/lockstitch'
import type { SwatchSign, TopLook, UnderLook } from '../knowledge/tension/tension'
import { dialUnit, type Dial } from '../units/dial'

/** Everything that decides how one line of stitches turns out. Lengths in mm, mass in g/m². */
export interface StitchSetup {
  readonly dial: Pick<Dial, 'min' | 'max' | 'normal'>
  readonly at: number
  readonly topThreadMm: number
  readonly bobbinThreadMm: number
  /** how hard the bobbin's spring holds, 1 as it should be */
  readonly bobbinSpring: number
  readonly stackMm: number
  readonly massGsm: number
  readonly dense: boolean
  readonly lengthMm: number
  readonly widthMm: number
  /** between the needles of a twin */
  readonly gapMm?: number
  readonly fault: StitchFault
}

export interface StitchResult {
  /** tension of each thread, 1 at the normal mark with the reference thread */
  readonly topTension: number
  readonly bobbinTension: number
  /** height of the lock above the middle of the stack, mm; below 0 it lies underneath */
  readonly lockMm: number
  /** what a swatch's faces score, −3 … 3 */
  readonly s: number
  /** above 1 the cloth gathers */
  readonly pucker: { readonly byTension: number; readonly byCrowding: number }
  /** above 1 a ridge stands between the lines of a twin */
  readonly ridge: number
  /** share of stitches that are skipped */
  readonly skipped: number
  /** the start is a nest underneath */
  readonly nest: boolean
  readonly look: { readonly top: TopLook; readonly under: UnderLook; readonly signs: readonly SwatchSign[] }
}

/** The model's own numbers; a study gives its machines others. */
export type LockstitchNumbers = { readonly [Name in keyof typeof LOCKSTITCH]: number }

/**
 * How a line of stitches turns out: a teaching model. The thread that pulls harder draws the lock to its own face; a thin
 * stack shows what a thick one hides; some faults no dial cures.
 */
export function sewLine(setup: StitchSetup, numbers: LockstitchNumbers = LOCKSTITCH): StitchResult {
  const { dial, at, fault, stackMm, lengthMm, massGsm } = setup
  const turned = (at - dial.normal) / dialUnit(dial)
  const drag = (threadMm: number) => (threadMm / numbers.referenceThreadMm) ** numbers.threadPower
  const held =
    fault === 'out-of-discs'
      ? numbers.outOfDiscs
      : Math.exp(numbers.perNumber * turned) * (fault === 'tight-eye' ? numbers.tightEye : 1)
  const topTension = held * drag(setup.topThreadMm)
  const bobbinTension =
    setup.bobbinSpring * drag(setup.bobbinThreadMm) * (fault === 'reversed-bobbin' ? numbers.reversedBobbin : 1)
  const lockMm = numbers.riseMm * Math.log(topTension / bobbinTension)
  const score = (numbers.scoreAtFace * lockMm) / (stackMm / 2)
  const s = Math.max(-numbers.mostScore, Math.min(numbers.mostScore, score))

  const stiffness = (massGsm / numbers.stiffnessGsm) ** numbers.stiffnessPower
  const byTension = (numbers.pucker * (topTension + bobbinTension) * lengthMm ** 2) / stiffness
  const cover = setup.dense ? numbers.coverDense : numbers.coverOpen
  const byCrowding = (numbers.jam * setup.topThreadMm * cover) / Math.max(lengthMm, 0.1)
  const ridge =
    setup.gapMm === undefined ? 0 : (bobbinTension * (setup.gapMm / numbers.ridgeGapMm)) / stiffness / numbers.ridge
  const skipped = fault === 'worn-needle' ? numbers.skipsWorn : fault === 'wrong-point' ? numbers.skipsWrongPoint : 0
  const nest = fault === 'tails-loose' || fault === 'out-of-discs'
  const signs: SwatchSign[] = []
  if (skipped > 0) signs.push('skipped')
  if (fault === 'tight-eye') signs.push('shredding')
  if (Math.max(byTension, byCrowding) > 1) signs.push('puckered')
  if (ridge > 1) signs.push('ridge')
  return {
    topTension,
    bobbinTension,
    lockMm,
    s,
    pucker: { byTension, byCrowding },
    ridge,
    skipped,
    nest,
    look: { top: topLook(s), under: nest ? 'nest' : underLook(s), signs },
  }
}

/** What a face shows of a score: its own colour, dots, or a line. */
export const topLook = (s: number): TopLook => (s >= 2 ? 'line' : s >= 0.5 ? 'dots' : 'own')
export const underLook = (s: number): UnderLook => (s <= -2 ? 'loops' : s <= -0.5 ? 'dots' : 'own')
