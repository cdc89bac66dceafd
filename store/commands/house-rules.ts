import { mustBeAsSeen } from './as-seen'
import { command } from './command'

/** The room's choices, whole: what is sent takes the place of what was. */
export const changeHouseRules = command('change-house-rules', async ({ tx, actor }, { rules, was }) => {
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
})
