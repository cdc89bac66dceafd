import * as Type from 'typebox'
import { FibreWord, FootWord, PointWord, SizeWord, Tex, UseWord } from '../knowledge/vocabulary'
import { Above0, strict } from '../schema/shape'

const Needle = strict({
  kind: Type.Literal('needle'),
  /** the shank: a needle of another system never seats */
  system: Type.String({ minLength: 1, maxLength: 80, pattern: '\\S', description: 'with at least one letter' }),
  point: PointWord,
  sizeNm: SizeWord,
  gapMm: Type.Optional(Above0),
})
const Thread = strict({ kind: Type.Literal('thread'), tex: Tex, fibre: FibreWord, use: UseWord })
const Bobbin = strict({ kind: Type.Literal('bobbin'), bobbinClass: Type.String({ minLength: 1, maxLength: 40 }) })
const Foot = strict({ kind: Type.Literal('foot'), foot: FootWord })

/** Each kind by itself, for whoever says where a part of one is wrong. */
export const ITEM_SCHEMAS = { needle: Needle, thread: Thread, bobbin: Bobbin, foot: Foot } as const

/** What a shelf holds: needles by system, point and size, spools by thread, empty bobbins by class, feet by kind. */
export const StockItemSchema = Type.Union([Needle, Thread, Bobbin, Foot])
