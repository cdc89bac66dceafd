import type { Kysely, Transaction } from 'kysely'
import type { DropTest } from '@/core/kit/needle-fit'
import { DropTestSchema } from '@/core/kit/kit-schema'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

export interface DropTestKept {
  readonly dropTestId: string
  readonly test: DropTest
  readonly testedAt: Date
  readonly testedBy: string
}

/** Drop tests of the room, newest first; the newest of a needle with a thread is the one that counts. */
export async function readDropTests(store: Reader, siteId: string, most = 1000): Promise<DropTestKept[]> {
  const rows = await store
    .selectFrom('drop_test')
    .select(['drop_test_id', 'point', 'size_nm', 'thread', 'result', 'tested_at', 'tested_by'])
    .where('site_id', '=', siteId)
    .orderBy('tested_at', 'desc')
    .orderBy('drop_test_id', 'desc')
    .limit(most)
    .execute()
  return rows.map((row) => ({
    dropTestId: row.drop_test_id,
    test: check(DropTestSchema, {
      point: row.point,
      sizeNm: Number(row.size_nm),
      thread: row.thread,
      result: row.result,
    }),
    testedAt: row.tested_at,
    testedBy: row.tested_by,
  }))
}
