import type { Assumption } from '../fabric/intake'
import type { Caution } from '../knowledge/caution'
import type { Extra } from '../knowledge/extra'
import type { FabricTrait, Structure } from '../knowledge/fabric'
import type { Foot, FootPressure } from '../knowledge/foot'
import type { Point } from '../knowledge/needle'
import type { Operation, Stitch, StitchIso } from '../knowledge/stitch'
import type { KitThread, ThreadUse } from '../knowledge/thread'
import type { Dial } from '../units/dial'
import type { Fibre, Thread } from '../units/thread'
import type { FitVerdict } from './needle-fit'

/** A machine as far as a kit depends on it. Lengths in mm; the dial in its own marks. */
export interface KitMachine {
  readonly needleSystem: string
  readonly needleNm: { readonly min: number; readonly max: number }
  readonly dial: Dial
  readonly stitches: readonly Stitch[]
  readonly maxWidthMm: number
  readonly lengthMm: { readonly min: number; readonly max: number }
  readonly spoolPins: number
  readonly feet: readonly Foot[]
  readonly evenFeed: boolean
  readonly maxStackMm: number
  readonly maxLeatherMm: number
  readonly footPressure: 'adjustable' | 'fixed'
  /** a straight-stitch plate is at hand */
  readonly straightPlate?: boolean
}

/** The room's choice where practitioners differ; absent: the reasoned default. */
export interface KitSchools {
  readonly point?: 'universal-first' | 'sharp-first' | 'large-eye'
  readonly denim?: 'jeans' | 'universal-100'
  readonly suede?: 'leather-point' | 'universal'
  readonly elastane?: 'stretch' | 'microtex'
  readonly imitation?: 'microtex' | 'jeans' | 'leather'
}

export interface KitStock {
  readonly needles: readonly { readonly point: Point; readonly sizeNm: number; readonly count: number }[]
  readonly threads: readonly { readonly tex: number; readonly fibre: Fibre; readonly use: ThreadUse }[]
}

export interface KitRequest {
  readonly fabric: {
    readonly structure: Structure
    readonly massGsm?: number
    /** one layer */
    readonly thicknessMm?: number
    readonly stretchPercent?: number
    readonly traits?: readonly FabricTrait[]
  }
  readonly layers: { readonly seam: number; readonly crossing: number }
  readonly operation: Operation
  readonly thread?: Thread
  readonly machine?: KitMachine
  readonly schools?: KitSchools
  readonly learner?: boolean
  readonly stock?: KitStock
}

export type KitVerdict = 'good' | 'marginal'

export interface Reason {
  readonly part: string
  readonly rule: string
  readonly because: string
  readonly school?: string
}

export interface NeedleChoice {
  readonly point: Point
  readonly sizeNm: number
  readonly sizeUs: number
  readonly gapMm?: number
}

export interface Kit {
  readonly verdict: KitVerdict
  readonly needle: NeedleChoice & { readonly system: string }
  readonly alternates: readonly NeedleChoice[]
  readonly topThread: KitThread
  readonly bobbinThread: KitThread
  readonly fit: {
    readonly clearance: number
    readonly verdict: FitVerdict
    readonly eyeMm: number
    readonly threadMm: number
  }
  readonly foot: Foot
  readonly footPressure: FootPressure
  readonly stitch: {
    readonly of: Stitch
    readonly iso: StitchIso
    readonly name?: string
    readonly lengthMm: number
    readonly widthMm: number
    readonly lock: 'reverse' | 'tie-off' | 'none'
  }
  readonly dial: { readonly offset: number; readonly setting?: number; readonly clipped?: true }
  readonly extras: readonly Extra[]
  readonly cautions: readonly Caution[]
  /** false when the stock that was given cannot make it */
  readonly inStock?: boolean
  readonly reasons: readonly Reason[]
}

export type Limit =
  'leather-stack' | 'stack' | 'stitch' | 'width' | 'foot' | 'length' | 'needle-size' | 'needle-system' | 'thread'

/** In the order in which refusals are named. */
export const LIMITS: readonly Limit[] = [
  'leather-stack',
  'stack',
  'stitch',
  'width',
  'foot',
  'length',
  'needle-size',
  'needle-system',
  'thread',
]

export interface Refusal {
  readonly limit: Limit
  readonly value: number | string
  readonly allowed: number | string | readonly (number | string)[]
  readonly because: string
  readonly wouldHelp: string
}

export interface KitAnswer {
  readonly verdict: KitVerdict | 'refused'
  readonly kits: readonly Kit[]
  readonly refusals: readonly Refusal[]
  readonly assumed: readonly Assumption[]
}
