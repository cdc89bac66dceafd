import * as Type from 'typebox'
import type { Static, TSchema } from 'typebox'
import { measureFabric } from '../fabric/intake'
import { needleFit } from '../kit/needle-fit'
import { computeKit } from '../kit/kit'
import type { KitRequest } from '../kit/request'
import { findFault, type FaultQuestion } from '../fault/fault'
import { FAULT_CHECKS } from '../knowledge/fault/fault-check'
import { SYMPTOMS } from '../knowledge/fault/symptom'
import { GATES, SWATCH_SIGNS, TARGETS, TOP_LOOKS, UNDER_LOOKS } from '../knowledge/tension/tension'
import { LOADS, NEEDLE_SCHOOLS, NEEDLE_SIGNS } from '../knowledge/needle/wear'
import { planSeats } from '../session/plan'
import { PLAN_COSTS, type PlanCosts, type PlanQuestion } from '../session/plan-question'
import type { Solve } from '../planner/problem'
import { checkDial, checkLengthMarks, checkSpan } from '../schema/dial'
import { Invalid } from '../schema/invalid'
import { KitRequestSchema } from '../kit/kit-schema'
import { check } from '../schema/validate'
import {
  DialSchema,
  FabricTraitWords,
  FibreWord,
  FinishWord,
  HouseholdSize,
  PointWord,
  StructureWord,
  ThreadSchema,
} from '../knowledge/vocabulary'
import { Above0, Count, From0, strict, words } from '../schema/shape'
import { nextStep, type TensionQuestion } from '../tension/next-step'
import { threadUse, type ThreadUseQuestion } from '../thread-use/thread-use'
import type { Dial } from '../units/dial'
import { NeedleSizeError } from '../units/needle-size'
import { parseNeedleSize } from '../kit/read-needle'
import { NotationError, parseThreadNotation, threadDiameterMm, usualFinish, type Thread } from '../units/thread'
import { needleWear, type WearQuestion } from '../wear/wear'
import type { Assumption } from '../fabric/intake'

/** One computation: what it may be asked, as a schema, and its answer. */
export interface Computation {
  readonly request: TSchema
  readonly answer: (request: unknown, tools: Tools) => object
}

/** What a computation is given that the core cannot have of itself. */
export interface Tools {
  /** solves a linear or mixed-integer program; only `plan` asks for it */
  readonly solve?: Solve
  /** seconds since some moment */
  readonly clock?: () => number
}

const computation = <Schema extends TSchema>(
  request: Schema,
  answer: (request: Static<Schema>, tools: Tools) => object,
): Computation => ({ request, answer: (value, tools) => answer(check(request, value), tools) })

/** An optional field that is absent is never `undefined` in a validated request, which is what the core's types say. */
const exact = <Shape>(value: unknown): Shape => value as Shape

const thread = computation(
  strict({
    notation: Type.String({ minLength: 1, maxLength: 60 }),
    fibre: Type.Optional(FibreWord),
    finish: Type.Optional(FinishWord),
  }),
  (request) => {
    const count = readOr(NotationError, 'notation', () => parseThreadNotation(request.notation))
    const fibre = request.fibre ?? count.fibre ?? 'polyester'
    const finish = request.finish ?? (fibre === count.fibre ? count.finish : undefined) ?? usualFinish(fibre)
    const assumed: Assumption[] = []
    if (!request.fibre) assumed.push({ field: 'fibre', value: fibre })
    if (!request.finish) assumed.push({ field: 'finish', value: finish })
    const { tex } = count
    return {
      tex,
      dtex: tex * 10,
      denier: tex * 9,
      wt: 1000 / tex,
      metricTicket: 3000 / tex,
      diameterMm: threadDiameterMm({ tex, fibre, finish }),
      nominal: true,
      fibre,
      finish,
      assumed,
    }
  },
)

const needleSize = computation(strict({ text: Type.String({ minLength: 1, maxLength: 40 }) }), ({ text }) => ({
  ...readOr(NeedleSizeError, 'text', () => parseNeedleSize(text)),
  assumed: [],
}))

