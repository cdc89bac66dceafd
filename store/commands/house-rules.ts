import Type from 'typebox'
import { HouseRulesSchema } from '@/core/schema/house-rules'
import { strict } from '@/core/schema/vocabulary'
import { mustBeAsSeen } from './as-seen'
import { command } from './command'

/** The room's choices, whole: what is sent takes the place of what was. */
export const changeHouseRules = command(
  strict({
    rules: HouseRulesSchema,
    /** as they stood when the change was begun; somebody else's change since is not lost in silence */
    was: Type.Optional(HouseRulesSchema),
  }),
  () => 'change-house-rules',
  async ({ tx, actor }, { rules, was }) => {
    const { house_rules } = await tx
      .selectFrom('site')
      .select('house_rules')
      .where('site_id', '=', actor.siteId)
      .forNoKeyUpdate()
      .executeTakeFirstOrThrow()
    mustBeAsSeen(was, house_rules, 'The house rules')
    await tx
      .updateTable('site')
      .set({ house_rules: JSON.stringify(rules) })
      .where('site_id', '=', actor.siteId)
      .execute()
  },
)
