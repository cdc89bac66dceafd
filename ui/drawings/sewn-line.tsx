import {
  FRAME_START_MM,
  faceFrame,
  faceShapes,
  sectionShapes,
  type DrawnStitch,
  type FaceFrame,
} from '@/core/stitch/geometry'
import { StitchShapes } from './stitch-shapes'

const LENGTH_MM = 18

/** The seam cut along its line: the stack, both threads and where they lock. */
export function SewnSection({ stitch, className }: { stitch: DrawnStitch; className?: string }) {
  const half = stitch.stackMm / 2
  const height = Math.max(2.4, stitch.stackMm + 1.6)
  const lock = stitch.lockMm
  const where =
    Math.abs(lock) < half * 0.5
      ? 'in the middle'
      : lock > half
        ? 'on top'
        : lock < -half
          ? 'underneath'
          : lock > 0
            ? 'above the middle'
            : 'below the middle'
  return (
    <svg
      viewBox={`-0.6 ${-height / 2} ${LENGTH_MM + 1.2} ${height}`}
      className={className}
      role="img"
      aria-label={`Cut through the seam: the threads lock ${where}`}
    >
      <rect x="-0.6" width={LENGTH_MM + 1.2} y={-half} height={stitch.stackMm} fill="var(--color-base-200)" />
      <path
        d={`M-0.6 ${-half} H${LENGTH_MM + 0.6} M-0.6 0 H${LENGTH_MM + 0.6} M-0.6 ${half} H${LENGTH_MM + 0.6}`}
        stroke="currentColor"
        strokeWidth="0.03"
        strokeDasharray="0.3 0.12"
      />
      <StitchShapes shapes={sectionShapes(stitch, LENGTH_MM)} up />
    </svg>
  )
}

/** What a face shows, for whoever does not see it. */
export function faceWords({ s }: DrawnStitch, face: 'top' | 'under', nest = false): string {
  const shows = face === 'top' ? s : -s
  const said =
    nest && face === 'under'
      ? 'a nest of the top thread'
      : shows >= 2
        ? face === 'top'
          ? 'the bobbin’s thread lies along it'
          : 'loops of the top thread'
        : shows >= 0.5
          ? `dots of the ${face === 'top' ? 'bobbin' : 'top'} thread`
          : 'its own thread alone'
  return `${face === 'top' ? 'Top' : 'Underside'}: ${said}`
}

/** One face of the seam, as a swatch shows it. */
export function SewnFace({
  stitch,
  face,
  frame = faceFrame(stitch, LENGTH_MM + 2 * FRAME_START_MM),
  nest = false,
  className,
}: {
  stitch: DrawnStitch
  face: 'top' | 'under'
  frame?: FaceFrame
  /** the start is a nest underneath */
  nest?: boolean
  className?: string
}) {
  const { lengthMm, heightMm } = frame
  const box = { x: -FRAME_START_MM, y: -heightMm / 2 }
  return (
    <svg
      viewBox={`${box.x} ${box.y} ${lengthMm} ${heightMm}`}
      className={className}
      role="img"
      aria-label={faceWords(stitch, face, nest)}
    >
      <rect {...box} width={lengthMm} height={heightMm} fill="var(--color-base-200)" data-kind="cloth" />
      <StitchShapes shapes={faceShapes(stitch, face, lengthMm - 2 * FRAME_START_MM)} />
      {nest && face === 'under' && (
        <path
          d="M0 0 c1.4 -2.6 2.2 2.8 3 0.4 c0.8 -2.4 -2.6 -1.6 -1.6 0.8 c1 2.2 3.4 -2.8 3.6 -0.4 c0.2 2 -3 2.4 -4 0.6 c-1 -1.6 2 -2.4 3 -1.2"
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth={Math.max(0.2, stitch.topThreadMm)}
        />
      )}
    </svg>
  )
}
