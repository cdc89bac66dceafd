import type { Kysely, Transaction } from 'kysely'
import type { KitRoom } from '@/core/kit/for-room'
import type { Database } from '../database'
import { readStock } from '../stock/stock'
import { readSite } from '../site/site'
import { readDropTests } from './drop-tests'

type Reader = Kysely<Database> | Transaction<Database>

/** What a room brings to every kit, read at once. */
export async function readKitRoom(store: Reader, siteId: string): Promise<KitRoom> {
  const [site, stock, tests] = await Promise.all([
    readSite(store, siteId),
    readStock(store, siteId),
    readDropTests(store, siteId),
  ])
  return { rules: site.houseRules, dropTests: tests.map(({ test }) => test), ...(stock && { stock }) }
}
