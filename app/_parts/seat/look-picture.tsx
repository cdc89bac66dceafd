import type { Target, TopLook, UnderLook } from '@/core/knowledge/tension/tension'
import type { ShownCloth } from '@/core/picture/swatch-scene'
import type { DrawnStitch } from '@/core/stitch/geometry'
import { LOOK_WORDS } from '@/ui/drawings/swatch-face'
import { SewnPicture } from '@/ui/picture/sewn-picture'

/** What each look scores in the middle of it; a nest is a look of its own. */
const SCORES: Readonly<Record<TopLook | UnderLook, number>> = { own: 0, dots: 1.2, line: 2.7, loops: 2.7, nest: 3 }
type Sewn = Pick<DrawnStitch, 'kind' | 'lengthMm' | 'widthMm' | 'gapMm'>
const LINE: Sewn = { kind: 'straight', lengthMm: 2.5, widthMm: 0 }
const ZIGZAG: Sewn = { kind: 'zigzag', lengthMm: 1.5, widthMm: 3 }
const SATIN: Sewn = { kind: 'zigzag', lengthMm: 0.4, widthMm: 3 }
const STITCHES: Readonly<Record<Target, Sewn>> = {
  straight: LINE,
  'straight-on-sheer': LINE,
  zigzag: ZIGZAG,
  decorative: ZIGZAG,
  twin: { ...LINE, kind: 'twin', gapMm: 2.5 },
  buttonhole: SATIN,
  embroidery: SATIN,
}
const ORDINARY = { topThreadMm: 0.27, bobbinThreadMm: 0.27, stackMm: 0.6, needleMm: 0.8, lockMm: 0, skipped: 0 }
/** As much of a seam as is told at a glance, at about four times its size. */
const LENGTH_MM = 14

/** What a face can look like, to be chosen from: on the cloth in hand, in the venue's own threads. */
export function LookPicture({
  target,
  cloth,
  diagram = false,
  className = 'w-full',
  ...shown
}: ({ face: 'top'; look: TopLook } | { face: 'under'; look: UnderLook }) & {
  target: Target
  cloth: ShownCloth | undefined
  diagram?: boolean
  className?: string
}) {
  const { face, look } = shown
  const words = face === 'top' ? LOOK_WORDS.top[look] : LOOK_WORDS.under[look]
  return (
    <SewnPicture
      face={face}
      stitch={{ ...ORDINARY, ...STITCHES[target], s: face === 'top' ? SCORES[look] : -SCORES[look] }}
      nest={look === 'nest'}
      label={`${face === 'top' ? 'Top' : 'Underside'}: ${words}`}
      lengthMm={LENGTH_MM}
      diagram={diagram}
      className={className}
      {...(cloth && { cloth })}
    />
  )
}
