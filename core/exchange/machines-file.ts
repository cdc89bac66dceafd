import * as Type from 'typebox'
import type { Static } from 'typebox'
import { EVENT_KINDS } from '../machine/event'
import { TRAIT_NAMES } from '../knowledge/machine/trait'
import { TRAIT_SOURCES } from '../machine/trait-source'
import { Name } from '../kit/project'
import { strict, words } from '../schema/shape'

const Id = Type.String({ format: 'uuid' })
const Time = Type.String({ format: 'date-time' })
const Tenths = Type.Integer({ minimum: 0, maximum: 400 })

/** A room's machines with their traits and their books, as they are written out and read back without loss. */
export const MachinesFileSchema = strict({
  orthodex: Type.Literal('machines'),
  version: Type.Literal(1),
  /** everybody whom a book names */
  people: Type.Array(strict({ personId: Id, name: Name }), { maxItems: 10_000 }),
  machines: Type.Array(
    strict({
      machineId: Id,
      name: Name,
      number: Type.Integer({ minimum: 1, maximum: 9999 }),
      notes: Type.String({ maxLength: 500 }),
      place: strict({ x: Tenths, y: Tenths }),
      /** each value is checked against its trait's own schema */
      traits: Type.Array(
        strict({
          trait: words(TRAIT_NAMES),
          value: Type.Unknown(),
          source: words(TRAIT_SOURCES),
          learntBy: Id,
          learntAt: Time,
        }),
        { maxItems: TRAIT_NAMES.length },
      ),
      /** oldest first; each body is checked against its kind's own schema */
      book: Type.Array(
        strict({
          eventId: Id,
          happenedAt: Time,
          personId: Id,
          kind: words(EVENT_KINDS),
          body: Type.Unknown(),
        }),
        { maxItems: 100_000 },
      ),
    }),
    { maxItems: 1000 },
  ),
})

export type MachinesFile = Static<typeof MachinesFileSchema>
