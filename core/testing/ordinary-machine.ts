import type { KitMachine } from '../kit/request'
import type { Traits } from '../knowledge/machine/trait'

/** A plain household machine for tests to start from, as the kit sees it. */
export const ORDINARY_MACHINE: KitMachine = {
  needleSystem: '130/705 H',
  needleNm: { min: 60, max: 110 },
  dial: { min: 0, max: 9, normal: 4, step: 0.5 },
  stitches: ['straight', 'zigzag'],
  maxWidthMm: 5,
  lengthMm: { min: 0, max: 4 },
  spoolPins: 2,
  feet: ['standard', 'walking'],
  evenFeed: false,
  maxStackMm: 6,
  maxLeatherMm: 3.2,
  footPressure: 'adjustable',
}

const { dial, stitches, feet, ...rest } = ORDINARY_MACHINE

/** The same machine as its card has it. */
export const ORDINARY_TRAITS = {
  ...rest,
  tensionDial: dial,
  stitches: [...stitches],
  feet: [...feet],
} as Traits
