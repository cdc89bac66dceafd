/**
 * Numbers of the teaching model of the lockstitch. It is a model to learn from, not a measurement: each number is said to be
 * geometry, common practice, or chosen so that the readings of a real swatch come out as they do.
 */
export const LOCKSTITCH = {
  /** growth of the needle thread's tension with one number of an ordinary dial; chosen */
  perNumber: 0.35,
  /** how far the lock rises for each unit of ln(tension ratio), mm; chosen */
  riseMm: 0.6,
  /** thread that both tensions are balanced with at the normal mark, mm; geometry of 27 tex */
  referenceThreadMm: 0.2,
  /** thicker thread drags more: tension grows with this power of its diameter; common practice */
  threadPower: 0.8,
  /** tension left when the thread lies outside the discs; common practice */
  outOfDiscs: 0.08,
  /** drag added by an eye that is too small for the thread; chosen */
  tightEye: 1.6,
  /** a bobbin that runs the wrong way slips past its spring; chosen */
  reversedBobbin: 0.45,
  /** score shown by a lock at the face of the stack; chosen */
  scoreAtFace: 1.15,
  mostScore: 3,
  /** pucker by tension: P = this · (needle + bobbin tension) · length² ÷ stiffness; above 1 it shows; chosen */
  pucker: 0.032,
  /** stiffness of a cloth grows with this power of its mass, 1 at 150 g/m²; chosen */
  stiffnessPower: 1.37,
  stiffnessGsm: 150,
  /** pucker by crowding: J = this · thread diameter · cover ÷ length; chosen */
  jam: 5,
  coverDense: 1,
  coverOpen: 0.6,
  /** a twin's ridge shows above this; common practice */
  ridge: 1.3,
  ridgeGapMm: 3,
  /** share of stitches skipped by a worn needle or a wrong point; chosen */
  skipsWorn: 0.25,
  skipsWrongPoint: 0.35,
} as const

/** Faults that no dial cures, and one that is none. */
export const STITCH_FAULTS = [
  'none',
  'out-of-discs',
  'worn-needle',
  'wrong-point',
  'reversed-bobbin',
  'tails-loose',
  'tight-eye',
] as const
export type StitchFault = (typeof STITCH_FAULTS)[number]

export const STITCH_FAULT_WORDS: Readonly<Record<StitchFault, string>> = {
  none: 'Threaded and fitted as it should be',
  'out-of-discs': 'Threaded with the foot down: the thread lies outside the discs',
  'worn-needle': 'A blunt needle',
  'wrong-point': 'A point that is wrong for the cloth',
  'reversed-bobbin': 'The bobbin runs the wrong way round',
  'tails-loose': 'The tails were not held at the start',
  'tight-eye': 'An eye too small for the thread',
}
