import 'server-only'
import { TRAIT_NAMES, TRAIT_QUESTIONS, TRAITS, type TraitName } from '@/core/knowledge/machine/trait'
import type { FieldSchema } from '@/ui/parts/trait-field'

export interface TraitQuestion {
  readonly trait: TraitName
  readonly question: string
  readonly schema: FieldSchema
}

/** Every trait with its question and its schema as plain data, for the forms. */
export const traitQuestions = (): TraitQuestion[] =>
  TRAIT_NAMES.map((trait) => ({
    trait,
    question: TRAIT_QUESTIONS[trait],
    schema: JSON.parse(JSON.stringify(TRAITS[trait])) as FieldSchema,
  }))
