'use client'

import { type School } from '@/core/knowledge/school'
import type { NEEDLE_SCHOOLS } from '@/core/knowledge/needle/wear'

export const DEFAULT_WAY_WORDS: Readonly<Record<School, string>> = {
  point: 'universal, sharp for dense and sheer',
  denim: 'jeans where a crossing has over two layers',
  suede: 'universal under 1 mm, leather from there',
  elastane: 'stretch',
  imitation: 'microtex',
}

export const NEEDLE_WORDS: Readonly<Record<(typeof NEEDLE_SCHOOLS)[number], string>> = {
  'whichever-first': 'whichever comes first: hours, projects or a sign',
  hours: 'by hours',
  project: 'after each project that wears it out',
  'every-n': 'every few projects',
  signs: 'by signs only',
}

export const FIRST_AID_WORDS = {
  firstAider: 'First-aider, and how to reach them',
  box: 'Where the first-aid box is',
  emergency: 'Emergency number',
} as const
