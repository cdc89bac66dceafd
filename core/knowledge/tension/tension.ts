import type { Symptom } from '../fault/symptom'

/** What a test swatch can look like and what it should look like. Source: common practice. */

export const TOP_LOOKS = ['own', 'dots', 'line'] as const
export const UNDER_LOOKS = ['own', 'dots', 'loops', 'nest'] as const
export const SWATCH_SIGNS = ['skipped', 'puckered', 'ridge', 'shredding', 'wobble'] as const
export const TARGETS = [
  'straight',
  'straight-on-sheer',
  'zigzag',
  'twin',
  'decorative',
  'buttonhole',
  'embroidery',
] as const
/** What is done before the dial is ever touched, in this order. */
export const GATES = ['rethreaded', 'needle', 'bobbin', 'same-thread', 'clean'] as const

export type TopLook = (typeof TOP_LOOKS)[number]
export type UnderLook = (typeof UNDER_LOOKS)[number]
export type SwatchSign = (typeof SWATCH_SIGNS)[number]
/** What else a swatch shows: said, pointed at in the lab, and where the finder begins when it is not the dial. */
export const SIGNS: Readonly<
  Record<SwatchSign, { readonly words: string; readonly seen: string; readonly symptom?: Symptom }>
> = {
  skipped: { words: 'gaps: skipped stitches', seen: 'Stitches are skipped.', symptom: 'skipped' },
  puckered: { words: 'cloth gathers', seen: 'The cloth gathers.', symptom: 'puckers' },
  ridge: { words: 'a raised ridge', seen: 'A ridge stands between the lines.', symptom: 'tunnelling' },
  shredding: { words: 'fuzzy thread at the eye', seen: 'The thread frays at the eye.', symptom: 'thread-breaks' },
  wobble: { words: 'the line wobbles', seen: '' },
}
export type Target = (typeof TARGETS)[number]
export type Gate = (typeof GATES)[number]

export const TARGET_WORDS: Readonly<Record<Target, string>> = {
  straight: 'straight',
  'straight-on-sheer': 'straight, on sheer',
  zigzag: 'zigzag',
  twin: 'twin needle',
  decorative: 'decorative',
  buttonhole: 'buttonhole',
  embroidery: 'embroidery',
}

/** Score of each face: the bobbin showing on top counts up, the top thread showing below counts down. */
export const TOP_SCORE: Readonly<Record<TopLook, number>> = { own: 0, dots: 1, line: 3 }
/** A nest has no score: it is threading. */
export const UNDER_SCORE: Readonly<Record<Exclude<UnderLook, 'nest'>, number>> = { own: 0, dots: -1, loops: -3 }

/** The score that is right for each kind of stitch, and how far off is still accepted. */
export const TARGET_SCORE: Readonly<Record<Target, { readonly score: number; readonly within: number }>> = {
  straight: { score: 0, within: 0.5 },
  // A thread that lies a little to the back puckers a sheer less.
  'straight-on-sheer': { score: -0.5, within: 0.5 },
  zigzag: { score: -0.75, within: 0.5 },
  twin: { score: -0.75, within: 0.5 },
  decorative: { score: -1, within: 0.5 },
  buttonhole: { score: -1.5, within: 0.5 },
  embroidery: { score: -1.5, within: 0.5 },
}

export const GATE_ACTION = {
  rethreaded: 'rethread',
  needle: 'change-needle',
  bobbin: 'check-bobbin',
  'same-thread': 'match-thread',
  clean: 'clean',
} as const satisfies Record<Gate, string>
