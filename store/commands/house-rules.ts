import { HouseRulesSchema } from '@/core/schema/house-rules'
import { strict } from '@/core/schema/vocabulary'
import { command } from './command'

/** The room's choices, whole: what is sent takes the place of what was. */
export const changeHouseRules = command(
  strict({ rules: HouseRulesSchema }),
  () => 'change-house-rules',
  async ({ tx, actor }, { rules }) => {
    await tx
      .updateTable('site')
      .set({ house_rules: JSON.stringify(rules) })
      .where('site_id', '=', actor.siteId)
      .execute()
  },
)
