import type { StitchShape } from '@/core/stitch/geometry'

/**
 * Shapes of a stitch, drawn. The top thread is blue and solid, the bobbin's rust and striped: nobody has to tell them
 * apart by colour.
 */
export function StitchShapes({ shapes, up = false }: { shapes: readonly StitchShape[]; up?: boolean }) {
  const y = (value: number) => (up ? -value : value)
  return shapes.map((shape, index) => {
    if (shape.kind === 'hole') {
      return (
        <circle
          key={index}
          cx={shape.at.x}
          cy={y(shape.at.y)}
          r={shape.radiusMm}
          fill="currentColor"
          opacity="0.25"
          data-kind="hole"
        />
      )
    }
    const colour = shape.thread === 'top' ? 'var(--color-primary)' : 'var(--color-secondary)'
    if (shape.kind === 'dot') {
      return (
        <g key={index} data-kind="dot" data-thread={shape.thread}>
          <circle cx={shape.at.x} cy={y(shape.at.y)} r={shape.radiusMm} fill={colour} />
          {shape.thread === 'bobbin' && (
            <circle cx={shape.at.x} cy={y(shape.at.y)} r={shape.radiusMm * 0.45} fill="var(--color-base-100)" />
          )}
        </g>
      )
    }
    const path = shape.points.map((point, at) => `${at === 0 ? 'M' : 'L'}${point.x} ${y(point.y)}`).join(' ')
    const width = Math.max(0.12, shape.widthMm)
    return (
      <g
        key={index}
        fill="none"
        strokeLinejoin="round"
        strokeLinecap="round"
        data-kind="thread"
        data-thread={shape.thread}
      >
        <path d={path} stroke={colour} strokeWidth={width} />
        {shape.thread === 'bobbin' && (
          <path
            d={path}
            stroke="var(--color-base-100)"
            strokeWidth={width * 0.4}
            strokeDasharray={`${width} ${width * 1.4}`}
          />
        )}
      </g>
    )
  })
}
