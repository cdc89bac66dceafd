import { completeFabric } from '@/core/fabric/intake'
import { NAMED_FABRICS } from '@/core/knowledge/cloth/named-fabric'

/**
 * Stand-ins for the table's scale and thickness gauge, for rooms that have none yet: they weigh and measure a cloth of the
 * sample tray and answer in the line that a real one would send.
 */
export const DEVICES = ['scale', 'gauge'] as const
export type Device = (typeof DEVICES)[number]

export interface Sample {
  /** a cloth of the tray, by name */
  readonly name: string
  readonly areaCm2: number
  readonly layers: number
  /** 0…1, where in its spread this piece happens to lie; makes the reading repeatable */
  readonly chance: number
}

/** How far a real piece lies from the middling one, and how fine the instruments read. */
const SPREAD = 0.06
const SCALE_STEP_G = 0.01
const GAUGE_STEP_MM = 0.01

const toStep = (value: number, step: number): string => (Math.round(value / step) * step).toFixed(2)

/** @returns undefined when the tray holds no such cloth */
export function deviceLine(device: Device, { name, areaCm2, layers, chance }: Sample): string | undefined {
  const named = NAMED_FABRICS.find((each) => each.name === name)
  if (!named) return undefined
  const cloth = completeFabric(named)
  const piece = 1 + (chance * 2 - 1) * SPREAD
  if (device === 'scale') return `MASS ${toStep(((cloth.massGsm * areaCm2) / 10_000) * piece, SCALE_STEP_G)} g STABLE`
  return `THICKNESS ${toStep(cloth.thicknessMm * layers * piece, GAUGE_STEP_MM)} mm STABLE`
}
