import type { Symptom } from '../knowledge/fault/symptom'
import { faceFrame, ORDINARY_SEAM, type DrawnStitch } from '../stitch/geometry'
import { UNDYED, type ShownFace } from './swatch-scene'

/** A symptom as a face of a swatch shows it, in whichever two threads. */
export type SymptomFace = Omit<ShownFace, 'threads' | 'pxPerMm'>

const TWIN: DrawnStitch = { ...ORDINARY_SEAM, kind: 'twin', gapMm: 3 }
/** So much of the seam is in view, and so much of the cloth on both sides. */
const LENGTH_MM = 15
const HEIGHT_MM = 6

type Shows = Partial<Pick<ShownFace, 'face' | 'nest' | 'pucker' | 'frayed' | 'wobbles' | 'uneven' | 'flaw'>> & {
  readonly stitch?: DrawnStitch
}

/** What of it is seen on a seam. Where it is heard or felt, or stands at the machine, no swatch shows it. */
const SHOWN: Readonly<Partial<Record<Symptom, Shows>>> = {
  'nest-at-start': { face: 'under', nest: true },
  'loops-under': { face: 'under', stitch: { ...ORDINARY_SEAM, s: -2.7 } },
  'bobbin-on-top': { stitch: { ...ORDINARY_SEAM, s: 2.7 } },
  skipped: { stitch: { ...ORDINARY_SEAM, skipped: 0.25 } },
  'thread-breaks': { flaw: 'broken-thread', frayed: true },
  'bobbin-thread-breaks': { face: 'under', flaw: 'broken-thread' },
  swallowed: { flaw: 'swallowed' },
  puckers: { pucker: 1.8 },
  tunnelling: { stitch: TWIN, flaw: 'ridge' },
  untidy: { wobbles: true, uneven: true },
  'seam-undone': { flaw: 'gape' },
}

/** The face of a swatch that shows a symptom; undefined where none does. */
export function symptomFace(symptom: Symptom): SymptomFace | undefined {
  const shows = SHOWN[symptom]
  if (!shows) return undefined
  const { face = 'top', stitch = ORDINARY_SEAM, ...marks } = shows
  const frame = faceFrame(stitch, LENGTH_MM)
  return {
    face,
    stitch,
    cloth: { structure: 'woven', massGsm: 110, colour: UNDYED },
    seed: 4,
    ...frame,
    heightMm: HEIGHT_MM,
    ...marks,
  }
}
