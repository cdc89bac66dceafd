import * as Type from 'typebox'
import { strict } from '../schema/shape'
import { HouseRulesSchema } from './house-rules'

const RULES = HouseRulesSchema.properties

/** What one class does in its own way; whatever is absent is as the room has it. */
export const ClassSettingsSchema = strict({
  /** a session of this class, unless somebody says otherwise */
  usual: Type.Optional(
    strict({
      /** on the venue's clock */
      from: Type.String({ pattern: '^([01][0-9]|2[0-3]):[0-5][0-9]$', description: 'a time such as 18:00' }),
      minutes: Type.Integer({ minimum: 15, maximum: 720 }),
      blocks: Type.Integer({ minimum: 1, maximum: 12 }),
    }),
  ),
  tension: Type.Optional(RULES.tension),
  beginners: RULES.beginners,
  /** nobody is asked their age: it is said of the class */
  supervised: Type.Optional(
    strict({
      /** years */
      under: Type.Integer({ minimum: 5, maximum: 21 }),
      /** learners at machines to one member of staff */
      toOne: Type.Integer({ minimum: 1, maximum: 12 }),
    }),
  ),
})
