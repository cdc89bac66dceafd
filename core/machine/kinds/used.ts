import * as Type from 'typebox'
import { LOADS } from '../../knowledge/needle/wear'
import { STAFF } from '../../room/role'
import { Above0, From0, strict, words } from '../../schema/shape'
import { counted, named } from '../../units/words'
import { timeTold } from '../../wear/meter'
import { effectiveHoursOf, motorMinutesOf, type Use } from '../../wear/wear'
import { always, kind, ProjectId } from './kind'

const Whole = Type.Integer({ minimum: 0, maximum: 10_000_000 })

const UseSchema = strict(
  {
    load: words(LOADS),
    motorMinutes: Type.Optional(From0),
    chairMinutes: Type.Optional(From0),
    duty: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
    stitches: Type.Optional(From0),
    stitchesPerMinute: Type.Optional(Above0),
  },
  { oneOf: [{ required: ['motorMinutes'] }, { required: ['chairMinutes'] }, { required: ['stitches'] }] },
)

/**
 * So long nobody sews from one day of use to the next. A book does not say where its venue stands, and where midnight at Greenwich
 * falls into a class, that would be two days of use.
 */
const NIGHT_MS = 8 * 3_600_000

export const used = kind({
  body: strict({
    use: UseSchema,
    finishedProject: Type.Boolean(),
    /** fleece, batting and hairy thread: lint out at once */
    linty: Type.Optional(Type.Boolean()),
    /** what a run meter counted besides the motor's time; read-only, as nobody types it */
    metered: Type.Optional(strict({ stitches: Whole, starts: Whole }, { readOnly: true })),
    projectId: ProjectId,
  }),
  filter: 'needles',
  mayWrite: STAFF,
  fold: (state, { use, finishedProject }) => {
    const { fitting } = state
    if (!fitting) return state
    const projects = fitting.projects + (finishedProject ? 1 : 0)
    return { ...state, fitting: { ...fitting, uses: [...fitting.uses, use], projects } }
  },
  care: (counts, { use, linty = false }, { happenedAt }) => {
    const before = counts.timeToldAt
    const sameDay = before !== undefined && Date.parse(happenedAt) - Date.parse(before) < NIGHT_MS
    // What was done in the middle of a day holds until that is sewn on once more.
    const withDay = (days: number) => (sameDay ? Math.max(1, days) : days + 1)
    return {
      ...timeTold(counts, happenedAt),
      daysSinceClean: withDay(counts.daysSinceClean),
      daysSinceOil: withDay(counts.daysSinceOil),
      daysSinceRoomCheck: withDay(counts.daysSinceRoomCheck),
      usedSinceRoomCheckAt: counts.usedSinceRoomCheckAt ?? happenedAt,
      motorMinutesSinceService: counts.motorMinutesSinceService + motorMinutesOf(use),
      linty: counts.linty || linty,
    }
  },
  words: ({ use, metered, finishedProject }) => {
    const meter = metered
      ? ` by the run meter, ${counted(metered.stitches, 'stitch', 'stitches')} in ${counted(metered.starts, 'start')}`
      : ''
    const finished = finishedProject ? ' A project was finished.' : ''
    return {
      title: `Sewn, ${counted(effectiveHoursOf(use), 'needle hour')}`,
      detail: `${timeOf(use)}${meter}, ${named(use.load)} load.${finished}`,
    }
  },
  typed: {
    as: 'sewn',
    defaults: { 'use.load': { otherwise: 'ordinary', alsoWhen: () => true }, finishedProject: always(false) },
  },
})

const timeOf = ({ chairMinutes, motorMinutes, stitches = 0 }: Use): string => {
  if (chairMinutes !== undefined) return counted(chairMinutes, 'chair minute')
  return motorMinutes !== undefined ? counted(motorMinutes, 'motor minute') : counted(stitches, 'stitch', 'stitches')
}
