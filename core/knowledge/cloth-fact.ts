import { readable, type Rule } from './rule'

const fact = (name: string, when: Rule<unknown>['when'], because: string): Rule<{ readonly fact: string }> => ({
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
export const CLOTH_FACTS: readonly Rule<{ readonly fact: string }>[] = readable([
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
        { structure: { in: ['knit'] }, stretchPercent: { over: 50 } },
        { structure: { in: ['woven'] }, stretchPercent: { over: 10 } },
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
  fact('byThickness', { structure: { in: ['leather', 'rope'] } }, 'A {structure} is judged by its thickness.'),
])
