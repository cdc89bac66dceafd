import Type, { type Static } from 'typebox'
import { KitsFileSchema } from '../exchange/kits-file'
import { MachinesFileSchema } from '../exchange/machines-file'
import { EVENT_KINDS, type EventKind } from '../machine/event'
import { TRAIT_NAMES, TRAITS } from '../knowledge/machine/trait'
import { TRAIT_SOURCES } from '../machine/trait-source'
import { CallFoundSchema } from '../people/help-call'
import { KEY_PURPOSES } from '../people/key'
import { PERSON_EVENTS, SKILLS } from '../people/progress'
import { type Action } from '../people/role'
import { STAFF_ROLES } from '../room/role'
import { FARTHEST } from '../room/table'
import { HouseRulesSchema } from '../room/house-rules'
import { DropTestSchema, OverrideSchema } from '../kit/kit-schema'
import { Name, ProjectSchema } from '../kit/project'
import {
  AccessNeedsSchema,
  ComesSchema,
  PAIR_KINDS,
  SessionTimesSchema,
  SessionPlanSchema,
} from '../session/session-schema'
import type { Sent } from '../schema/sent'
import { PointWord } from '../knowledge/vocabulary'
import { Above0, strict, words } from '../schema/shape'
import { StockItemSchema } from '../stock/item'

const Id = Type.String({ format: 'uuid' })
const Words = Type.String({ minLength: 1, maxLength: 200 })
const Because = Type.String({ minLength: 3, maxLength: 300 })
const MOST = 100_000
const From0 = Type.Integer({ minimum: 0, maximum: MOST })
const From1 = Type.Integer({ minimum: 1, maximum: MOST })
const Tenths = Type.Integer({ minimum: 0, maximum: FARTHEST })
const source = words(TRAIT_SOURCES)
const { name: _name, ...WITHOUT_NAME } = ProjectSchema.properties
const { proof: _proof, ...SEATS } = SessionPlanSchema.properties

const GIVEN = {
  projectId: Id,
  machineId: Id,
  /** absent: the best that the core says */
  needle: Type.Optional(strict({ point: PointWord, sizeNm: Above0, gapMm: Type.Optional(Above0) })),
  /** the thread tells two ways with the same needle apart */
  threadTex: Type.Optional(Above0),
  /** absent: what a person chose by hand before goes with its owner; empty: nothing does */
  overrides: Type.Optional(Type.Array(OverrideSchema, { maxItems: 7 })),
}

/**
 * Everything that can be written, by the name it has on the wire, with the one schema of its body: screens are held to it when
 * they are compiled, the server when it is sent. What each does stands in the store.
 */
