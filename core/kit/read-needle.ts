import { POINTS, type Point } from '../knowledge/needle/needle'
import { allowedSizes, NeedleSizeError, OLDER_NUMBER, olderNumber } from '../units/needle-size'

export interface NeedleSize {
  readonly sizeNm: number
  readonly sizeUs: number
  /** of a twin, where the text says it */
  readonly gapMm?: number
  /** where the text says it */
  readonly point?: Point
  /** set when the text pairs two numbers that do not belong together */
  readonly note?: string
}

const POINT_WORDS: Readonly<Record<string, Point>> = {
  ...(Object.fromEntries(Object.keys(POINTS).map((point) => [point, point])) as Record<Point, Point>),
  sharp: 'microtex',
  jersey: 'ballpoint',
  denim: 'jeans',
  twin: 'twin-universal',
}

/** Gaps of twins lie below every older number of a size. */
const WIDEST_GAP_MM = 7

/** "jeans 100/16" as "100/16 jeans"; "Nm 90" as it is. */
const wordLast = (text: string): string => text.trim().replace(/^(?!nm)([a-z][a-z -]*?)\s+(\d.*)$/i, '$2 $1')

/** The point that a word after the size names; with a gap before the size it is a twin's. */
function pointNamed(words: string, twin: boolean): Point | undefined {
  const word = words
    .toLowerCase()
    .replace(/ (?:point|needle)$/, '')
    .replaceAll(' ', '-')
  return (twin ? POINT_WORDS[`twin-${POINT_WORDS[word] ?? word}`] : undefined) ?? POINT_WORDS[word]
}

/**
 * Reads "80", "12", "80/12" or "12/80", with or without "Nm"; "2.0/80", a twin's gap in mm before its size; and a point's word
 * after any of them, "100/16 jeans".
 * @throws NeedleSizeError naming the sizes that exist.
 */
export function parseNeedleSize(text: string): NeedleSize {
  const wrong = () => new NeedleSizeError(`"${text}" is no needle size; ${allowedSizes()}`)
  const found =
    /^(?:nm\s*)?(?:(\d(?:\.\d+)?)\s*(?:mm)?\s*\/\s*)?(\d{1,3})(?:\s*\/\s*(\d{1,3}))?(?:\s*nm)?(?:\s+([a-z][a-z -]*))?$/i.exec(
      wordLast(text),
    )
  if (!found) throw wrong()
  const [, before, ...rest] = found
  // "8/60" is a size with its older number before it, and no gap.
  const isGap = before !== undefined && (before.includes('.') || Number(before) < WIDEST_GAP_MM)
  const words = rest[2]
  const point = words === undefined ? undefined : pointNamed(words, isGap)
  if (words !== undefined && point === undefined)
    throw new NeedleSizeError(`"${words}" is no point; allowed are ${Object.keys(POINTS).join(', ')}`)
  const more = { ...(isGap && { gapMm: Number(before) }), ...(point && { point }) }
  const numbers = [isGap ? undefined : before, rest[0], rest[1]].filter((part) => part !== undefined).map(Number)
  const metric = numbers.filter((number) => OLDER_NUMBER.has(number))
  const older = numbers.filter((number) => !OLDER_NUMBER.has(number))
  const known = (sizeUs: number) => [...OLDER_NUMBER].find(([, us]) => us === sizeUs)?.[0]
  if (numbers.length === 1) {
    const sizeNm = metric[0] ?? known(older[0]!)
    if (sizeNm !== undefined) return { sizeNm, sizeUs: olderNumber(sizeNm), ...more }
  }
  if (numbers.length === 2 && metric.length === 1 && known(older[0]!) !== undefined) {
    const [sizeNm, sizeUs] = [metric[0]!, olderNumber(metric[0]!)]
    if (older[0] === sizeUs) return { sizeNm, sizeUs, ...more }
    return {
      sizeNm,
      sizeUs,
      ...more,
      note: `The pack says ${older[0]}, but ${sizeNm} goes with ${sizeUs}: the metric number is taken, measure the blade if in doubt`,
    }
  }
  throw wrong()
}
