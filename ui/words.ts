import { POINTS, systemWords, type Point } from '@/core/knowledge/needle/needle'
import { named, plain, spaced } from '@/core/units/words'
import type { KitThread } from '@/core/knowledge/thread/thread'
import type { Kit } from '@/core/kit/request'
import { sizeText } from '@/core/units/needle-size'

/** A needle as a person says it, both numbers always: "universal 80/12", "twin ballpoint 75/11, 2.5 mm apart". */
export const needleWords = (needle: { point: Point; sizeNm: number; gapMm?: number; system?: string }): string =>
  `${POINTS[needle.point].words} ${sizeText(needle.sizeNm)}${needle.gapMm ? `, ${plain(needle.gapMm)} mm apart` : ''}${needle.system === undefined ? '' : systemWords(needle.system)}`

/** The same for a tight place: "twin ballpoint 75/11". */
export const shortNeedle = (needle: { point: Point; sizeNm: number }): string =>
  `${spaced(needle.point)} ${sizeText(needle.sizeNm)}`

export const threadWords = (thread: KitThread): string =>
  `${spaced(thread.use)} ${named(thread.fibre)}${thread.finish === 'bonded' ? ', bonded' : ''}, ${plain(thread.tex)} tex`

export const stitchWords = (stitch: Kit['stitch']): string =>
  `${named(stitch.name ?? stitch.of)} ${plain(stitch.lengthMm)} mm${stitch.widthMm > 0 ? `, ${plain(stitch.widthMm)} mm wide` : ''}`

export const perInch = (lengthMm: number): string => (lengthMm > 0 ? `${Math.round(25.4 / lengthMm)} to the inch` : '')

export const hoursWords = (hours: number): string => `${hours.toFixed(1)} h`

/** A cloth in a few words: "woven, 150 g/m²", with a ~ before what was guessed. */
export const fabricWords = (fabric: {
  readonly structure: string
  readonly massGsm?: number
  readonly thicknessMm?: number
  readonly guessed?: readonly string[]
}): string => {
  const about = (field: string) => (fabric.guessed?.includes(field) ? '~' : '')
  if (fabric.massGsm !== undefined)
    return `${named(fabric.structure)}, ${about('massGsm')}${Math.round(fabric.massGsm)} g/m²`
  return `${named(fabric.structure)}, ${about('thicknessMm')}${plain(fabric.thicknessMm ?? 0)} mm`
}

const SIGNS_OF = new Intl.Segmenter(undefined, { granularity: 'grapheme' })

/** The beginning of a text where there is room for so many signs, an emoji being one of them. */
export function cut(text: string, most: number): string {
  // A sign is one letter or more: the long way is for what may be too long only.
  if (text.length <= most) return text
  const signs = [...SIGNS_OF.segment(text)].map(({ segment }) => segment)
  return signs.length <= most
    ? text
    : `${signs
        .slice(0, most - 1)
        .join('')
        .trimEnd()}…`
}
