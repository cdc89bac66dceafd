import * as Type from 'typebox'
import { MachinesFileSchema } from '../../exchange/machines-file'
import { Name } from '../../kit/project'
import { TRAIT_NAMES } from '../../knowledge/machine/trait'
import { TRAIT_SOURCES } from '../../machine/trait-source'
import { PhotographSchema } from '../../machine/photograph-schema'
import { VenueSettingsSchema } from '../../room/venue-settings-schema'
import { HouseRulesSchema } from '../../room/house-rules'
import { COORDINATOR, TEACHING } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { Id, Place, type Commands } from './shape'

const VENUE = { name: Name, timeZone: Type.String({ minLength: 1, maxLength: 60 }) }
const source = words(TRAIT_SOURCES)

/** Machines, where they stand, and the rules of the house. */
export const MACHINES = {
  'add-machine': {
    mayWrite: TEACHING,
    body: strict({
      machineId: Id,
      name: Name,
      number: Type.Integer({ minimum: 1, maximum: 9999 }),
      notes: Type.Optional(Type.String({ maxLength: 500 })),
      place: Place,
      traits: Type.Object({}, { additionalProperties: true }),
      source,
      /** traits that come from a template and that nobody has checked at this machine */
      unchecked: Type.Optional(Type.Array(words(TRAIT_NAMES), { uniqueItems: true })),
    }),
  },
  'set-trait': {
    mayWrite: TEACHING,
    body: strict({ machineId: Id, trait: words(TRAIT_NAMES), value: Type.Unknown(), source }),
  },
  /** what was said is not known any more */
  'put-trait-away': { mayWrite: TEACHING, body: strict({ machineId: Id, trait: words(TRAIT_NAMES) }) },
  /** somebody stands at it and says that what a template said is so */
  'confirm-traits': {
    mayWrite: TEACHING,
    body: strict({ machineId: Id, traits: Type.Array(words(TRAIT_NAMES), { minItems: 1, uniqueItems: true }) }),
  },
  /** null: none is kept any more */
  'set-machine-photograph': {
    mayWrite: TEACHING,
    body: strict({ machineId: Id, picture: Type.Union([PhotographSchema, Type.Null()]) }),
  },
  'place-machine': { mayWrite: TEACHING, body: strict({ machineId: Id, place: Place }) },
  /** every table, by number, in rows of so many from the front */
  'place-in-rows': { mayWrite: TEACHING, body: strict({ perRow: Type.Integer({ minimum: 1, maximum: 16 }) }) },
  'place-instructor': { mayWrite: TEACHING, body: strict({ place: Place }) },
  'import-machines': { mayWrite: COORDINATOR, body: strict({ file: MachinesFileSchema }) },
  'change-venue': {
    mayWrite: COORDINATOR,
    body: strict({
      ...VENUE,
      settings: Type.Optional(VenueSettingsSchema),
      /** as it stood when the change was begun */
      was: Type.Optional(strict({ ...VENUE, settings: Type.Optional(VenueSettingsSchema) })),
    }),
  },
  /** the whole venue is taken away as a file: nothing changes, and who took it is kept */
  'take-archive': { mayWrite: COORDINATOR, body: strict({}) },
  'change-house-rules': {
    mayWrite: COORDINATOR,
    body: strict({
      rules: HouseRulesSchema,
      /** as they stood when the change was begun; somebody else's change since is not lost in silence */
      was: Type.Optional(HouseRulesSchema),
    }),
  },
} as const satisfies Commands
