import Type, { type Static } from 'typebox'
import type { Sent } from '../schema/sent'
import { CHECK_GROUPS } from '../knowledge/check/check'
import { FAULT_CHECKS } from '../knowledge/fault/fault-check'
import { FAULTS } from '../knowledge/fault/fault-kind'
import { SYMPTOMS } from '../knowledge/fault/symptom'
import { LOADS, NEEDLE_SIGNS } from '../knowledge/needle/wear'
import { FootWord, KitThreadSchema, PointWord, SizeWord } from '../knowledge/vocabulary'
import { Above0, From0, strict, words } from '../schema/shape'
import { TARGETS, TOP_LOOKS, UNDER_LOOKS, GATES, SWATCH_SIGNS } from '../knowledge/tension/tension'

const Words = Type.String({ minLength: 1, maxLength: 500 })
const Id = Type.String({ format: 'uuid' })
const Whole = Type.Integer({ minimum: 0, maximum: 10_000_000 })
const ProjectId = Type.Optional(Id)

export const CHANGE_REASONS = [...NEEDLE_SIGNS, 'due', 'other-kit', 'unknown-age', 'broken'] as const
export const NEEDLE_STATES = ['sharp', 'blunt', 'bent', 'burr', 'broken', 'not-looked'] as const
/** How a run of the finder ends. */
export const FAULT_OUTCOMES = ['cured', 'handed-on', 'red-tag', 'service', 'left'] as const
export const WENT_TO = ['sharps', 'part-used', 'lost'] as const

const NeedleOut = strict({
  reason: words(CHANGE_REASONS),
  state: words(NEEDLE_STATES),
  wentTo: words(WENT_TO),
  /** of a needle that broke: whether every piece of it lies on the table */
  piecesFound: Type.Optional(Type.Boolean()),
})

const NeedleIn = strict({
  system: Type.String({ minLength: 1, maxLength: 80 }),
  point: PointWord,
  sizeNm: SizeWord,
  gapMm: Type.Optional(Above0),
  condition: words(['new', 'part-used', 'unverified'] as const),
  /** hours it brings with it, from its tag */
  effectiveHours: Type.Optional(From0),
})

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

/** Where a machine's hands-on settings stand; only what is known is said. */
export const SettingsSchema = strict(
  {
    dial: Type.Optional(Type.Number()),
    stitch: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
    lengthMm: Type.Optional(From0),
    widthMm: Type.Optional(From0),
    needlePosition: Type.Optional(words(['left', 'centre', 'right'] as const)),
    footPressure: Type.Optional(words(['low', 'normal', 'high'] as const)),
    foot: Type.Optional(FootWord),
    speed: Type.Optional(words(['slow', 'middling', 'fast'] as const)),
  },
  { minProperties: 1 },
)

const CheckStep = strict({
  step: Type.String({ minLength: 1, maxLength: 80 }),
  group: words(CHECK_GROUPS),
  result: words(['pass', 'fail', 'not-applicable'] as const),
})

