import * as Type from 'typebox'
import type { Static, TSchema } from 'typebox'
import type { AlreadyHere } from '../exchange/already-here'
import type { BadMachineRow, MachineRow } from '../exchange/machine-rows'
import type { ReadRows } from '../exchange/project-rows'
import type { BadShelfRow, ShelfRow } from '../exchange/shelf-rows'
import type { LineMachine } from '../log-line/log-line'
import type { Role } from '../room/role'
import { strict, words } from '../schema/shape'
import { CALL_ENDS } from '../people/help-call'
import type { LiveRoom } from '../session/live-room'
import type { Help } from '../session/session-plan'
import type { AskName } from './ask-paths'
import { OneTimeCode } from './commands/shape'
import { Email } from './entries'

const Id = Type.String({ format: 'uuid' })
const Words = Type.String()
const SheetText = Type.String({ minLength: 1, maxLength: 500_000 })
/** What the core has reckoned, as the core's own type has it. */
const reckoned = <What>() => Type.Unsafe<What>({})

/** A plan on the way, in short. */
const InShort = {
  seated: Type.Integer(),
  of: Type.Integer(),
  changeoverMinutes: Type.Number(),
  boundMinutes: Type.Number(),
}
/** What went wrong after the first line had gone out. */
const Failed = strict({ error: strict({ code: Words, message: Words, path: Words }) })

const Week = strict({
  sessionId: Id,
  seats: Type.Array(strict({ student: Words, machine: Words, block: Type.Integer() })),
  changeoverMinutes: Type.Number(),
  optimal: Type.Boolean(),
  unseated: Type.Array(strict({ name: Words, because: Words })),
  help: reckoned<readonly Help[]>(),
  needles: Type.Array(strict({ words: Words, count: Type.Integer() })),
  runsOut: Type.Array(Words),
})

/** A call as a screen shows it: every word and time of day made on the server, where the knowledge and the venue's zone are. */
const Call = strict({
  callId: Id,
  /** absent: whoever calls sits at none just now */
  machineId: Type.Optional(Id),
  /** "Heron, no. 1" */
  where: Words,
  who: Words,
  about: Type.Union([Type.Literal('help'), Type.Literal('hurt'), Type.Literal('visit')]),
  calledAt: Words,
  since: Words,
  words: Words,
  seen: Type.Optional(strict({ at: Words, by: Words })),
  going: Type.Optional(strict({ at: Words, by: Words, personId: Id })),
  ended: Type.Optional(strict({ at: Words, how: words(CALL_ENDS) })),
})

/** A call as anybody in the room may read it. */
const UnnamedCall = strict({
  callId: Id,
  about: Type.Union([Type.Literal('help'), Type.Literal('hurt'), Type.Literal('visit')]),
  /** "Heron, no. 1"; absent: at no machine */
  where: Type.Optional(Words),
  since: Words,
  /** absent: nobody yet */
  going: Type.Optional(Type.Literal(true)),
})

/** A learner's line that was not taken when it came, as a screen shows it. */
const Left = strict({
  lineId: Id,
  machineId: Id,
  where: Words,
  who: Words,
  /** when it happened */
  at: Words,
  words: Words,
  because: Words,
  decided: Type.Optional(strict({ taken: Type.Boolean(), by: Words })),
})

export interface Ask {
  /** absent: it is only read */
  readonly body?: TSchema
  /** whole, or a line of JSON at a time, or events of these names as they come */
  readonly answer?: TSchema
  readonly line?: TSchema
  readonly events?: Readonly<Record<string, TSchema>>
}

