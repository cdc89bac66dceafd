'use client'

import { FLAW_WORDS } from '@/core/picture/flaw'
import { UNDYED, type ShownCloth, type ShownFace } from '@/core/picture/swatch-scene'
import { faceFrame, type DrawnStitch } from '@/core/stitch/geometry'
import { faceWords, SewnFace } from '../drawings/sewn-line'
import { SwatchPicture } from './swatch-picture'
import { useTestThreads } from './test-threads'

const CALICO: ShownCloth = { structure: 'woven', massGsm: 130, colour: UNDYED }
/** How much of a seam is in view where nothing else is said, mm. */
const LENGTH_MM = 20

/** A face of a seam in the venue's own two threads; its diagram stands in its place until it is drawn, and lies over it when asked for. */
export function SewnPicture({
  stitch,
  face,
  nest = false,
  cloth = CALICO,
  lengthMm = LENGTH_MM,
  label,
  seed = 4,
  diagram,
  fine,
  className,
  ...marks
}: {
  stitch: DrawnStitch
  face: 'top' | 'under'
  cloth?: ShownCloth
  lengthMm?: number
  label?: string
  seed?: number
  diagram?: boolean
  fine?: boolean
  className?: string
} & Pick<ShownFace, 'nest' | 'pucker' | 'frayed' | 'wobbles' | 'flaw'>) {
  const threads = useTestThreads()
  const frame = faceFrame(stitch, lengthMm)
  const says = [faceWords(stitch, face, nest), ...(marks.flaw ? [FLAW_WORDS[marks.flaw]] : [])].join('; ')
  return (
    <SwatchPicture
      shown={{ face, stitch, cloth, threads, nest, seed, ...frame, ...marks }}
      label={label ?? says}
      {...(diagram !== undefined && { diagram })}
      {...(fine && { fine })}
      {...(className && { className })}
    >
      <SewnFace stitch={stitch} face={face} nest={nest} frame={frame} />
    </SwatchPicture>
  )
}

/** Asks for the diagrams over the pictures, or for the pictures alone. */
export function DiagramSwitch({ on, set }: { on: boolean; set: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2 text-sm">
      <input type="checkbox" className="toggle toggle-sm" checked={on} onChange={() => set(!on)} />
      The diagram over the picture
    </label>
  )
}
