import { scaleLinear } from 'd3-scale'

export interface NeedleBar {
  readonly key: string
  readonly name: string
  readonly hours: number
  /** from when to when, and why it left */
  readonly words: string
  readonly inside: boolean
}

const ROW = 30
const LEFT = 150
const WIDTH = 520

/** Hours by needle, the newest first, against the room's life; the one that is in there now has an open end. */
export function NeedleBars({ bars, lifeHours }: { bars: readonly NeedleBar[]; lifeHours: number }) {
  const most = Math.max(lifeHours, ...bars.map(({ hours }) => hours))
  const x = scaleLinear([0, most * 1.05], [LEFT, WIDTH])
  const height = bars.length * ROW + 26
  return (
    <svg
      viewBox={`0 0 ${WIDTH + 8} ${height}`}
      role="img"
      aria-label={`Hours by needle, newest first: ${bars.map(({ name, hours }) => `${name} ${hours.toFixed(1)}`).join(', ')}; the room’s life is ${lifeHours} hours`}
      className="w-full max-w-3xl"
    >
      <line x1={x(lifeHours)} x2={x(lifeHours)} y1="0" y2={height - 18} stroke="currentColor" strokeDasharray="3 3" />
      <text x={x(lifeHours)} y={height - 5} fontSize="11" textAnchor="middle" fill="currentColor">
        life {lifeHours} h
      </text>
      {bars.map(({ key, name, hours, words, inside }, index) => (
        <g key={key} transform={`translate(0 ${index * ROW})`}>
          <text x={LEFT - 8} y="13" fontSize="12" fontWeight="700" textAnchor="end" fill="currentColor">
            {name}
          </text>
          <rect
            data-part="hours"
            x={LEFT}
            y="2"
            width={Math.max(1, x(hours) - LEFT)}
            height="12"
            fill={inside ? 'none' : 'currentColor'}
            stroke="currentColor"
            strokeWidth="1.4"
            className="text-primary"
          />
          <text x={LEFT} y="25" fontSize="10.5" fill="currentColor">
            {hours.toFixed(1)} h, {words}
          </text>
        </g>
      ))}
    </svg>
  )
}
