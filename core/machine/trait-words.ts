import { named, plain, spaced } from '../units/words'

/** The numbers that belong together in one trait, as they are asked for and said; lengths with their unit. */
export const TRAIT_PART_WORDS: Readonly<Record<string, string>> = {
  min: 'lowest',
  max: 'highest',
  normal: 'normal mark',
  step: 'step between marks',
  lowest: 'lowest mark',
  highest: 'highest mark',
  mmAtLowest: 'mm at the lowest',
  mmAtHighest: 'mm at the highest',
  fillMm: 'wound to, mm',
  hubMm: 'hub, mm',
  widthMm: 'width inside, mm',
}

/** A trait's value as a person says it. */
export function traitWords(value: unknown): string {
  if (typeof value === 'boolean') return named(value ? 'yes' : 'no')
  if (typeof value === 'number') return plain(value)
  if (typeof value === 'string') return spaced(value)
  if (Array.isArray(value)) return value.map(traitWords).join(', ')
  if (value && typeof value === 'object') {
    return Object.entries(value)
      .map(([name, each]) =>
        name === 'byStitch'
          ? `by stitch: ${traitWords(each)}`
          : `${TRAIT_PART_WORDS[name] ?? name}: ${traitWords(each)}`,
      )
      .join('; ')
  }
  return ''
}
