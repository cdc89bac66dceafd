import Type from 'typebox'
import { Above0, FibreWord, PointWord, strict, UseWord } from '@/core/schema/vocabulary'
import { command } from './command'

const Needle = strict({ kind: Type.Literal('needle'), point: PointWord, sizeNm: Above0 })
const Thread = strict({ kind: Type.Literal('thread'), tex: Above0, fibre: FibreWord, use: UseWord })

/** What was counted on the shelf; a new count of the same entry takes the old one's place. */
export const countStock = command(
  strict({
    stockEntryId: Type.String({ format: 'uuid' }),
    item: Type.Union([Needle, Thread]),
    count: Type.Integer({ minimum: 0, maximum: 100_000 }),
  }),
  () => 'count-stock',
  async ({ tx, actor }, { stockEntryId, item, count }) => {
    const row = { item: JSON.stringify(item), count, written_by: actor.personId }
    await tx
      .insertInto('stock_entry')
      .values({ site_id: actor.siteId, stock_entry_id: stockEntryId, ...row })
      .onConflict((conflict) => conflict.columns(['site_id', 'stock_entry_id']).doUpdateSet(row))
      .execute()
  },
)
