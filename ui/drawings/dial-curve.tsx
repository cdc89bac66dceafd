import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { plain } from '@/core/units/words'

export interface CurvePoint {
  readonly dial: number
  readonly s: number
  /** which needle it was sewn with, as a letter; later needles come later in the alphabet */
  readonly needle: string
  readonly when: string
  readonly onTarget: boolean
}

const WIDTH = 720
const HEIGHT = 400
const EDGE = { left: 56, right: 20, top: 24, bottom: 48 }

/** A machine's tension: each swatch where its dial stood and what it scored, the fitted line, and where the dial is right. */
export function DialCurve({
  dial,
  points,
  fit,
  target,
  className,
}: {
  dial: { readonly min: number; readonly max: number; readonly normal: number }
  points: readonly CurvePoint[]
  fit?: { readonly best: number; readonly slope: number; readonly interval: readonly [number, number] } | undefined
  target: { readonly score: number; readonly within: number }
  className?: string
}) {
  const x = scaleLinear([dial.min, dial.max], [EDGE.left, WIDTH - EDGE.right])
  const y = scaleLinear([-3.4, 3.4], [HEIGHT - EDGE.bottom, EDGE.top])
  const score = (at: number) => (fit ? target.score + fit.slope * (at - fit.best) : 0)
  const ends = fit
    ? [-3.3, 3.3].map((s) => Math.min(dial.max, Math.max(dial.min, fit.best + (s - target.score) / fit.slope)))
    : []
  const path = line<number>()
    .x((at) => x(at))
    .y((at) => y(score(at)))
  const words = fit
    ? `${points.length} swatches; most likely right at ${plain(fit.best)}, between ${plain(fit.interval[0])} and ${plain(fit.interval[1])}`
    : `${points.length} swatches`
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={words} className={className}>
      <rect
        x={x(dial.min)}
        width={x(dial.max) - x(dial.min)}
        y={y(target.score + target.within)}
        height={y(target.score - target.within) - y(target.score + target.within)}
        fill="var(--color-base-200)"
      />
      {fit && (
        <rect
          data-part="interval"
          x={x(Math.max(dial.min, fit.interval[0]))}
          width={Math.max(2, x(Math.min(dial.max, fit.interval[1])) - x(Math.max(dial.min, fit.interval[0])))}
          y={EDGE.top}
          height={HEIGHT - EDGE.top - EDGE.bottom}
          fill="var(--color-success)"
          opacity="0.14"
        />
      )}
      {x.ticks(Math.min(10, Math.round(dial.max - dial.min))).map((mark) => (
        <g key={mark}>
          <line
            x1={x(mark)}
            x2={x(mark)}
            y1={HEIGHT - EDGE.bottom}
            y2={HEIGHT - EDGE.bottom + 6}
            stroke="currentColor"
          />
          <text x={x(mark)} y={HEIGHT - EDGE.bottom + 22} fontSize="14" textAnchor="middle" fill="currentColor">
            {plain(mark)}
          </text>
        </g>
      ))}
      <text x={(EDGE.left + WIDTH) / 2} y={HEIGHT - 6} fontSize="14" textAnchor="middle" fill="currentColor">
        dial
      </text>
      {[
        [3, 'bobbin on top'],
        [0, 'each its own'],
        [-3, 'loops below'],
      ].map(([at, label]) => (
        <g key={label}>
          <line
            x1={EDGE.left}
            x2={WIDTH - EDGE.right}
            y1={y(at as number)}
            y2={y(at as number)}
            stroke="currentColor"
            strokeWidth="0.6"
            strokeDasharray="2 5"
          />
          <text x={EDGE.left + 4} y={y(at as number) - 5} fontSize="13" fill="currentColor" opacity="0.85">
            {label}
          </text>
        </g>
      ))}
      <path
        d={`M${x(dial.normal)} ${HEIGHT - EDGE.bottom} l-6 10 h12 z`}
        fill="currentColor"
        aria-hidden="true"
        data-part="normal"
      />
      {fit && <path data-part="fit" d={path(ends) ?? ''} fill="none" stroke="currentColor" strokeWidth="2" />}
      {points.map((point, index) => (
        <g key={index} transform={`translate(${x(point.dial)} ${y(point.s)})`} data-part="swatch">
          <title>{`${point.when}: dial ${plain(point.dial)}, score ${plain(point.s)}, needle ${point.needle}`}</title>
          <circle
            r="10"
            fill={point.onTarget ? 'var(--color-success)' : 'var(--color-base-100)'}
            stroke="currentColor"
          />
          <text
            y="5"
            fontSize="13"
            fontWeight="700"
            textAnchor="middle"
            fill={point.onTarget ? 'var(--color-success-content)' : 'currentColor'}
          >
            {point.needle}
          </text>
        </g>
      ))}
    </svg>
  )
}
