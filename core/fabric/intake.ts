import { BANDS, GSM_PER_MM, bandOf, type Band, type FabricTrait, type Structure } from '../knowledge/cloth/fabric'
import { firstThatHolds } from '../schema/rule'
import { GSM_PER_OUNCE_PER_SQUARE_YARD, massOfSwatch } from '../units/mass'

/** What can be measured at a table. A weighed swatch wins over a stated mass. */
export interface FabricMeasurements {
  readonly structure: Structure
  readonly swatch?: { readonly widthCm: number; readonly heightCm: number; readonly grams: number }
  readonly massGsm?: number
  readonly massOzPerYd2?: number
  readonly stack?: { readonly layers: number; readonly thicknessMm: number }
  readonly stretch?: { readonly fromCm: number; readonly toCm: number }
  readonly traits?: readonly FabricTrait[]
}

export interface Assumption {
  readonly field: string
  readonly value: string | number | boolean
}

/** Numbers of a cloth that can be measured or guessed. */
export const FABRIC_NUMBERS = ['massGsm', 'thicknessMm', 'stretchPercent'] as const
export type FabricNumber = (typeof FABRIC_NUMBERS)[number]

/** One cloth with nothing missing; `thicknessMm` is one layer. */
export interface Fabric {
  readonly structure: Structure
  readonly massGsm: number
  readonly thicknessMm: number
  readonly stretchPercent: number
  readonly traits: readonly FabricTrait[]
  readonly band?: Band
  /** fields that were guessed, not measured */
  readonly estimated: readonly FabricNumber[]
  readonly assumed: readonly Assumption[]
}

/** Completes a cloth from what is known: thickness guesses mass and mass guesses thickness; one must be there. */
export function completeFabric(
  known: {
    readonly structure: Structure
    readonly massGsm?: number | undefined
    readonly thicknessMm?: number | undefined
    readonly stretchPercent?: number | undefined
    readonly traits?: readonly FabricTrait[] | undefined
    /** numbers given above that somebody guessed */
    readonly guessed?: readonly FabricNumber[] | undefined
  },
  knowledge: { readonly gsmPerMm: typeof GSM_PER_MM; readonly bands: typeof BANDS } = {
    gsmPerMm: GSM_PER_MM,
    bands: BANDS,
  },
): Fabric {
  const traits = known.traits ?? []
  const { gsmPerMm } = firstThatHolds(knowledge.gsmPerMm, {
    structure: known.structure,
    traits,
    massGsm: known.massGsm,
    thicknessMm: known.thicknessMm,
  }).give
  const massGsm = known.massGsm ?? (known.thicknessMm ?? NaN) * gsmPerMm
  const thicknessMm = known.thicknessMm ?? massGsm / gsmPerMm
  const assumed: Assumption[] = []
  if (known.massGsm === undefined) assumed.push({ field: 'massGsm', value: massGsm })
  if (known.thicknessMm === undefined) assumed.push({ field: 'thicknessMm', value: thicknessMm })
  if (known.stretchPercent === undefined) assumed.push({ field: 'stretchPercent', value: 0 })
  if (known.traits === undefined) assumed.push({ field: 'traits', value: 'none' })
  const band = bandOf(known.structure, massGsm, knowledge.bands)
  const estimated = FABRIC_NUMBERS.filter(
    (field) => known.guessed?.includes(field) || (field !== 'stretchPercent' && known[field] === undefined),
  )
  return {
    structure: known.structure,
    massGsm,
    thicknessMm,
    stretchPercent: known.stretchPercent ?? 0,
    traits,
    ...(band && { band }),
    estimated,
    assumed,
  }
}

/** Mass, thickness, stretch and band from what the scale and the ruler say. Source: geometry. */
export function measureFabric(measured: FabricMeasurements): Fabric {
  const massGsm = measured.swatch
    ? massOfSwatch(measured.swatch)
    : (measured.massGsm ??
      (measured.massOzPerYd2 === undefined ? undefined : measured.massOzPerYd2 * GSM_PER_OUNCE_PER_SQUARE_YARD))
  const { stack, stretch } = measured
  return completeFabric({
    structure: measured.structure,
    massGsm,
    thicknessMm: stack && stack.thicknessMm / stack.layers,
    stretchPercent: stretch && ((stretch.toCm - stretch.fromCm) / stretch.fromCm) * 100,
    traits: measured.traits,
  })
}

/** Fabric class: another class of cloth makes the last swatch stale. */
export const fabricClass = (fabric: Pick<Fabric, 'structure' | 'massGsm'>): string =>
  [fabric.structure, bandOf(fabric.structure, fabric.massGsm)].filter(Boolean).join(' ')
