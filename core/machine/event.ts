import * as Type from 'typebox'
import type { Static, TSchema } from 'typebox'
import type { Sent } from '../schema/sent'
import { EVERYONE, type Role } from '../room/role'
import { strict } from '../schema/shape'
import type { BookFilter } from './book-filter'
import { Id, Words, type EventWords, type Kind } from './kinds/kind'
import { KINDS } from './kinds/kinds'

export type PlainKind = keyof typeof KINDS
export const PLAIN_KINDS = Object.keys(KINDS) as PlainKind[]
export type BodyOf<Kind extends PlainKind> = Static<(typeof KINDS)[Kind]['body']>

/** What happened: a kind with the body that belongs to it. */
export type Happening = { [Kind in PlainKind]: { readonly kind: Kind; readonly body: BodyOf<Kind> } }[PlainKind]

/** A mistake is mended by another line that names it: it takes the old line away or stands in its place. */
export interface Correction {
  readonly kind: 'correction'
  readonly body: { readonly corrects: string; readonly because: string; readonly replacement?: Happening }
}

export type EventKind = PlainKind | 'correction'
export const EVENT_KINDS: readonly EventKind[] = [...PLAIN_KINDS, 'correction']

/** The body of a line of any kind as it is sent, a correction's too. */
export type LineBody<Kind extends EventKind> = Sent<Kind extends PlainKind ? BodyOf<Kind> : Correction['body']>

/** One line in a machine's book. Ids are made by the client (UUID v7); the person is named by id only. */
export type MachineEvent = (Happening | Correction) & {
  readonly eventId: string
  /** UTC, ISO 8601 with milliseconds, so that text order is time order */
  readonly happenedAt: string
  readonly personId: string
}

const CORRECTION = {
  body: strict({
    corrects: Id,
    because: Words,
    replacement: Type.Optional(
      Type.Union(PLAIN_KINDS.map((kind) => strict({ kind: Type.Literal(kind), body: KINDS[kind].body }))),
    ),
  }),
  filter: 'notes',
  // Further held to lines that the person could have written: see the command.
  mayWrite: EVERYONE,
} as const satisfies Pick<Kind, 'body' | 'filter' | 'mayWrite'>

const anyKind = (
  kind: EventKind,
): { readonly body: TSchema; readonly filter: BookFilter; readonly mayWrite: readonly Role[] } =>
  kind === 'correction' ? CORRECTION : KINDS[kind]

/** The schema of a body by its kind. */
export const eventBody = <Name extends EventKind>(
  kind: Name,
): Name extends PlainKind ? (typeof KINDS)[Name]['body'] : typeof CORRECTION.body =>
  anyKind(kind).body as ReturnType<typeof eventBody<Name>>

/** Which filter of the book a line falls under. */
export const filterOf = (kind: EventKind): BookFilter => anyKind(kind).filter

/** Who may write it, before locks and seats are asked. */
export const writersOf = (kind: EventKind): readonly Role[] => anyKind(kind).mayWrite

/** The kind of what happened, for the body that came with it: the one place where the two are taken to belong together. */
export const kindOf = ({ kind }: Happening): Kind => KINDS[kind]

export const eventWords = (happened: Happening): EventWords => kindOf(happened).words(happened.body)
