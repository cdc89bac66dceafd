import * as Type from 'typebox'
import type { Static } from 'typebox'
import { Name } from '../kit/project'
import { strict } from '../schema/shape'
import { UnitsSchema } from '../room/venue-settings-schema'

export const Email = Type.String({ format: 'email', maxLength: 200 })
const Password = Type.String({ minLength: 10, maxLength: 128 })
const Typed = Type.String({ minLength: 1, maxLength: 40 })

/** What somebody sends who is not signed in yet, by name: nothing is written in anybody's name. */
export const ENTRIES = {
  setup: strict({
    word: Typed,
    venue: Name,
    timeZone: Type.String({ minLength: 1, maxLength: 60 }),
    units: Type.Optional(UnitsSchema),
    name: Name,
    email: Email,
    password: Password,
  }),
  /** a practice room before there is anything else, for whoever has the setup word */
  practice: strict({ word: Typed }),
  /** a code for a new password is mailed to whoever signs in with this address */
  forgotten: strict({ email: Email }),
  /** `email` is asked of those who come for the first time */
  join: strict({ code: Typed, email: Type.Optional(Email), password: Password }),
} as const

export type EntryName = keyof typeof ENTRIES
export type EntryBody<Name extends EntryName> = Static<(typeof ENTRIES)[Name]>

/** Who they sign in as now, or would. */
export interface EntryAnswer {
  readonly email: string
  /** of a sign-in that was just made for them */
  readonly password?: string
}
