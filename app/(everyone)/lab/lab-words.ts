import { type StitchKind } from '@/core/stitch/geometry'

export const KIND_WORDS: Readonly<Record<StitchKind, string>> = {
  straight: 'straight',
  zigzag: 'zigzag',
  'three-step': 'three-step zigzag',
  twin: 'twin needle',
}
