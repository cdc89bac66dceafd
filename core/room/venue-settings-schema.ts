import * as Type from 'typebox'
import { strict, words } from '../schema/shape'
import { LOGO_MOST_LETTERS, SHORTEST_RETENTION_MONTHS } from './venue-settings'

/** In what it measures and weighs. */
export const UnitsSchema = strict({
  length: words(['metric', 'inch'] as const),
  mass: words(['grams', 'ounces'] as const),
})

/** The colour of a thread as a screen shows it. */
export const ThreadColourSchema = Type.String({ pattern: '^#[0-9a-fA-F]{6}$', description: 'like #22406b' })

/** The two colours in which test swatches are sewn: one above, one below, told apart by every eye. */
export const TestThreadsSchema = strict({ top: ThreadColourSchema, bobbin: ThreadColourSchema })

/** A small picture for paper: a whole PNG as a data address, since nothing else of a file may run or tell where it came from. */
export const LogoSchema = Type.String({
  maxLength: LOGO_MOST_LETTERS,
  pattern: '^data:image/png;base64,iVBORw0KGgo[A-Za-z0-9+/]+={0,2}$',
  description: 'a small PNG picture',
})

/** What a venue says of itself besides its name and clock. */
export const VenueSettingsSchema = strict({
  /** 0 is Sunday */
  weekStartsOn: Type.Union([Type.Literal(0), Type.Literal(1), Type.Literal(6)]),
  /** on which days of the week it is open, 0 is Sunday; all seven where nobody has said */
  openDays: Type.Array(Type.Integer({ minimum: 0, maximum: 6 }), { uniqueItems: true, minItems: 1 }),
  /** in what it measures; absent: metric, in grams */
  units: Type.Optional(UnitsSchema),
  /** absent: the ordinary two */
  testThreads: Type.Optional(TestThreadsSchema),
  /** stands beside its name on what is printed; absent: the name alone */
  logo: Type.Optional(LogoSchema),
  /** whether a screen on the wall says who sits where; absent: it does */
  namesOnWall: Type.Optional(Type.Boolean()),
  /** whether it keeps photographs of its machines; absent: it keeps none */
  photographs: Type.Optional(Type.Boolean()),
  /** months after their last day in which a learner is erased; absent: never by itself */
  learnersAfterMonths: Type.Optional(Type.Integer({ minimum: SHORTEST_RETENTION_MONTHS, maximum: 120 })),
})
