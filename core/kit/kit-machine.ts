import type { KitMachine } from './request'
import { bobbinVolumeMm3, nominalVolumeMm3 } from '../thread-use/thread-use'
import type { TraitName, Traits } from '../knowledge/machine/trait'

/** The traits without which no kit can be promised on a machine. */
export const TRAITS_FOR_A_KIT = [
  'needleSystem',
  'needleNm',
  'tensionDial',
  'stitches',
  'maxWidthMm',
  'lengthMm',
  'spoolPins',
  'feet',
  'evenFeed',
  'maxStackMm',
  'maxLeatherMm',
  'footPressure',
] as const satisfies readonly TraitName[]

type Known = Traits & Required<Pick<Traits, (typeof TRAITS_FOR_A_KIT)[number]>>

const isKnown = (traits: Traits): traits is Known => TRAITS_FOR_A_KIT.every((name) => traits[name] !== undefined)

/** A machine as the kit sees it, or the traits that somebody has to look up first. */
export function kitMachine(traits: Traits): { readonly machine: KitMachine } | { readonly missing: TraitName[] } {
  if (!isKnown(traits)) return { missing: TRAITS_FOR_A_KIT.filter((name) => traits[name] === undefined) }
  return {
    machine: {
      needleSystem: traits.needleSystem,
      needleNm: traits.needleNm,
      dial: traits.tensionDial,
      stitches: traits.stitches,
      maxWidthMm: traits.maxWidthMm,
      lengthMm: traits.lengthMm,
      spoolPins: traits.spoolPins,
      feet: traits.feet,
      evenFeed: traits.evenFeed,
      maxStackMm: traits.maxStackMm,
      maxLeatherMm: traits.maxLeatherMm,
      footPressure: traits.footPressure,
      ...(traits.straightPlate !== undefined && { straightPlate: traits.straightPlate }),
      ...(traits.heaviestTex !== undefined && { heaviestTex: traits.heaviestTex }),
      ...(traits.lengthMarks && { lengthMarks: traits.lengthMarks }),
    },
  }
}

/** The usable volume of the machine's bobbins: as measured in this room, else its class's nominal one, else not known. */
export const bobbinVolumeOf = (traits: Traits): number | undefined =>
  traits.bobbinSize ? bobbinVolumeMm3(traits.bobbinSize) : nominalVolumeMm3(traits.bobbinClass ?? '')
