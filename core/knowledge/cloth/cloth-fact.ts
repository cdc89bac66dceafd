import { readable, type FactName, type Rule } from '../fact'

const fact = (name: FactName, when: Rule<unknown>['when'], because: string): Rule<{ readonly fact: FactName }> => ({
  id: `fact-${name}`,
  when,
  give: { fact: name },
  because,
  source: 'common practice',
  confidence: 'medium',
})

/**
 * What follows from a cloth and a job before anything is chosen. Every row that holds sets its fact; a row may ask about
 * the facts set above it.
 */
export const CLOTH_FACTS: readonly Rule<{ readonly fact: FactName }>[] = readable([
  fact('light', { band: { in: ['sheer', 'light'] } }, '{massGsm} g/m² is light.'),
  fact(
    'silky',
    {
      any: [
        { band: { in: ['sheer'] } },
        { traits: { has: ['sheer'] } },
        { traits: { has: ['slippery'] }, massGsm: { below: 150 } },
      ],
    },
    'Sheer, or slippery at {massGsm} g/m².',
  ),
  fact(
    'elastane',
    {
      any: [
        { traits: { has: ['elastane'] } },
        // Ribs give as much without any; only where nobody said what the cloth is does so much stretch speak for elastane.
        { structure: { in: ['knit'] }, stretchPercent: { over: 50 }, traitsKnown: { is: false } },
        { structure: { in: ['woven'] }, stretchPercent: { over: 10 } },
        { structure: { in: ['net'] }, stretchPercent: { over: 25 } },
      ],
    },
    'It stretches {stretchPercent} %: elastane is likely.',
  ),
  fact(
    'thickThread',
    {
      any: [
        { threadGiven: { is: true }, threadTex: { over: 50 } },
        { threadGiven: { is: true }, threadStrands: { over: 1 } },
        { threadGiven: { is: false }, operation: { in: ['topstitch'] }, light: { is: false }, silky: { is: false } },
      ],
    },
    'The thread wants a larger eye than the cloth alone would ask for.',
  ),
  fact(
    'looped',
    { any: [{ structure: { in: ['knit', 'pile'] } }, { structure: { in: ['net'] }, stretchPercent: { over: 25 } }] },
    'It is made of loops, which a point must part and not cut.',
  ),
  fact(
    'pops',
    { stretchPercent: { over: 25 }, structure: { notIn: ['leather', 'rope'] } },
    'It gives {stretchPercent} %, more than a straight seam does.',
  ),
  fact(
    'holesStay',
    {
      any: [
        { structure: { in: ['leather', 'coated'] } },
        { traits: { has: ['coated', 'imitation-leather', 'laminated'] } },
      ],
    },
    'Every hole stays.',
  ),
  fact(
    'stable',
    { structure: { in: ['woven'] }, elastane: { is: false }, holesStay: { is: false } },
    'A weave that keeps its shape.',
  ),
  fact(
    'lofty',
    {
      structure: { notIn: ['leather', 'rope', 'coated'] },
      traits: { lacks: ['denim', 'canvas', 'coated', 'laminated', 'imitation-leather'] },
      any: [
        { structure: { in: ['pile'] } },
        { traits: { has: ['quilted', 'bulky'] } },
        { structure: { in: ['woven'] }, gsmPerMm: { below: 350 } },
      ],
    },
    'It flattens under the foot.',
  ),
  fact(
    'sideBySide',
    { any: [{ operation: { in: ['coil'] } }, { structure: { in: ['rope'] }, operation: { in: ['zigzag'] } }] },
    'Coils lie side by side.',
  ),
  fact(
    'webbing',
    {
      structure: { in: ['woven'] },
      massGsm: { from: 600 },
      traits: { lacks: ['denim', 'canvas', 'quilted', 'bulky', 'napped'] },
    },
    'A woven of {massGsm} g/m² is webbing.',
  ),
  fact('dogsDown', { operation: { in: ['mending', 'free-motion'] } }, 'The hands move the cloth.'),
  fact('needleAside', { operation: { in: ['zip', 'edge-stitch'] } }, 'The needle stands beside the middle.'),
  fact(
    'middleWillDo',
    { operation: { in: ['edge-stitch'] } },
    'The same line can be guided with the needle in the middle.',
  ),
  fact('byThickness', { structure: { in: ['leather', 'rope'] } }, 'A {structure} is judged by its thickness.'),
])
