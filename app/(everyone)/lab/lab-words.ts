import { type StitchKind } from '@/core/stitch/geometry'

export const SIGN_WORDS = {
  skipped: 'Stitches are skipped.',
  puckered: 'The cloth gathers.',
  ridge: 'A ridge stands between the lines.',
  shredding: 'The thread frays at the eye.',
  wobble: '',
} as const

export const KIND_WORDS: Readonly<Record<StitchKind, string>> = {
  straight: 'straight',
  zigzag: 'zigzag',
  'three-step': 'three-step zigzag',
  twin: 'twin needle',
}