/** What a page asks over HTTP besides pages and writes, with the one schema of each question and answer. */
export const ASKS = {
  'read-kit-sheet': {
    /** `courseId`: the class that it is for: lines that hang there already are told apart */
    body: strict({ text: SheetText, courseId: Type.Optional(Id) }),
    answer: reckoned<ReadRows & { readonly here: readonly (AlreadyHere | null)[] }>(),
  },
  'read-machine-sheet': {
    body: strict({ text: SheetText }),
    answer: reckoned<{ readonly good: readonly MachineRow[]; readonly bad: readonly BadMachineRow[] }>(),
  },
  'read-shelf-sheet': {
    body: strict({ text: SheetText }),
    answer: reckoned<{ readonly good: readonly ShelfRow[]; readonly bad: readonly BadShelfRow[] }>(),
  },
  'line-facts': {
    answer: reckoned<{ readonly role: Role; readonly machines: readonly LineMachine[] }>(),
  },
  /** pages that whoever asks may need where there is no network */
  'kept-pages': { answer: strict({ paths: Type.Array(Words) }) },
  'read-device': { answer: strict({ line: Words }) },
  /** somebody may soon ask for a plan */
  'ready-planner': { answer: strict({ ready: Type.Literal(true) }) },
  'plan-session': {
    body: strict({
      /** under which the plan is kept */
      commandId: Id,
      basedOn: Type.Union([Id, Type.Null()]),
      /** a session under way is planned anew from this block on */
      fromBlock: Type.Optional(Type.Integer({ minimum: 1, maximum: 12 })),
    }),
    /** the plan is kept as soon as it is found; what would help comes after it and may be waited for or not */
    line: Type.Union([
      strict({ better: strict(InShort) }),
      strict({ kept: Id, ...InShort }),
      strict({ help: Type.Integer() }),
      Failed,
    ]),
  },
  'plan-course': {
    body: strict({}),
    /** each session as it is planned; `planned` once all are, and then again those where something would help */
    line: Type.Union([
      strict({ week: Week }),
      strict({ planned: Type.Literal(true) }),
      strict({ done: Type.Literal(true) }),
      Failed,
    ]),
  },
  /** how whoever opened it signs in there; shown once */
  'practice-room': {
    body: strict({ how: Type.Union([Type.Literal('open'), Type.Literal('throw-away')]) }),
    answer: strict({ email: Type.Optional(Words), password: Type.Optional(Words) }),
  },
  /** a code that was just made, to whom it is for; the address is kept nowhere */
  'mail-code': { body: strict({ code: OneTimeCode, email: Email }), answer: strict({ sent: Type.Literal(true) }) },
  /** all that one page watches, on one line to the server: whole at once, each again whenever it is another */
  told: {
    events: {
      calls: strict({ now: Words, calls: Type.Array(Call), left: Type.Array(Left) }),
      /** the same for a screen that stands in the room before nobody in particular: that somebody calls and where, not who */
      'calls-unnamed': strict({ now: Words, calls: Type.Array(UnnamedCall) }),
      /** the room, and a text that changes whenever anything that its pages are drawn of does */
      'live-room': strict({ now: Words, room: reckoned<LiveRoom>(), version: Words }),
      /**
       * another text whenever a learner sits elsewhere, or anything that their pages show of it is another than it was; and which of
       * the machines that they sat at are stopped
       */
      'own-seat': strict({
        now: Words,
        seat: Words,
        whole: Words,
        machineId: Type.Optional(Id),
        stopped: Type.Array(strict({ machineId: Id, name: Words })),
      }),
      /** another text whenever the room, or the machine of that id, is another than it was */
      machines: strict({ now: Words, whole: Words, each: Type.Record(Id, Words) }),
    },
  },
} as const satisfies Readonly<Record<AskName, Ask>>

type Part<Name extends AskName, Of extends 'body' | 'answer' | 'line'> = (typeof ASKS)[Name] extends {
  readonly [_ in Of]: infer Schema extends TSchema
}
  ? Static<Schema>
  : never
export type Asked<Name extends AskName> = Part<Name, 'body'>
export type Answered<Name extends AskName> = Part<Name, 'answer'>
export type LineOf<Name extends AskName> = Part<Name, 'line'>

type Events = (typeof ASKS)['told']['events']
/** What a page can be told of. */
export type EventAsk = keyof Events
export type EventOf<Name extends EventAsk> = Static<Events[Name]>

type Named<Kind extends 'answer' | 'line'> = {
  [Name in AskName]: (typeof ASKS)[Name] extends { readonly [_ in Kind]: TSchema } ? Name : never
}[AskName]
export type WholeAsk = Named<'answer'>
export type LinesAsk = Named<'line'>

export type ShownCall = EventOf<'calls'>['calls'][number]
export type UnnamedCall = EventOf<'calls-unnamed'>['calls'][number]
export type ShownLeft = EventOf<'calls'>['left'][number]
export type PlanInShort = Extract<LineOf<'plan-session'>, { better: unknown }>['better']
export type PlannedWeek = Extract<LineOf<'plan-course'>, { week: unknown }>['week']
