import { sql, type Kysely } from 'kysely'
import { stringify as stableText } from 'safe-stable-stringify'
import { DEFAULT_HOUSE_RULES, HouseRulesSchema } from '@/core/room/house-rules'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

/** How far a venue is on its way to its first session: how many there are of each thing. */
export interface Beginning {
  readonly machines: number
  readonly shelves: number
  readonly classes: number
  readonly bags: number
  readonly staff: number
  readonly sessions: number
  /** whether it says who helps when somebody is hurt */
  readonly firstAid: boolean
  /** whether somebody has said where the instructor stands */
  readonly arranged: boolean
  /** whether the house rules are other than they were at first */
  readonly ownRules: boolean
}

export async function readBeginning(store: Kysely<Database>, siteId: string): Promise<Beginning> {
  const count = (from: string, what = '*') =>
    sql<number>`(select count(${sql.raw(what)})::int from ${sql.table(from)} where site_id = ${siteId})`
  const row = await store
    .selectFrom('site')
    .select([
      'house_rules',
      'instructor_x',
      count('machine').as('machines'),
      count('stock_move', 'distinct item_key').as('shelves'),
      count('course').as('classes'),
      count('project').as('bags'),
      count('session').as('sessions'),
      sql<number>`(select count(*)::int from membership where site_id = ${siteId} and role <> 'learner')
        + (select count(*)::int from invitation where site_id = ${siteId} and used_at is null and ended_at is null)`.as(
        'staff',
      ),
    ])
    .where('site_id', '=', siteId)
    .executeTakeFirstOrThrow()
  const { house_rules, instructor_x, ...counts } = row
  const { firstAid, ...rules } = check(HouseRulesSchema, house_rules)
  return {
    ...counts,
    firstAid: Boolean(firstAid?.firstAider && firstAid.box),
    arranged: instructor_x !== null,
    ownRules: stableText(rules) !== stableText(DEFAULT_HOUSE_RULES),
  }
}
