import type { Kysely, Transaction } from 'kysely'
import type { KitRoom } from '@/core/kit/for-room'
import type { OnHand } from '@/core/stock/ledger'
import type { Database } from '../database'
import { asKitStock, readShelves } from '../stock/stock'
import { readSite, type Site } from '../site/site'
import { readDropTests } from './drop-tests'

type Reader = Kysely<Database> | Transaction<Database>

/** What a room brings to every kit, with the shelves that it comes from, read at once. */
export async function readRoomAndShelves(
  store: Reader,
  { siteId, houseRules: rules }: Site,
): Promise<{ readonly room: KitRoom; readonly onHand: readonly OnHand[] }> {
  const [onHand, tests] = await Promise.all([readShelves(store, siteId), readDropTests(store, siteId)])
  const stock = asKitStock(onHand)
  return { room: { rules, dropTests: tests.map(({ test }) => test), ...(stock && { stock }) }, onHand }
}

/** What a room brings to every kit. */
export const readKitRoom = async (store: Reader, siteId: string): Promise<KitRoom> =>
  (await readRoomAndShelves(store, await readSite(store, siteId))).room