/** Every kind of line in a machine's book but the correction, and what its body holds. */
export const EVENT_BODIES = {
  'needle-changed': strict(
    { in: Type.Optional(NeedleIn), out: Type.Optional(NeedleOut) },
    { anyOf: [{ required: ['out'] }, { required: ['in'] }] },
  ),
  'needle-broke': strict({ piecesFound: Type.Boolean(), cause: Type.Optional(Words) }),
  'pieces-found': strict({}),
  'set-up': strict(
    {
      thread: Type.Optional(KitThreadSchema),
      bobbinThread: Type.Optional(KitThreadSchema),
      foot: Type.Optional(FootWord),
      dial: Type.Optional(Type.Number()),
      fabricClass: Type.Optional(Type.String({ minLength: 1, maxLength: 80 })),
      projectId: ProjectId,
    },
    { minProperties: 1 },
  ),
  'check-run': strict({
    list: words(['seat', 'room'] as const),
    steps: Type.Array(CheckStep, { minItems: 1, maxItems: 60 }),
    projectId: ProjectId,
  }),
  'swatch-stitched': strict({
    dial: Type.Number(),
    target: words(TARGETS),
    top: words(TOP_LOOKS),
    under: words(UNDER_LOOKS),
    signs: Type.Optional(Type.Array(words(SWATCH_SIGNS), { uniqueItems: true })),
    done: Type.Array(words(GATES), { uniqueItems: true }),
    /** the mark taken between two that disagree: as near as this dial comes, and good */
    asNear: Type.Optional(Type.Number()),
    projectId: ProjectId,
  }),
  used: strict({
    use: UseSchema,
    finishedProject: Type.Boolean(),
    /** fleece, batting and hairy thread: lint out at once */
    linty: Type.Optional(Type.Boolean()),
    /** what a run meter counted besides the motor's time; read-only, as nobody types it */
    metered: Type.Optional(strict({ stitches: Whole, starts: Whole }, { readOnly: true })),
    projectId: ProjectId,
  }),
  'bobbin-wound': strict({
    count: Type.Integer({ minimum: 1, maximum: 40 }),
    thread: Type.Optional(KitThreadSchema),
    /** for which session they lie ready; read-only, as a tick says it and nobody types it */
    sessionId: Type.Optional(Type.String({ format: 'uuid', readOnly: true })),
  }),
  /** somebody's things lie ready at it: swatches cut, foot, extras */
  'laid-out': strict({
    what: Words,
    projectId: ProjectId,
    sessionId: Type.Optional(Type.String({ format: 'uuid', readOnly: true })),
  }),
  cleaned: strict({ found: Type.Optional(Words) }),
  oiled: strict({ where: Type.Optional(words(['race', 'arm', 'everywhere'] as const)) }),
  'baseline-set': strict({ settings: SettingsSchema }),
  'found-off': strict({ settings: SettingsSchema }),
  restored: strict({}),
  'trait-learnt': strict({ trait: Type.String({ minLength: 1, maxLength: 80 }), words: Words, source: Words }),
  'fault-opened': strict({ fault: words(FAULTS), seen: Type.Optional(Words) }),
  'fault-cured': strict({ fault: words(FAULTS), cure: Words }),
  /** one run of the finder: what was seen, what was looked at, and how it ended */
  'fault-run': strict({
    symptom: words(SYMPTOMS),
    answers: Type.Array(strict({ check: words(FAULT_CHECKS), found: Type.Boolean() }), { maxItems: 60 }),
    outcome: words(FAULT_OUTCOMES),
    /** the check whose remedy cured it */
    cured: Type.Optional(words(FAULT_CHECKS)),
    projectId: ProjectId,
  }),
  /** above 0: tighter, clockwise */
  'bobbin-screw-turned': strict({ eighths: Type.Integer({ minimum: -8, maximum: 8 }), because: Type.Optional(Words) }),
  serviced: strict({ by: Words, electrical: Type.Boolean(), did: Type.Optional(Words) }),
  'electrical-test': strict({
    passed: Type.Boolean(),
    by: Words,
    nextDue: Type.Optional(Type.String({ format: 'date-time' })),
  }),
  released: strict({ because: Words }),
  'red-tagged': strict({ because: Words }),
  'red-tag-lifted': strict({ because: Words }),
  /** somebody was hurt at it: what is known, in a few words */
  'somebody-hurt': strict({ what: Type.Optional(Words) }),
  noted: strict({ text: Words }),
} as const

export type PlainKind = keyof typeof EVENT_BODIES
export const PLAIN_KINDS = Object.keys(EVENT_BODIES) as PlainKind[]
export type BodyOf<Kind extends PlainKind> = Static<(typeof EVENT_BODIES)[Kind]>

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

const happening = (kind: PlainKind) => strict({ kind: Type.Literal(kind), body: EVENT_BODIES[kind] })

const CorrectionBody = strict({
  corrects: Id,
  because: Words,
  replacement: Type.Optional(Type.Union(PLAIN_KINDS.map(happening))),
})

/** The schema of a body by its kind. */
export const eventBody = (kind: EventKind) => (kind === 'correction' ? CorrectionBody : EVENT_BODIES[kind])
