import * as Type from 'typebox'
import type { Static } from 'typebox'
import { NEEDLE_SCHOOLS } from '../knowledge/needle/wear'
import { ROOM_NUMBER_NAMES, ROOM_NUMBERS, type RoomNumberName } from '../knowledge/room-number'
import { SCHOOLS, type School, type Schools } from '../knowledge/school'
import { Above0, strict, words } from '../schema/shape'

const Words = Type.String({ minLength: 1, maxLength: 200, pattern: '\\S', description: 'with at least one letter' })

/** What a room chose where practitioners differ, each of the ways that there are. */
export const SchoolsSchema = strict(
  Object.fromEntries(
    Object.entries(SCHOOLS).map(([school, { ways }]) => [school, Type.Optional(words(Object.keys(ways)))]),
  ) as { [Name in School]: Type.TOptional<Type.TUnsafe<NonNullable<Schools[Name]>>> },
)

/** Numbers that a room may change, within reason. */
export const RoomNumbersSchema = strict(
  Object.fromEntries(
    ROOM_NUMBER_NAMES.map((name) => {
      const { min, max } = ROOM_NUMBERS[name]
      return [name, Type.Optional(Type.Number({ minimum: min, maximum: max }))]
    }),
  ) as Record<RoomNumberName, Type.TOptional<Type.TNumber>>,
)

/** Whom to call and where things are, as the venue says it. */
export const FirstAidSchema = strict({
  firstAider: Type.Optional(Words),
  box: Type.Optional(Words),
  emergency: Type.Optional(Words),
})

/** What a room has chosen where practitioners differ. Absent schools mean the reasoned default. */
export const HouseRulesSchema = strict({
  schools: SchoolsSchema,
  needle: strict({ school: words(NEEDLE_SCHOOLS), lifeHours: Above0, n: Above0 }),
  /** whether learners turn the dial themselves */
  tension: words(['hands-on', 'hands-off'] as const),
  /** share of chair time in which a beginner's motor runs */
  duty: Type.Number({ minimum: 0, maximum: 1 }),
  /** whether bobbins are wound for people who unpick */
  beginners: Type.Optional(Type.Boolean()),
  /** the venue's own words for when somebody is hurt */
  firstAid: Type.Optional(FirstAidSchema),
  /** numbers that this room has changed; absent ones are the usual */
  numbers: Type.Optional(RoomNumbersSchema),
})

export type HouseRules = Static<typeof HouseRulesSchema>

export const DEFAULT_HOUSE_RULES: HouseRules = {
  schools: {},
  needle: { school: 'whichever-first', lifeHours: 8, n: 3 },
  tension: 'hands-on',
  duty: 0.15,
}
