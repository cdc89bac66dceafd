import type { Rule } from './rule'

/** An offset in numbers of an ordinary 0–9 dial, or `half`: halfway between the dial's minimum and its normal mark. */
export type DialOffset = { readonly numbers: number } | { readonly half: true }

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
export const FABRIC_OFFSETS: readonly Rule<DialOffset>[] = [
  offset('silky', { silky: { is: true } }, { numbers: -1 }, 'sheer or silky cloth ({massGsm} g/m²) −1'),
]

export const THREAD_OFFSETS: readonly Rule<DialOffset>[] = [
  offset('metallic', { threadFibre: { in: ['metallic'] } }, { half: true }, 'metallic thread half of normal'),
  offset('monofilament', { threadFinish: { in: ['monofilament'] } }, { half: true }, 'monofilament half of normal'),
]

/** First row that holds decides; on a machine that presets tension by stitch its own number takes their place. */
export const STITCH_OFFSETS: readonly Rule<DialOffset>[] = [
  offset('twin', { twin: { is: true } }, { numbers: -1 }, 'twin needle −1'),
  offset('embroidery', { operation: { in: ['embroidery'] } }, { numbers: -1.75 }, 'embroidery −1.75'),
  offset('buttonhole', { stitchOf: { in: ['buttonhole'] } }, { half: true }, 'buttonhole half of normal'),
  offset(
    'decorative',
    { operation: { in: ['decorative', 'wing'] }, stitchOf: { notIn: ['straight'] } },
    { numbers: -1 },
    'decorative stitch −1',
  ),
  offset('zigzag', { stitchOf: { in: ['zigzag', 'stretch'] } }, { numbers: -0.75 }, 'zigzag −0.75'),
  offset('straight', {}, { numbers: 0 }, 'straight stitch 0'),
]