export const COMMAND_BODIES = {
  // Lines in books
  log: strict({
    machineId: Id,
    happenedAt: Type.String({ format: 'date-time' }),
    kind: words(EVENT_KINDS),
    /** of the kind's own schema, which is looked at by itself so that a fault is told of that kind alone */
    body: Type.Unknown(),
  }),
  // Calls for help
  'call-staff': strict({ machineId: Id, found: CallFoundSchema }),
  'take-call-back': strict({ callId: Id }),
  'see-calls': strict({ callIds: Type.Array(Id, { minItems: 1, maxItems: 200, uniqueItems: true }) }),
  'go-to-call': strict({ callId: Id }),
  'end-call': strict({ callId: Id }),
  // Classes, projects, kits
  'open-course': strict({
    courseId: Id,
    name: Name,
    /** absent: the machine makes one, which nobody guesses */
    classCode: Type.Optional(
      Type.String({ pattern: '^[a-z0-9]{8,20}$', description: 'of 8 to 20 small letters and digits' }),
    ),
  }),
  'add-project': strict({
    projectId: Id,
    courseId: Id,
    /** ids for the learner, used when the class has nobody of that name yet */
    personId: Id,
    enrolmentId: Id,
    learner: Name,
    ...ProjectSchema.properties,
  }),
  'add-projects': strict({
    courseId: Id,
    projects: Type.Array(
      strict({
        projectId: Id,
        personId: Id,
        enrolmentId: Id,
        learner: Name,
        ...ProjectSchema.properties,
        /** a bag that hangs already: it gets this cloth and this work in place of its own */
        replaces: Type.Optional(Id),
      }),
      { minItems: 1, maxItems: 500 },
    ),
  }),
  'change-project': strict({
    projectId: Id,
    ...WITHOUT_NAME,
    /** as it stood when the change was begun */
    was: Type.Optional(strict(WITHOUT_NAME)),
  }),
  'give-kit': strict(GIVEN),
  'give-kits': strict({ kits: Type.Array(strict({ kitGivenId: Id, ...GIVEN }), { minItems: 1, maxItems: 200 }) }),
  'take-kits-back': strict({ kitGivenIds: Type.Array(Id, { minItems: 1, maxItems: 200, uniqueItems: true }) }),
  'import-kits': strict({ file: KitsFileSchema }),
  'log-drop-test': strict({
    ...DropTestSchema.properties,
    testedAt: Type.Optional(Type.String({ format: 'date-time' })),
  }),
  // Machines and the room
  'add-machine': strict({
    machineId: Id,
    name: Name,
    number: Type.Integer({ minimum: 1, maximum: 9999 }),
    notes: Type.Optional(Type.String({ maxLength: 500 })),
    place: strict({ x: Tenths, y: Tenths }),
    traits: Type.Object({}, { additionalProperties: true }),
    source,
    /** traits that come from a template and that nobody has checked at this machine */
    unchecked: Type.Optional(Type.Array(words(TRAIT_NAMES), { uniqueItems: true })),
  }),
  'set-trait': strict({ machineId: Id, trait: words(TRAIT_NAMES), value: Type.Unknown(), source }),
  'place-machine': strict({ machineId: Id, place: strict({ x: Tenths, y: Tenths }) }),
  'place-instructor': strict({ place: strict({ x: Tenths, y: Tenths }) }),
  'import-machines': strict({ file: MachinesFileSchema }),
  'change-house-rules': strict({
    rules: HouseRulesSchema,
    /** as they stood when the change was begun; somebody else's change since is not lost in silence */
    was: Type.Optional(HouseRulesSchema),
  }),
  // Stores
  'receive-stock': strict({ item: StockItemSchema, count: From1 }),
  'count-stock': strict({ item: StockItemSchema, count: From0 }),
  'take-stock': strict({ item: StockItemSchema, count: From1, because: Type.Optional(Because) }),
  'adjust-stock': strict({
    item: StockItemSchema,
    change: Type.Integer({ minimum: -MOST, maximum: MOST }),
    because: Because,
  }),
  // Sessions
  'add-sessions': strict({
    courseId: Id,
    sessions: Type.Array(strict({ sessionId: Id, ...SessionTimesSchema.properties }), { minItems: 1, maxItems: 60 }),
  }),
  'change-session': strict({ sessionId: Id, ...SessionTimesSchema.properties, calledOff: Type.Optional(Words) }),
  'set-attendance': strict({
    sessionId: Id,
    personId: Id,
    comes: ComesSchema,
    /** for those who come late: the first block that they are there for */
    fromBlock: Type.Optional(Type.Integer({ minimum: 1, maximum: 12 })),
    /** as it stood when the change was begun */
    was: Type.Optional(
      strict({ comes: ComesSchema, fromBlock: Type.Optional(Type.Integer({ minimum: 1, maximum: 12 })) }),
    ),
  }),
  'set-needs': strict({ personId: Id, needs: AccessNeedsSchema, was: Type.Optional(AccessNeedsSchema) }),
  'pair-people': strict({ pairId: Id, kind: words(PAIR_KINDS), people: Type.Tuple([Id, Id]) }),
  'end-pair': strict({ pairId: Id }),
  'set-plan': strict({ sessionId: Id, basedOn: Type.Union([Id, Type.Null()]), plan: strict(SEATS) }),
  // People and keys
  'log-progress': PERSON_EVENTS['exercise-done'],
  'sign-off': strict({
    personId: Id,
    skill: words(SKILLS),
    machineKind: TRAITS.drive,
    withdrawn: Type.Optional(Type.Boolean()),
  }),
  'add-person': strict({
    personId: Id,
    name: Name,
    email: Type.String({ format: 'email', maxLength: 200 }),
    password: Type.String({ minLength: 10, maxLength: 128 }),
    role: words(STAFF_ROLES),
  }),
  'make-key': strict({
    keyId: Id,
    purpose: words(KEY_PURPOSES),
    machineId: Type.Optional(Id),
    name: Name,
    secret: Type.String({ pattern: '^[A-Za-z0-9_-]{32,100}$' }),
  }),
  'end-key': strict({ keyId: Id }),
} as const

export type CommandName = keyof typeof COMMAND_BODIES
export const COMMAND_NAMES = Object.keys(COMMAND_BODIES) as CommandName[]
/** The body of a command as the server has it, once its schema has passed it. */
export type CommandBody<Name extends CommandName> = Static<(typeof COMMAND_BODIES)[Name]>

/** The same as a screen sends it. A file is whatever somebody chose: the schema tells them what is wrong with it. */
export type CommandSent<Name extends CommandName> = Name extends 'import-kits' | 'import-machines'
  ? { readonly file: unknown }
  : Sent<CommandBody<Name>>

/** What somebody must be allowed to do to write it: what it is called, and for a line the kind of line. */
export const permissionFor = (name: CommandName, body: unknown): Action =>
  name === 'log' ? `log ${(body as { readonly kind: EventKind }).kind}` : name
