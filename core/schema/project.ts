import Type, { type Static } from 'typebox'
import { KitFabricSchema, LayersSchema } from './kit'
import { OperationWord, strict } from './vocabulary'

export const Name = Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' })

/** What one learner makes, as far as its kit depends on it. */
export const ProjectSchema = strict({
  name: Name,
  fabric: KitFabricSchema,
  layers: LayersSchema,
  operation: OperationWord,
})
export type ProjectFacts = Static<typeof ProjectSchema>
