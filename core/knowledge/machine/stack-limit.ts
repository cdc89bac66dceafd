import { readable, type Rule } from '../fact'

/** Which of a machine's limits a stack must keep. `machine` names the fact that holds it, in mm. */
export interface StackLimit {
  readonly limit: 'leather-stack' | 'stack'
  readonly machine: 'maxLeatherMm' | 'maxStackMm'
  readonly wouldHelp: string
}

/** Every row that holds refuses, unless the thickness is a guess: then the stack is tried under the foot and measured. */
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
    because: '{stackWords} of leather, and this machine pierces {maxLeatherMm} mm.',
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
    because: '{stackWords}, and {maxStackMm} mm fits under this machine’s foot.',
    source: 'maker practice',
    confidence: 'high',
  },
])

/** What is said of a stack that breaks a limit by a guess. */
export const STACK_GUESSED = 'That thickness is a guess: try it under the foot, and measure one layer.'