const needleFitOf = computation(
  strict({ needle: strict({ point: PointWord, sizeNm: HouseholdSize }), thread: ThreadSchema }),
  (request) => ({
    ...needleFit(request.needle, exact<Thread>(request.thread)),
    assumed: request.thread.finish ? [] : [{ field: 'thread.finish', value: usualFinish(request.thread.fibre) }],
  }),
)

export const FabricRequestSchema = strict(
  {
    structure: StructureWord,
    swatch: Type.Optional(strict({ widthCm: Above0, heightCm: Above0, grams: Above0 })),
    massGsm: Type.Optional(Above0),
    massOzPerYd2: Type.Optional(Above0),
    stack: Type.Optional(strict({ layers: Count, thicknessMm: Above0 })),
    stretch: Type.Optional(strict({ fromCm: Above0, toCm: Above0 })),
    traits: Type.Optional(FabricTraitWords),
  },
  { anyOf: ['swatch', 'massGsm', 'massOzPerYd2', 'stack'].map((field) => ({ required: [field] })) },
)

const fabric = computation(FabricRequestSchema, (request) => {
  const { stretch, stack, structure } = request
  if (stretch && stretch.toCm < stretch.fromCm)
    throw new Invalid('invalid', `"stretch.toCm" must be at least fromCm, ${stretch.fromCm}`, 'stretch.toCm')
  if (!stack && (structure === 'leather' || structure === 'rope'))
    throw new Invalid('invalid', `"stack" is missing; ${structure} goes by its thickness`, 'stack')
  return measureFabric(exact(request))
})

const kit = computation(KitRequestSchema, (request) => {
  if (request.machine) {
    checkDial(exact(request.machine.dial), 'machine.dial')
    checkSpan(request.machine.lengthMm, 'machine.lengthMm')
    checkSpan(request.machine.needleNm, 'machine.needleNm')
    if (request.machine.lengthMarks) checkLengthMarks(request.machine.lengthMarks, 'machine.lengthMarks')
  }
  return computeKit(exact<KitRequest>(request))
})

const stitch = strict({ iso: words(['301', '304'] as const), lengthMm: Above0, widthMm: From0 })
const threadUseOf = computation(
  strict({
    stitch,
    stackMm: From0,
    seamM: From0,
    starts: From0,
    swatches: Type.Optional(From0),
    top: ThreadSchema,
    bobbin: ThreadSchema,
    bobbinVolumeMm3: Above0,
    twin: Type.Optional(Type.Boolean()),
    beginners: Type.Optional(Type.Boolean()),
  }),
  (request) => {
    const assumed: Assumption[] = []
    if (request.swatches === undefined) assumed.push({ field: 'swatches', value: 0 })
    for (const part of ['top', 'bobbin'] as const) {
      const { finish, fibre } = request[part]
      if (!finish) assumed.push({ field: `${part}.finish`, value: usualFinish(fibre) })
    }
    return { ...threadUse(exact<ThreadUseQuestion>(request)), assumed }
  },
)

const load = words(LOADS)
const wear = computation(
  strict({
    school: words(NEEDLE_SCHOOLS),
    lifeHours: Type.Optional(Above0),
    n: Type.Optional(Above0),
    projects: From0,
    uses: Type.Array(
      strict(
        {
          load,
          motorMinutes: Type.Optional(From0),
          chairMinutes: Type.Optional(From0),
          duty: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
          stitches: Type.Optional(From0),
          stitchesPerMinute: Type.Optional(Above0),
        },
        {
          oneOf: [{ required: ['motorMinutes'] }, { required: ['chairMinutes'] }, { required: ['stitches'] }],
          dependencies: { duty: ['chairMinutes'], stitchesPerMinute: ['stitches'], stitches: ['stitchesPerMinute'] },
        },
      ),
    ),
    signs: Type.Optional(Type.Array(words(NEEDLE_SIGNS))),
  }),
  (request) => ({
    ...needleWear(exact<WearQuestion>(request)),
    assumed: request.uses.flatMap((use, index) =>
      use.chairMinutes !== undefined && use.duty === undefined ? [{ field: `uses.${index}.duty`, value: 0.15 }] : [],
    ),
  }),
)

