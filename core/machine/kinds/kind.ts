import * as Type from 'typebox'
import type { Static, TSchema } from 'typebox'
import type { Role } from '../../room/role'
import type { Traits } from '../../knowledge/machine/trait'
import type { BookFilter } from '../book-filter'
import type { CareCounts, MachineState } from '../state'

/** A line of the book in words: what happened, and the numbers in it. */
export interface EventWords {
  readonly title: string
  readonly detail: string
}

/** When a line happened, and its id. */
export interface Moment {
  readonly happenedAt: string
  readonly eventId: string
}

/** What a line means where it says nothing: a value, one taken from the machine, or what another field implies. */
export interface LineDefault {
  readonly of?: (traits: Traits, state: MachineState) => string | number | boolean | undefined
  /** what another field that was said implies */
  readonly impliedBy?: { readonly path: string; readonly value: (said: string) => string | undefined }
  /** when neither gives a value that the field may hold */
  readonly otherwise?: string | number | boolean
  /** the part it stands in counts as spoken of, though nothing in it was typed */
  readonly alsoWhen?: (state: MachineState, spokenOf: ReadonlySet<string>) => boolean
}
export const always = (value: string | number | boolean): LineDefault => ({ of: () => value })

/** How a kind of line is typed in words. */
export interface Typed {
  /** the word it is typed by; absent: its own name */
  readonly as?: string
  /** other ways to say the same, whole */
  readonly also?: readonly string[]
  /** by field, what it means where nothing is said */
  readonly defaults?: Readonly<Record<string, LineDefault>>
  /** what must be said of some machines and goes without saying of others: the field, and where it is asked */
  readonly asks?: { readonly path: string; readonly when: (traits: Traits) => boolean }
}

/** All there is to know of one kind of line in a machine's book. */
export interface Kind<Body extends TSchema = TSchema> {
  readonly body: Body
  readonly filter: BookFilter
  /** a learner writes for the machine of their own seat only */
  readonly mayWrite: readonly Role[]
  /** what it does to the machine, what it makes stale with it; absent: nothing */
  readonly fold?: (state: MachineState, body: Static<Body>, line: Moment) => MachineState
  /** what it does to the counts from which care is judged; absent: nothing */
  readonly care?: (counts: CareCounts, body: Static<Body>, line: Moment) => CareCounts
  readonly words: (body: Static<Body>) => EventWords
  readonly typed?: Typed
}

/** Holds the parts of a kind together by the type of its body. */
export const kind = <Body extends TSchema>(of: Kind<Body>): Kind<Body> => of

export const Words = Type.String({ minLength: 1, maxLength: 500 })
export const Id = Type.String({ format: 'uuid' })
export const ProjectId = Type.Optional(Id)
/** for which session something lies ready; read-only, as a tick says it and nobody types it */
export const ForSession = Type.Optional(Type.String({ format: 'uuid', readOnly: true }))
