import { TARGET_SCORE, TOP_LOOKS, UNDER_LOOKS, type Target } from '../knowledge/tension/tension'
import { readSwatch, type SwatchLook } from './reading'

/** The part of a kit that its swatch asks about. */
interface SwatchKit {
  readonly needle: { readonly point: string }
  readonly stitch: { readonly of: string; readonly iso: string }
}

/** What is sewn, as far as its swatch asks. */
export interface Sewn {
  readonly operation: string
  readonly fabric: { readonly traits?: readonly string[] | undefined }
}

/** What a swatch of this kit should look like. */
export function targetOf(kit: SwatchKit | undefined, sewn: Sewn | undefined): Target {
  if (!sewn || !kit) return 'straight'
  if (kit.needle.point.startsWith('twin-')) return 'twin'
  if (sewn.operation === 'buttonhole' || sewn.operation === 'embroidery') return sewn.operation
  if (kit.stitch.iso === '301') return sewn.fabric.traits?.includes('sheer') ? 'straight-on-sheer' : 'straight'
  return kit.stitch.of === 'decorative' ? 'decorative' : 'zigzag'
}

/** The faces that are right for a kind of stitch: of all that may be seen, those whose score comes nearest. */
export function goodLook(target: Target): Pick<SwatchLook, 'top' | 'under'> {
  const looks = TOP_LOOKS.flatMap((top) => UNDER_LOOKS.map((under) => ({ top, under })))
  const off = (look: SwatchLook) => Math.abs(readSwatch(look, target).s - TARGET_SCORE[target].score)
  return looks
    .filter((look) => readSwatch(look, target).onTarget)
    .reduce((best, look) => (off(look) < off(best) ? look : best))
}

/** Both faces of a good swatch, each in a few words. */
export function goodLookWords(target: Target): readonly [string, string] {
  const { top, under } = goodLook(target)
  return [
    top === 'own' ? 'top: only the top thread' : 'top: small dots of the bobbin thread',
    under === 'own' ? 'underneath: only the bobbin thread' : 'underneath: small dots of the top thread',
  ]
}
