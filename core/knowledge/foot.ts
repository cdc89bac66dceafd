import { readable, type Rule } from './rule'

export const FEET = [
  'standard',
  'zigzag',
  'walking',
  'non-stick',
  'roller',
  'straight',
  'zip',
  'buttonhole',
  'embroidery',
] as const
export type Foot = (typeof FEET)[number]

/** `essential`: without one of these the job is refused; otherwise any plain foot that passes the stitch will do. */
export interface FootWish {
  readonly feet: readonly Foot[]
  readonly essential?: true
}

/** First row that holds decides. Built-in even feed stands in for a walking foot. */
export const FOOT_WISHES: readonly Rule<FootWish>[] = readable([
  {
    id: 'foot-sticky',
    when: {
      any: [{ structure: { in: ['leather', 'coated'] } }, { traits: { has: ['coated', 'imitation-leather'] } }],
    },
    give: { feet: ['walking', 'non-stick', 'roller'], essential: true },
    because: 'Leather and coated cloth stick to a plain foot: walking foot, else non-stick, else roller.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'foot-buttonhole',
    when: { operation: { in: ['buttonhole'] } },
    give: { feet: ['buttonhole', 'standard', 'zigzag'] },
    because: 'The buttonhole foot measures the hole and keeps its bars apart.',
    source: 'common practice',
    confidence: 'high',
  },
  {
    id: 'foot-embroidery',
    when: { operation: { in: ['embroidery'] } },
    give: { feet: ['embroidery', 'standard', 'zigzag'] },
    because: 'The embroidery foot has room beneath for a raised satin.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'foot-creeping',
    when: { any: [{ operation: { in: ['quilting'] } }, { traits: { has: ['quilted', 'bulky'] } }] },
    give: { feet: ['walking', 'standard', 'zigzag', 'straight'] },
    because: 'Thick soft layers creep apart: the walking foot feeds the upper one too.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'foot-standard',
    when: {},
    give: { feet: ['standard', 'zigzag', 'straight'] },
    because: 'The standard foot does.',
    source: 'common practice',
    confidence: 'high',
  },
])

export type FootPressure = 'low' | 'normal' | 'high'

/** First row that holds decides. */
export const PRESSURE_WISHES: readonly Rule<{ readonly pressure: FootPressure; readonly lost: string }>[] = readable([
  {
    id: 'pressure-light',
    when: {
      structure: { notIn: ['leather', 'rope', 'coated'] },
      any: [{ silky: { is: true } }, { band: { in: ['sheer', 'light'] } }],
    },
    give: { pressure: 'low', lost: 'light cloth may pucker or creep under it' },
    because: 'At {massGsm} g/m² the cloth is light: ease the foot, about two turns in from loose.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'pressure-bulky',
    when: { any: [{ traits: { has: ['bulky', 'quilted'] } }, { structure: { in: ['pile'] } }] },
    give: { pressure: 'low', lost: 'thick soft layers may be pushed along' },
    because: 'Thick soft layers of {stackMm} mm feed better under a lighter foot.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'pressure-normal',
    when: {},
    give: { pressure: 'normal', lost: 'nothing' },
    because: 'Ordinary foot pressure holds {stackMm} mm of this well.',
    source: 'common practice',
    confidence: 'medium',
  },
])
