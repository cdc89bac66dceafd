import type { FabricTrait, Structure } from './fabric'

/**
 * Cloths as people name them, with middling numbers to begin from until somebody measures. Source: common practice; every
 * number is a guess and is shown as one.
 */
export interface NamedFabric {
  readonly name: string
  readonly structure: Structure
  readonly massGsm?: number
  /** one layer */
  readonly thicknessMm?: number
  readonly stretchPercent?: number
  readonly traits?: readonly FabricTrait[]
}

export const NAMED_FABRICS: readonly NamedFabric[] = [
  { name: 'chiffon', structure: 'woven', massGsm: 40, thicknessMm: 0.12, traits: ['sheer', 'slippery'] },
  { name: 'organza', structure: 'woven', massGsm: 35, thicknessMm: 0.1, traits: ['sheer'] },
  { name: 'habotai silk', structure: 'woven', massGsm: 60, thicknessMm: 0.12, traits: ['slippery', 'delicate'] },
  { name: 'voile', structure: 'woven', massGsm: 75, thicknessMm: 0.2, traits: ['sheer'] },
  { name: 'lining', structure: 'woven', massGsm: 80, thicknessMm: 0.14, traits: ['slippery'] },
  { name: 'ripstop nylon', structure: 'woven', massGsm: 60, thicknessMm: 0.1, traits: ['slippery', 'dense'] },
  { name: 'cotton lawn', structure: 'woven', massGsm: 95, thicknessMm: 0.2 },
  { name: 'downproof cotton', structure: 'woven', massGsm: 130, thicknessMm: 0.2, traits: ['dense'] },
  { name: 'quilting cotton', structure: 'woven', massGsm: 145, thicknessMm: 0.3 },
  { name: 'shirting', structure: 'woven', massGsm: 115, thicknessMm: 0.24 },
  { name: 'poplin', structure: 'woven', massGsm: 120, thicknessMm: 0.26 },
  { name: 'batik', structure: 'woven', massGsm: 140, thicknessMm: 0.28, traits: ['dense'] },
  { name: 'linen', structure: 'woven', massGsm: 190, thicknessMm: 0.45 },
  { name: 'flannel', structure: 'woven', massGsm: 170, thicknessMm: 0.6, traits: ['napped'] },
  { name: 'velvet', structure: 'woven', massGsm: 280, thicknessMm: 1.25, traits: ['napped', 'delicate'] },
  { name: 'wool suiting', structure: 'woven', massGsm: 260, thicknessMm: 0.8 },
  { name: 'gabardine', structure: 'woven', massGsm: 240, thicknessMm: 0.45 },
  { name: 'corduroy', structure: 'woven', massGsm: 320, thicknessMm: 0.9, traits: ['napped'] },
  { name: 'light denim', structure: 'woven', massGsm: 250, thicknessMm: 0.5, traits: ['denim'] },
  { name: 'denim', structure: 'woven', massGsm: 400, thicknessMm: 0.8, traits: ['denim'] },
  { name: 'duck canvas', structure: 'woven', massGsm: 340, thicknessMm: 0.65, traits: ['canvas'] },
  { name: 'waxed canvas', structure: 'woven', massGsm: 420, thicknessMm: 0.7, traits: ['canvas', 'coated'] },
  { name: 'wool coating', structure: 'woven', massGsm: 460, thicknessMm: 1.6, traits: ['bulky', 'napped'] },
  { name: 'cotton webbing', structure: 'woven', massGsm: 1000, thicknessMm: 2 },
  { name: 'single jersey', structure: 'knit', massGsm: 160, thicknessMm: 0.5, stretchPercent: 25 },
  { name: 'interlock', structure: 'knit', massGsm: 220, thicknessMm: 0.8, stretchPercent: 25 },
  { name: 'merino jersey', structure: 'knit', massGsm: 185, thicknessMm: 0.6, stretchPercent: 40 },
  { name: 'rib', structure: 'knit', massGsm: 240, thicknessMm: 0.9, stretchPercent: 60, traits: [] },
  { name: 'sweatshirting', structure: 'knit', massGsm: 300, thicknessMm: 1.1, stretchPercent: 15 },
  {
    name: 'swim knit',
    structure: 'knit',
    massGsm: 190,
    thicknessMm: 0.5,
    stretchPercent: 80,
    traits: ['elastane', 'slippery'],
  },
  { name: 'fleece', structure: 'pile', massGsm: 240, thicknessMm: 2.2, stretchPercent: 20 },
  { name: 'terry towelling', structure: 'pile', massGsm: 420, thicknessMm: 3.2, stretchPercent: 5 },
  { name: 'fake fur', structure: 'pile', massGsm: 450, thicknessMm: 4, traits: ['bulky'] },
  { name: 'craft felt', structure: 'felt', massGsm: 200, thicknessMm: 1 },
  { name: 'wool blanket', structure: 'felt', massGsm: 420, thicknessMm: 2, traits: ['bulky', 'napped'] },
  { name: 'oilcloth', structure: 'coated', massGsm: 280, thicknessMm: 0.4, traits: ['coated'] },
  { name: 'vinyl', structure: 'coated', massGsm: 550, thicknessMm: 1, traits: ['coated', 'imitation-leather'] },
  {
    name: 'softshell',
    structure: 'coated',
    massGsm: 300,
    thicknessMm: 0.9,
    stretchPercent: 15,
    traits: ['laminated', 'elastane'],
  },
  { name: 'mesh', structure: 'net', massGsm: 100, thicknessMm: 0.6 },
  {
    name: 'power mesh',
    structure: 'net',
    massGsm: 150,
    thicknessMm: 0.9,
    stretchPercent: 60,
    traits: ['elastane'],
  },
  { name: 'tulle', structure: 'net', massGsm: 25, thicknessMm: 0.15, traits: ['sheer'] },
  { name: 'soft suede', structure: 'leather', thicknessMm: 0.8, traits: ['suede'] },
  { name: 'garment leather', structure: 'leather', thicknessMm: 1 },
  { name: 'bag leather', structure: 'leather', thicknessMm: 1.5 },
  { name: 'cotton rope', structure: 'rope', thicknessMm: 5 },
  { name: 'quilt sandwich', structure: 'woven', massGsm: 360, thicknessMm: 3, traits: ['quilted'] },
]
