import {
  TARGET_SCORE,
  TOP_LOOKS,
  TOP_SCORE,
  UNDER_SCORE,
  type SwatchSign,
  type Target,
  type TopLook,
  type UnderLook,
} from '../knowledge/tension/tension'

/** What a camera said of one face. */
export interface CameraFace<Look extends TopLook | UnderLook = TopLook | UnderLook> {
  readonly look: Look
  /** on the adviser's scale; a nest has none */
  readonly score: number | null
  /** the standard deviation of the score */
  readonly spread: number
}

export interface SwatchLook {
  readonly top: TopLook
  readonly under: UnderLook
  readonly signs?: readonly SwatchSign[] | undefined
  /** of the faces that were photographed */
  readonly camera?: { readonly top?: CameraFace<TopLook>; readonly under?: CameraFace<UnderLook> } | undefined
}

export type Reading =
  | 'balanced'
  | 'right-for-stitch'
  | 'as-near'
  | 'top-little-tight'
  | 'top-far-tight'
  | 'top-little-loose'
  | 'top-far-loose'
  | 'threading'
  | 'mixed'

export interface SwatchReading {
  /** below 0: the top thread shows underneath; above 0: the bobbin shows on top */
  readonly s: number
  readonly reading: Reading
  /** the score is one that this stitch wants */
  readonly onTarget: boolean
}

/** A face shows no more than this: more of it is "at least". */
const SHOWN_WHOLE = 2.6

/**
 * The score that a camera measured where the person agreed with what it saw; undefined where a face was told by eye alone, where
 * neither face shows the other's thread, or where all there is to see is seen.
 */
export function measuredScore({
  top,
  under,
  camera,
}: SwatchLook): { readonly s: number; readonly spread: number } | undefined {
  if (!camera || under === 'nest') return undefined
  const [shows, look, sign] = top !== 'own' ? [camera.top, top, 1] : [camera.under, under, -1]
  if (!shows || shows.look !== look || look === 'own' || shows.score === null) return undefined
  const s = shows.score
  return Math.sign(s) === sign && Math.abs(s) < SHOWN_WHOLE ? { s, spread: shows.spread } : undefined
}

/** Faces of which the person said something else than the camera. */
export const cameraCorrected = ({ top, under, camera }: SwatchLook): number =>
  (camera?.top && camera.top.look !== top ? 1 : 0) + (camera?.under && camera.under.look !== under ? 1 : 0)

/** How many faces a camera read, and how often a person said that they were something else. */
export const cameraTally = (
  swatches: readonly SwatchLook[],
): { readonly faces: number; readonly corrected: number } => ({
  faces: swatches.reduce((sum, { camera }) => sum + (camera?.top ? 1 : 0) + (camera?.under ? 1 : 0), 0),
  corrected: swatches.reduce((sum, swatch) => sum + cameraCorrected(swatch), 0),
})

/** What both faces of a swatch say. A dial reading needs both: when both are off it is "mixed", and a nest is threading. */
export function readSwatch(look: SwatchLook, target: Target): SwatchReading {
  if (look.under === 'nest') return { s: TOP_SCORE[look.top] - 3, reading: 'threading', onTarget: false }
  const s = TOP_SCORE[look.top] + UNDER_SCORE[look.under]
  if (look.top !== 'own' && look.under !== 'own') return { s, reading: 'mixed', onTarget: false }
  const { score, within } = TARGET_SCORE[target]
  // Own colour on both faces does for a zigzag as long as it lies flat.
  const flat = target === 'zigzag' && s === 0 && !look.signs?.some((sign) => sign === 'puckered' || sign === 'ridge')
  if (Math.abs(s - score) <= within || flat) {
    return { s, reading: s === 0 ? 'balanced' : 'right-for-stitch', onTarget: true }
  }
  const off = s - score
  const far = Math.abs(off) > 2
  const reading = off > 0 ? (far ? 'top-far-tight' : 'top-little-tight') : far ? 'top-far-loose' : 'top-little-loose'
  return { s, reading, onTarget: false }
}

/** Signs of a needle that is worn or wrong: whatever the faces show, such a swatch is not good. */
export const isFaulty = ({ signs = [] }: SwatchLook): boolean =>
  signs.includes('skipped') || signs.includes('shredding')

/**
 * What a swatch says as it was written down: between two marks that disagree the one that was taken counts as good. A nest,
 * both faces off, skipped stitches or shredding are never good, whoever wrote that they are.
 */
export function readWritten(
  written: SwatchLook & { readonly target: Target; readonly dial: number; readonly asNear?: number | undefined },
): SwatchReading & { readonly dial: number } {
  const { dial, target, asNear } = written
  const seen = readSwatch(written, target)
  if (isFaulty(written) || seen.reading === 'threading' || seen.reading === 'mixed')
    return { ...seen, onTarget: false, dial }
  return asNear === undefined ? { ...seen, dial } : { s: seen.s, reading: 'as-near', onTarget: true, dial: asNear }
}

export const READING_WORDS: Readonly<Record<Reading, string>> = {
  balanced: 'Balanced: each face shows its own colour.',
  'right-for-stitch': 'Right for this stitch: small dots of the top colour underneath are meant to be there.',
  'as-near': 'As near as this dial comes: between two marks that disagree.',
  'top-little-tight': 'The top thread pulls a little too hard: the bobbin’s colour comes up.',
  'top-far-tight': 'The top thread pulls far too hard: the bobbin’s colour lies on top.',
  'top-little-loose': 'The top thread is a little too loose: its colour shows underneath.',
  'top-far-loose': 'The top thread is far too loose: it loops underneath.',
  threading: 'This is threading, not tension: the top thread is not held by the discs, or is caught.',
  mixed: 'Both faces are off, which no dial does: something before the dial is wrong.',
}

/** The scores that a face may show when this stitch is right. */
export const acceptedScores = (target: Target): number[] =>
  TOP_LOOKS.flatMap((top) => (['own', 'dots', 'loops'] as const).map((under) => ({ top, under })))
    .filter((look) => readSwatch(look, target).onTarget)
    .map((look) => readSwatch(look, target).s)
