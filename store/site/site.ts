import type { Kysely, Transaction } from 'kysely'
import { HouseRulesSchema, type HouseRules } from '@/core/room/house-rules'
import type { VenueSettings } from '@/core/room/venue-settings'
import { VenueSettingsSchema } from '@/core/room/venue-settings-schema'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

export interface Site {
  readonly siteId: string
  readonly name: string
  readonly timeZone: string
  readonly houseRules: HouseRules
  /** a demo or training venue */
  readonly practice: boolean
  readonly settings: VenueSettings
  /** where the instructor's own table stands, tenths of a metre; absent: nobody has said */
  readonly instructorAt?: { readonly x: number; readonly y: number }
}

export async function readSite(store: Reader, siteId: string): Promise<Site> {
  const row = await store.selectFrom('site').selectAll().where('site_id', '=', siteId).executeTakeFirstOrThrow()
  return {
    siteId,
    name: row.name,
    timeZone: row.time_zone,
    houseRules: check(HouseRulesSchema, row.house_rules),
    practice: row.practice,
    settings: check(VenueSettingsSchema, row.settings),
    ...(row.instructor_x !== null &&
      row.instructor_y !== null && { instructorAt: { x: row.instructor_x, y: row.instructor_y } }),
  }
}

/** Names of everybody the site knows, by person id; a book names people by id only. */
export async function readNames(store: Reader, siteId: string): Promise<ReadonlyMap<string, string>> {
  const rows = await store.selectFrom('person').select(['person_id', 'name']).where('site_id', '=', siteId).execute()
  return new Map(rows.map((row) => [row.person_id, row.name]))
}
