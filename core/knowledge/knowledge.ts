import { CAUTION_RULES } from './care/caution'
import { CLOTH_FACTS } from './cloth/cloth-fact'
import { FABRIC_OFFSETS, STITCH_OFFSETS, THREAD_OFFSETS } from './tension/dial'
import { EXTRA_RULES } from './stitch/extra'
import { BANDS, GSM_PER_MM } from './cloth/fabric'
import { FOOT_WISHES, PRESSURE_WISHES } from './stitch/foot'
import { HOUSEHOLD_SYSTEM, NEEDLE_SYSTEMS, POINTS } from './needle/needle'
import { POINT_PROPOSALS, POINT_VETOES } from './needle/needle-point'
import { CLOTH_SIZES, CROSSING_STEPS } from './needle/needle-size'
import { OVERRIDE_CHECKS } from './check/override-check'
import { STACK_LIMITS } from './machine/stack-limit'
import { FABRIC_LIMITS, PRICES } from './cloth/price'
import { LENGTH_NOTES, LENGTH_WISHES, LOCKS, STITCH_WISHES } from './stitch/stitch'
import { BOBBIN_WISHES, FINER_THREAD_WISHES, THREAD_WISHES } from './thread/thread'

/** Everything that a kit rests on, in one place: what is added to these lists reaches every kit. */
export const KNOWLEDGE = {
  points: POINTS,
  systems: NEEDLE_SYSTEMS,
  householdSystem: HOUSEHOLD_SYSTEM,
  bands: BANDS,
  gsmPerMm: GSM_PER_MM,
  clothFacts: CLOTH_FACTS,
  stackLimits: STACK_LIMITS,
  fabricLimits: FABRIC_LIMITS,
  prices: PRICES,
  pointProposals: POINT_PROPOSALS,
  pointVetoes: POINT_VETOES,
  clothSizes: CLOTH_SIZES,
  crossingSteps: CROSSING_STEPS,
  threadWishes: THREAD_WISHES,
  finerThreadWishes: FINER_THREAD_WISHES,
  bobbinWishes: BOBBIN_WISHES,
  stitchWishes: STITCH_WISHES,
  locks: LOCKS,
  lengthWishes: LENGTH_WISHES,
  lengthNotes: LENGTH_NOTES,
  footWishes: FOOT_WISHES,
  pressureWishes: PRESSURE_WISHES,
  extras: EXTRA_RULES,
  cautions: CAUTION_RULES,
  fabricOffsets: FABRIC_OFFSETS,
  threadOffsets: THREAD_OFFSETS,
  stitchOffsets: STITCH_OFFSETS,
  overrideChecks: OVERRIDE_CHECKS,
} as const

export type Knowledge = typeof KNOWLEDGE
