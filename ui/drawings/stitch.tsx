import type { Kit } from '@/core/kit/request'
import { plain } from '@/core/units/words'

const PX_PER_MM = 9
const LENGTH_MM = 15

/** Where between −1 and 1 of its width the needle stands at its i-th stitch. */
function swing({ name }: Kit['stitch'], i: number): number {
  // Four on the fold, and one that just catches the face.
  if (name === 'blind hem') return i % 5 === 4 ? -1 : 1
  if (name === 'three-step zigzag') return [-1, -1 / 3, 1 / 3, 1, 1 / 3, -1 / 3][i % 6]!
  return i % 2 ? 1 : -1
}

/** A run of the stitch from above, its length and its width to one scale, a millimetre rule beneath. */
export function StitchDrawing({
  stitch,
  gapMm,
  className,
}: {
  stitch: Kit['stitch']
  gapMm?: number
  className?: string
}) {
  const { lengthMm, widthMm } = stitch
  const advance = Math.max(lengthMm, 0.3)
  const count = Math.max(1, Math.floor(LENGTH_MM / advance))
  const half = (widthMm / 2) * PX_PER_MM
  const middle = Math.max(half, ((gapMm ?? 0) / 2) * PX_PER_MM) + 10
  const points = Array.from({ length: count + 1 }, (_, i) => ({
    x: 6 + i * advance * PX_PER_MM,
    y: middle + swing(stitch, i) * half,
  }))
  const rows = gapMm ? [(-gapMm / 2) * PX_PER_MM, (gapMm / 2) * PX_PER_MM] : [0]
  const ruler = middle + Math.max(half, ((gapMm ?? 0) / 2) * PX_PER_MM) + 12
  return (
    <svg
      viewBox={`0 0 ${LENGTH_MM * PX_PER_MM + 12} ${ruler + 16}`}
      role="img"
      aria-label={`Stitches ${plain(lengthMm)} mm long${widthMm > 0 ? ` and ${plain(widthMm)} mm wide` : ''}${gapMm ? `, in two rows ${plain(gapMm)} mm apart` : ''}`}
      className={className}
    >
      {rows.map((offset) => (
        <g key={offset} transform={`translate(0 ${offset})`} className="text-secondary">
          {points.slice(1).map((to, i) => (
            <line
              key={to.x}
              data-part="stitch"
              x1={points[i]!.x + (widthMm > 0 ? 0 : 1.2)}
              y1={points[i]!.y}
              x2={to.x - (widthMm > 0 ? 0 : 1.2)}
              y2={to.y}
              stroke="currentColor"
              strokeWidth="2.2"
              strokeLinecap="round"
            />
          ))}
          {points.map(({ x, y }) => (
            <circle key={x} cx={x} cy={y} r="1.3" className="text-base-content" fill="currentColor" />
          ))}
        </g>
      ))}
      <path
        d={`M6 ${ruler} H${6 + 10 * PX_PER_MM} ${Array.from({ length: 11 }, (_, i) => `M${6 + i * PX_PER_MM} ${ruler} v${i % 5 ? 3 : 6}`).join(' ')}`}
        fill="none"
        stroke="currentColor"
        strokeWidth="0.8"
      />
      <text x={6 + 10 * PX_PER_MM + 5} y={ruler + 7} fontSize="9" fill="currentColor">
        10 mm
      </text>
    </svg>
  )
}
