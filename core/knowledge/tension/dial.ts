import type { RoomNumberName } from '../room-number'
import { readable, type Rule } from '../fact'

/**
 * An offset in numbers of an ordinary 0–9 dial (or the name of the room's number that holds it), or `half`: halfway
 * between the dial's minimum and its normal mark.
 */
export type DialOffset = { readonly numbers: number | RoomNumberName } | { readonly half: true }

/** Thread: −2.3·ln(d_top ÷ d_bobbin), within ± 1.5. Source: common practice, fitted to test swatches. */
export const THREAD_OFFSET = { perLogRatio: -2.3, within: 1.5 } as const
/** How far "half" lies below normal on an ordinary dial whose machine is not known. */
export const HALF_WITHOUT_MACHINE = -2

const offset = (id: string, when: Rule<unknown>['when'], give: DialOffset, because: string): Rule<DialOffset> => ({
  id: `dial-${id}`,
  when,
  give,
  because,
  source: 'common practice',
  confidence: 'medium',
})

/** Every row that holds counts. */
export const FABRIC_OFFSETS: readonly Rule<DialOffset>[] = readable([
  offset(
    'silky',
    { silky: { is: true } },
    { numbers: 'offsetSilky' },
    'sheer or silky cloth ({massGsm} g/m²) {offsetSilky}',
  ),
])

export const THREAD_OFFSETS: readonly Rule<DialOffset>[] = readable([
  offset('metallic', { threadFibre: { in: ['metallic'] } }, { half: true }, 'metallic thread half of normal'),
  offset('monofilament', { threadFinish: { in: ['monofilament'] } }, { half: true }, 'monofilament half of normal'),
])

/** First row that holds decides; on a machine that presets tension by stitch its own number takes their place. */
export const STITCH_OFFSETS: readonly Rule<DialOffset>[] = readable([
  offset('twin', { twin: { is: true } }, { numbers: 'offsetTwin' }, 'twin needle {offsetTwin}'),
  offset(
    'embroidery',
    { operation: { in: ['embroidery'] } },
    { numbers: 'offsetEmbroidery' },
    'embroidery {offsetEmbroidery}',
  ),
  offset('gather', { operation: { in: ['gather'] } }, { numbers: -1 }, 'gathering −1, so that the bobbin thread pulls'),
  offset('buttonhole', { stitchOf: { in: ['buttonhole'] } }, { half: true }, 'buttonhole half of normal'),
  offset(
    'decorative',
    { operation: { in: ['decorative', 'wing'] }, stitchOf: { notIn: ['straight'] } },
    { numbers: 'offsetDecorative' },
    'decorative stitch {offsetDecorative}',
  ),
  offset('zigzag', { stitchOf: { in: ['zigzag', 'stretch'] } }, { numbers: 'offsetZigzag' }, 'zigzag {offsetZigzag}'),
  offset('straight', {}, { numbers: 0 }, 'straight stitch 0'),
])
