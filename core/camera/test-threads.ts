import { colourOf } from '../picture/picture'
import type { TestThreads } from '../room/venue-settings'
import { seenApart } from './colours'

/** Nearer to each other than this, nobody tells a dot of the one on the other. */
const LEAST_APART = 0.25

/** How much light a colour sends back, as an eye weighs it. */
const brightness = (hex: string): number => {
  const [red, green, blue] = colourOf(hex)
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

/** Why two threads are no good for test swatches; undefined where they are. */
export function threadsAlike({ top, bobbin }: TestThreads): string | undefined {
  if (seenApart(colourOf(top), colourOf(bobbin)) < LEAST_APART)
    return 'The two threads are too alike to be told apart on a swatch'
  return brightness(top) < brightness(bobbin)
    ? undefined
    : 'The thread above is the darker one: whoever reads a swatch is told so'
}
