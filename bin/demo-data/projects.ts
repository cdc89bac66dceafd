import type { ProjectFacts } from '@/core/schema/project'

/** What the twelve learners of Camp Kit make, and the machine each sits at this Thursday. */
export interface DemoProject extends ProjectFacts {
  readonly learner: string
  readonly machine?: string
}

export const DEMO_PROJECTS: readonly DemoProject[] = [
  {
    learner: 'Ansa',
    name: 'ripstop stuff sack',
    fabric: { structure: 'woven', massGsm: 64, thicknessMm: 0.1, traits: ['slippery', 'dense'] },
    layers: { seam: 2, crossing: 6 },
    operation: 'seam',
    machine: 'Dunlin',
  },
  {
    learner: 'Bram',
    name: 'waxed-canvas tool roll',
    fabric: { structure: 'woven', massGsm: 410, thicknessMm: 0.7, traits: ['canvas', 'coated'] },
    layers: { seam: 2, crossing: 6 },
    operation: 'seam',
  },
  {
    learner: 'Chidi',
    name: 'fleece headband',
    fabric: { structure: 'pile', massGsm: 220, thicknessMm: 2, stretchPercent: 25, traits: ['napped'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'stretch-seam',
    machine: 'Curlew',
  },
  {
    learner: 'Delphine',
    name: 'merino neck tube',
    fabric: { structure: 'knit', massGsm: 185, thicknessMm: 0.6, stretchPercent: 40, traits: [] },
    layers: { seam: 2, crossing: 4 },
    operation: 'knit-hem',
  },
  {
    learner: 'Eero',
    name: 'mesh drying bag',
    fabric: { structure: 'net', massGsm: 110, thicknessMm: 0.4, traits: [] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  },
  {
    learner: 'Farah',
    name: 'wool-blanket seat pad',
    fabric: { structure: 'felt', massGsm: 420, thicknessMm: 2.1, traits: ['bulky', 'napped'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    machine: 'Heron',
  },
  {
    learner: 'Gwil',
    name: 'oilcloth wash bag',
    fabric: { structure: 'coated', massGsm: 280, thicknessMm: 0.4, traits: ['coated'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  },
  {
    learner: 'Hana',
    name: 'cotton bandana, wing-needle edge',
    fabric: { structure: 'woven', massGsm: 115, thicknessMm: 0.25, traits: ['handmade-cotton'] },
    layers: { seam: 1, crossing: 2 },
    operation: 'wing',
  },
  {
    learner: 'Iosef',
    name: 'elastic webbing gaiters',
    fabric: { structure: 'woven', massGsm: 190, thicknessMm: 0.4, stretchPercent: 12, traits: ['dense', 'elastane'] },
    layers: { seam: 2, crossing: 3 },
    operation: 'elastic',
    machine: 'Snipe',
  },
  {
    learner: 'Juna',
    name: 'suede knife guard',
    fabric: { structure: 'leather', thicknessMm: 1.4, traits: ['suede'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    machine: 'Avocet',
  },
  {
    learner: 'Kofi',
    name: 'quilted pot lifter',
    fabric: { structure: 'woven', massGsm: 340, thicknessMm: 2.4, traits: ['quilted'] },
    layers: { seam: 1, crossing: 2 },
    operation: 'quilting',
  },
  {
    learner: 'Lotta',
    name: 'sunhat with topstitched brim',
    fabric: { structure: 'woven', massGsm: 170, thicknessMm: 0.35, traits: [] },
    layers: { seam: 2, crossing: 4 },
    operation: 'topstitch',
    machine: 'Knot',
  },
]
