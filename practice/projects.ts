import type { ProjectFacts } from '@/core/kit/project'

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
    sewn: { seamM: 3.4, starts: 6 },
    machine: 'Dunlin',
  },
  {
    learner: 'Bram',
    name: 'waxed-canvas tool roll',
    fabric: { structure: 'woven', massGsm: 410, thicknessMm: 0.7, traits: ['canvas', 'coated'] },
    layers: { seam: 2, crossing: 6 },
    operation: 'seam',
    sewn: { seamM: 5.2, starts: 9 },
  },
  {
    learner: 'Chidi',
    name: 'fleece headband',
    fabric: { structure: 'pile', massGsm: 220, thicknessMm: 2, stretchPercent: 25, traits: ['napped'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'stretch-seam',
    sewn: { seamM: 0.7, starts: 2 },
    machine: 'Curlew',
  },
  {
    learner: 'Delphine',
    name: 'merino neck tube',
    fabric: { structure: 'knit', massGsm: 185, thicknessMm: 0.6, stretchPercent: 40, traits: [] },
    layers: { seam: 2, crossing: 4 },
    operation: 'knit-hem',
    sewn: { seamM: 0.6, starts: 1 },
  },
  {
    learner: 'Eero',
    name: 'mesh drying bag',
    fabric: { structure: 'net', massGsm: 110, thicknessMm: 0.4, traits: [] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
    sewn: { seamM: 2.2, starts: 5 },
  },
  {
    learner: 'Farah',
    name: 'wool-blanket seat pad',
    fabric: { structure: 'felt', massGsm: 420, thicknessMm: 2.1, traits: ['bulky', 'napped'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    sewn: { seamM: 2.0, starts: 4 },
    machine: 'Heron',
  },
  {
    learner: 'Gwil',
    name: 'oilcloth wash bag',
    fabric: { structure: 'coated', massGsm: 280, thicknessMm: 0.4, traits: ['coated'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
    sewn: { seamM: 2.6, starts: 7 },
  },
  {
    learner: 'Hana',
    name: 'cotton bandana, wing-needle edge',
    fabric: { structure: 'woven', massGsm: 115, thicknessMm: 0.25, traits: ['handmade-cotton'] },
    layers: { seam: 1, crossing: 2 },
    operation: 'wing',
    sewn: { seamM: 2.1, starts: 4 },
  },
  {
    learner: 'Iosef',
    name: 'elastic webbing gaiters',
    fabric: { structure: 'woven', massGsm: 190, thicknessMm: 0.4, stretchPercent: 12, traits: ['dense', 'elastane'] },
    layers: { seam: 2, crossing: 3 },
    operation: 'elastic',
    sewn: { seamM: 2.4, starts: 8 },
    machine: 'Snipe',
  },
  {
    learner: 'Juna',
    name: 'suede knife guard',
    fabric: { structure: 'leather', thicknessMm: 1.4, traits: ['suede'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    sewn: { seamM: 0.5, starts: 2 },
    machine: 'Avocet',
  },
  {
    learner: 'Kofi',
    name: 'quilted pot lifter',
    fabric: { structure: 'woven', massGsm: 340, thicknessMm: 2.4, traits: ['quilted'] },
    layers: { seam: 1, crossing: 2 },
    operation: 'quilting',
    sewn: { seamM: 3.0, starts: 6 },
  },
  {
    learner: 'Lotta',
    name: 'sunhat with topstitched brim',
    fabric: { structure: 'woven', massGsm: 170, thicknessMm: 0.35, traits: [] },
    layers: { seam: 2, crossing: 4 },
    operation: 'topstitch',
    sewn: { seamM: 6.5, starts: 10 },
    machine: 'Knot',
  },
]
