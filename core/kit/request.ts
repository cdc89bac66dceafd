import type { Static } from 'typebox'
import type { Assumption, FabricNumber } from '../fabric/intake'
import type { FabricTrait, Structure } from '../knowledge/cloth/fabric'
import type { Foot } from '../knowledge/stitch/foot'
import type { Point } from '../knowledge/needle/needle'
import type { Operation, Stitch } from '../knowledge/stitch/stitch'
import type { Schools } from '../knowledge/school'
import type { RoomNumbers } from '../knowledge/room-number'
import type { ThreadUse } from '../knowledge/thread/thread'
import type { Dial } from '../units/dial'
import type { LengthMarks } from '../units/length-marks'
import type { Fibre, Thread } from '../units/thread'
import type { KitSchema } from './kit-schema'
import type { DropTest } from './needle-fit'

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
  /** the heaviest thread its manual allows, in tex; absent: the room's number for household machines */
  readonly heaviestTex?: number
  /** how its length dial is numbered; absent: lengths stay in mm */
  readonly lengthMarks?: LengthMarks
}

export interface KitStock {
  readonly needles: readonly {
    readonly point: Point
    readonly sizeNm: number
    readonly count: number
    /** absent: of the system that the machine takes */
    readonly system?: string
  }[]
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
    /** which of the numbers above were guessed rather than measured */
    readonly guessed?: readonly FabricNumber[]
  }
  readonly layers: { readonly seam: number; readonly crossing: number }
  readonly operation: Operation
  readonly thread?: Thread
  readonly machine?: KitMachine
  readonly schools?: Schools
  readonly learner?: boolean
  readonly stock?: KitStock
  /** numbers that this room has changed */
  readonly room?: RoomNumbers
  /** drop tests at this room's table; each beats the formula for its thread */
  readonly dropTests?: readonly DropTest[]
}

export type KitVerdict = 'good' | 'marginal'

/** One kit; its schema says what each part means. */
export type Kit = Static<typeof KitSchema>
export type Reason = Kit['reasons'][number]
export type NeedleChoice = Kit['alternates'][number]

export type Limit =
  | 'leather-stack'
  | 'stack'
  | 'stitch'
  | 'width'
  | 'foot'
  | 'length'
  | 'needle-size'
  | 'needle-system'
  | 'thread'
  | 'fabric'

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
  'fabric',
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