const onDial = (dial: { min: number; max: number }, value: number, path: string): void => {
  if (value < dial.min || value > dial.max)
    throw new Invalid('invalid', `"${path}" must lie on the dial, from ${dial.min} to ${dial.max}`, path)
}

const SwatchAtSchema = strict({
  dial: Type.Number(),
  top: words(TOP_LOOKS),
  under: words(UNDER_LOOKS),
  signs: Type.Optional(Type.Array(words(SWATCH_SIGNS), { uniqueItems: true })),
})
const tension = computation(
  strict({
    dial: DialSchema,
    target: words(TARGETS),
    start: Type.Optional(Type.Number()),
    done: Type.Array(words(GATES), { uniqueItems: true }),
    swatches: Type.Array(SwatchAtSchema, { minItems: 1 }),
    role: words(['learner', 'staff'] as const),
    school: words(['hands-on', 'hands-off'] as const),
    bobbinScrew: Type.Optional(Type.Boolean()),
    past: Type.Optional(Type.Array(SwatchAtSchema, { maxItems: 200 })),
    stackMm: Type.Optional(Above0),
  }),
  (request) => {
    const dial = exact<Dial>(request.dial)
    checkDial(dial, 'dial')
    if (request.start !== undefined) onDial(dial, request.start, 'start')
    request.swatches.forEach((swatch, index) => onDial(dial, swatch.dial, `swatches.${index}.dial`))
    request.past?.forEach((swatch, index) => onDial(dial, swatch.dial, `past.${index}.dial`))
    const assumed: Assumption[] = []
    if (request.start === undefined) assumed.push({ field: 'start', value: dial.normal })
    if (request.bobbinScrew === undefined) assumed.push({ field: 'bobbinScrew', value: false })
    const { onTarget: _, ...answer } = nextStep(exact<TensionQuestion>({ bobbinScrew: false, ...request }))
    return { ...answer, assumed }
  },
)

const fault = computation(
  strict({
    symptom: words(SYMPTOMS),
    known: Type.Optional(
      strict({
        needleHours: Type.Optional(From0),
        bobbinsSinceClean: Type.Optional(From0),
        threadedFootDown: Type.Optional(Type.Boolean()),
        needlePoint: Type.Optional(PointWord),
        fabricStructure: Type.Optional(StructureWord),
        threadAgeYears: Type.Optional(From0),
        recentStrike: Type.Optional(Type.Boolean()),
        straightPlateBefore: Type.Optional(Type.Boolean()),
      }),
    ),
    answers: Type.Optional(
      Type.Array(strict({ check: words(FAULT_CHECKS), found: Type.Boolean() }), { maxItems: 200 }),
    ),
    cures: Type.Optional(
      Type.Partial(
        Type.Object(Object.fromEntries(FAULT_CHECKS.map((each) => [each, From0])), { additionalProperties: false }),
      ),
    ),
  }),
  (request) => ({ ...findFault(exact<FaultQuestion>(request)), assumed: [] }),
)

