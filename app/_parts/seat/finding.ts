import { findFault, type FaultAdvice, type FaultAnswer, type KnownOfFault, type RankedCheck } from '@/core/fault/fault'
import type { FaultCheck } from '@/core/knowledge/fault/fault-check'
import type { Symptom } from '@/core/knowledge/fault/symptom'
import type { LineBody } from '@/core/machine/event'

/** What somebody has seen and looked at so far, one thing after the other. */
export interface Finding {
  readonly symptom: Symptom | null
  readonly answers: readonly FaultAnswer[]
  readonly skipped: readonly FaultCheck[]
  /** what was found and is being put right: whether it cures is not said yet */
  readonly found?: FaultCheck | undefined
  /** that a needle broke has been said here */
  readonly broke?: boolean
}

export type FoundSaid =
  | { readonly say: 'symptom'; readonly symptom: Symptom }
  | { readonly say: 'found' | 'not-that' | 'skip'; readonly check: FaultCheck }
  | { readonly say: 'still-there' | 'broke' | 'back' }

export const findingFrom = (symptom: Symptom | undefined): Finding => ({
  symptom: symptom ?? null,
  answers: [],
  skipped: [],
})

export function finding(before: Finding, said: FoundSaid): Finding {
  const { answers, skipped, found, ...rest } = before
  const answered = (check: FaultCheck) => ({ ...rest, skipped, answers: [...answers, { check, found: false }] })
  switch (said.say) {
    case 'symptom':
      return { ...findingFrom(said.symptom) }
    case 'found':
      return { ...before, found: said.check }
    case 'not-that':
      return answered(said.check)
    case 'still-there':
      return found ? answered(found) : before
    case 'skip':
      return { ...before, skipped: [...skipped, said.check] }
    case 'broke':
      return { ...before, broke: true }
    case 'back':
      if (found) return { ...rest, answers, skipped }
      if (skipped.length > 0) return { ...before, skipped: skipped.slice(0, -1) }
      if (answers.length > 0) return { ...before, answers: answers.slice(0, -1) }
      return findingFrom(undefined)
  }
}

/** What is asked of whoever stands at the machine now. */
export type Stand =
  | { readonly ask: 'symptom' }
  /** nothing is looked at: it is unplugged and stopped */
  | { readonly ask: 'electrical'; readonly symptom: Symptom }
  /** before anything is looked for: where the pieces of the needle are */
  | { readonly ask: 'pieces'; readonly symptom: Symptom }
  | ({ readonly symptom: Symptom; readonly advice: FaultAdvice } & (
      | { readonly ask: 'cured'; readonly found: FaultCheck }
      | { readonly ask: 'look'; readonly next: RankedCheck; readonly after: readonly RankedCheck[] }
      /** nothing that this person may look at is left; `next` is for somebody else */
      | { readonly ask: 'hand-on'; readonly next: RankedCheck | undefined; readonly after: readonly RankedCheck[] }
    ))

export function standOf(
  { symptom, answers, skipped, found, broke }: Finding,
  asked: {
    readonly known: KnownOfFault
    readonly cures: Readonly<Record<string, Readonly<Partial<Record<FaultCheck, number>>>>>
    readonly brokenKnown: boolean
    readonly role: 'learner' | 'staff'
  },
): Stand {
  if (!symptom) return { ask: 'symptom' }
  const advice = findFault({ symptom, known: asked.known, answers, cures: asked.cures[symptom] ?? {} })
  if (advice.stop) return { ask: 'electrical', symptom }
  if (symptom === 'needle-breaks' && !asked.brokenKnown && !broke && answers.length === 0)
    return { ask: 'pieces', symptom }
  if (found) return { ask: 'cured', symptom, advice, found }
  const [next, ...later] = advice.checks.filter(({ check }) => !skipped.includes(check))
  const after = later.slice(0, 5)
  const may = next && (asked.role === 'staff' ? next.who !== 'technician' : next.who === 'learner')
  return may ? { ask: 'look', symptom, advice, next, after } : { ask: 'hand-on', symptom, advice, next, after }
}

/** The line that tells how the search ended. @param cured what it was, when it is gone */
export const runLine = (
  { answers }: Finding,
  symptom: Symptom,
  outcome: LineBody<'fault-run'>['outcome'],
  { cured, projectId }: { readonly cured?: FaultCheck | undefined; readonly projectId?: string | undefined },
): LineBody<'fault-run'> => ({
  symptom,
  answers: cured ? [...answers, { check: cured, found: true }] : [...answers],
  outcome,
  ...(cured && { cured }),
  ...(projectId && { projectId }),
})
