import * as Type from 'typebox'
import type { Static } from 'typebox'
import { KitFabricSchema, LayersSchema } from './kit-schema'
import { OperationWord } from '../knowledge/vocabulary'
import { strict } from '../schema/shape'

/** A name as people write it, in any script; nothing that breaks a line, and nothing that turns the writing of others round. */
export const Name = Type.String({
  minLength: 1,
  maxLength: 80,
  pattern:
    '^[^\\u0000-\\u001F\\u007F-\\u009F\\u2028-\\u202E\\u2066-\\u2069]*[^\\s\\u0000-\\u001F\\u007F-\\u009F\\u2028-\\u202E\\u2066-\\u2069][^\\u0000-\\u001F\\u007F-\\u009F\\u2028-\\u202E\\u2066-\\u2069]*$',
  description: 'with at least one letter, and without line breaks or control characters',
})

/** How much is sewn: metres of seam, and how many seams begin. */
export const SewnSchema = strict({
  seamM: Type.Number({ minimum: 0, maximum: 500 }),
  starts: Type.Integer({ minimum: 0, maximum: 500 }),
})
export type Sewn = Static<typeof SewnSchema>

/** What one learner makes, as far as its kit depends on it. */
export const ProjectSchema = strict({
  name: Name,
  fabric: KitFabricSchema,
  layers: LayersSchema,
  operation: OperationWord,
  sewn: Type.Optional(SewnSchema),
})
export type ProjectFacts = Static<typeof ProjectSchema>