const Name = Type.String({ minLength: 1, maxLength: 200 })
const NameOrNothing = Type.Union([Name, Type.Null()])
const holds = strict({
  needle: NameOrNothing,
  thread: NameOrNothing,
  foot: NameOrNothing,
  threadClass: Type.Optional(Name),
})
/** A question put from outside names these; what else a room reckons with comes from its own books. */
const NAMED_COSTS = [
  'needle',
  'thread',
  'bobbin',
  'foot',
  'tensionTest',
] as const satisfies readonly (keyof PlanCosts)[]
const plan = computation(
  strict({
    blocks: Type.Integer({ minimum: 1, maximum: 12 }),
    machines: Type.Array(strict({ id: Name, can: Type.Array(Name), holds }), { maxItems: 200 }),
    kits: Type.Array(strict({ id: Name, needle: Name, thread: Name, foot: Name, threadClass: Type.Optional(Name) }), {
      maxItems: 400,
    }),
    students: Type.Array(
      strict({
        id: Name,
        kit: Name,
        fixed: Type.Optional(strict({ machine: Type.Optional(Name), block: Type.Optional(Count) })),
      }),
      { maxItems: 400 },
    ),
    costs: Type.Optional(strict(Object.fromEntries(NAMED_COSTS.map((part) => [part, Type.Optional(From0)])))),
  }),
  (request, { solve, clock = () => 0 }) => {
    checkPlanNames(request)
    if (!solve) throw new Invalid('not-built', 'No solver is given here')
    const assumed = NAMED_COSTS.filter((name) => request.costs?.[name] === undefined).map((name) => ({
      field: `costs.${name}`,
      value: PLAN_COSTS[name],
    }))
    return { ...planSeats(exact<PlanQuestion>(request), solve, PLAN_SECONDS, clock), assumed }
  },
)
/** How long a plan may be thought about, so that the answer is there within twenty seconds. */
const PLAN_SECONDS = 14

function checkPlanNames({ blocks, machines, kits, students }: PlanQuestion): void {
  const unique = (what: string, ids: readonly string[]) => {
    const twice = ids.findIndex((id, index) => ids.indexOf(id) !== index)
    if (twice >= 0)
      throw new Invalid('invalid', `"${what}.${twice}.id" is there twice: "${ids[twice]}"`, `${what}.${twice}.id`)
  }
  unique(
    'machines',
    machines.map(({ id }) => id),
  )
  unique(
    'kits',
    kits.map(({ id }) => id),
  )
  unique(
    'students',
    students.map(({ id }) => id),
  )
  const kitIds = new Set(kits.map(({ id }) => id))
  const machineIds = new Set(machines.map(({ id }) => id))
  machines.forEach(({ can }, index) =>
    can.forEach((kit, at) => {
      if (!kitIds.has(kit))
        throw new Invalid('invalid', `"${kit}" is no kit of this plan`, `machines.${index}.can.${at}`)
    }),
  )
  students.forEach(({ kit, fixed }, index) => {
    if (!kitIds.has(kit)) throw new Invalid('invalid', `"${kit}" is no kit of this plan`, `students.${index}.kit`)
    if (fixed?.machine !== undefined && !machineIds.has(fixed.machine))
      throw new Invalid('invalid', `"${fixed.machine}" is no machine of this plan`, `students.${index}.fixed.machine`)
    if (fixed?.block !== undefined && fixed.block > blocks)
      throw new Invalid(
        'invalid',
        `"students.${index}.fixed.block" must be one of 1 to ${blocks}`,
        `students.${index}.fixed.block`,
      )
  })
}

function readOr<Answer>(Kind: typeof NotationError | typeof NeedleSizeError, path: string, read: () => Answer): Answer {
  try {
    return read()
  } catch (error) {
    if (error instanceof Kind) {
      throw new Invalid(error instanceof NotationError ? error.code : 'invalid', error.message, path)
    }
    throw error
  }
}

/** What `bin/compute NAME` and `POST /api/compute/NAME` answer. */
export const COMPUTATIONS: Readonly<Record<string, Computation>> = {
  thread,
  'needle-size': needleSize,
  'needle-fit': needleFitOf,
  fabric,
  kit,
  'thread-use': threadUseOf,
  wear,
  tension,
  fault,
  plan,
}

/**
 * Answers one request.
 * @param tools what a computation is given that the core cannot have of itself; `plan` wants a solver
 * @throws Invalid `unknown-name`, `not-built`, `invalid` or `ambiguous`
 */
export function compute(name: string, request: unknown, tools: Tools = {}): object {
  const found = Object.hasOwn(COMPUTATIONS, name) ? COMPUTATIONS[name] : undefined
  if (!found) {
    throw new Invalid(
      'unknown-name',
      `"${name}" is no computation; allowed are ${Object.keys(COMPUTATIONS).join(', ')}`,
    )
  }
  return found.answer(request, tools)
}
