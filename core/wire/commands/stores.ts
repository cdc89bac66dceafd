import * as Type from 'typebox'
import { STAFF, TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { StockItemSchema } from '../../stock/item-schema'
import { Because, type Commands } from './shape'

const MOST = 100_000
const From0 = Type.Integer({ minimum: 0, maximum: MOST })
const From1 = Type.Integer({ minimum: 1, maximum: MOST })

/** What comes, is counted, is taken. */
export const STORES = {
  'receive-stock': { mayWrite: TEACHING, body: strict({ item: StockItemSchema, count: From1 }) },
  'count-stock': { mayWrite: TEACHING, body: strict({ item: StockItemSchema, count: From0 }) },
  'take-stock': {
    mayWrite: STAFF,
    body: strict({ item: StockItemSchema, count: From1, because: Type.Optional(Because) }),
  },
  /** an empty shelf is kept no more; counting it again brings it back */
  'put-shelf-away': { mayWrite: TEACHING, body: strict({ item: StockItemSchema }) },
  'adjust-stock': {
    mayWrite: TEACHING,
    body: strict({
      item: StockItemSchema,
      change: Type.Integer({ minimum: -MOST, maximum: MOST }),
      because: Because,
    }),
  },
} as const satisfies Commands
