import { readable, type Rule } from './rule'

/** Which of a machine's limits a stack must keep. `machine` names the fact that holds it, in mm. */
export interface StackLimit {
  readonly limit: 'leather-stack' | 'stack'
  readonly machine: 'maxLeatherMm' | 'maxStackMm'
  readonly wouldHelp: string
}

/** Every row that holds refuses. */
export const STACK_LIMITS: readonly Rule<StackLimit>[] = readable([
  {
    id: 'stack-leather',
    when: { structure: { in: ['leather'] }, stackMm: { over: 'maxLeatherMm' } },
    give: {
      limit: 'leather-stack',
      machine: 'maxLeatherMm',
      wouldHelp:
        'Skive the edges thinner, punch and sew by hand, or use a walking-foot machine within what its manual allows.',
    },
    because:
      '{crossingLayers} layers of {thicknessMm} mm make {stackMm} mm of leather and this machine pierces {maxLeatherMm} mm.',
    source: 'maker practice',
    confidence: 'medium',
  },
  {
    id: 'stack-lift',
    when: { stackMm: { over: 'maxStackMm' } },
    give: {
      limit: 'stack',
      machine: 'maxStackMm',
      wouldHelp: 'Fewer layers at the crossing, or a machine that lifts {stackMm} mm.',
    },
    because:
      '{crossingLayers} layers of {thicknessMm} mm make {stackMm} mm and {maxStackMm} mm fits under this machine’s foot.',
    source: 'maker practice',
    confidence: 'high',
  },
])
