import { SEAT_STEPS, STEP_WORDS, type SeatStep } from '@/core/session/seat-step'

const SHORT_WORDS: Readonly<Record<SeatStep, string>> = {
  bag: 'bag',
  check: 'check',
  swatch: 'swatch',
  sewing: 'sew',
  done: 'done',
}
const GAP = 46
const Y = 13

/** Somebody's way at a machine as a line of stitches: what is behind them is sewn, where they are is a big knot, the rest is chalk. */
export function SeatWay({
  step,
  words = false,
  className = '',
}: {
  step: SeatStep
  words?: boolean
  className?: string
}) {
  const at = SEAT_STEPS.indexOf(step)
  const x = (index: number) => 16 + index * GAP
  const right = x(SEAT_STEPS.length - 1)
  return (
    <svg
      viewBox={`0 0 ${right + 16} ${words ? 38 : 26}`}
      className={className}
      role="img"
      aria-label={`Step ${at + 1} of ${SEAT_STEPS.length}: ${STEP_WORDS[step]}`}
    >
      <path
        d={`M${x(at)} ${Y} H${right}`}
        stroke="currentColor"
        strokeWidth="1.2"
        strokeDasharray="1 5"
        opacity="0.6"
      />
      {at > 0 && <path d={`M${x(0)} ${Y} H${x(at)}`} stroke="currentColor" strokeWidth="3" strokeDasharray="9 4" />}
      {SEAT_STEPS.map((each, index) => (
        <g key={each}>
          {index < at && <circle cx={x(index)} cy={Y} r="5" fill="currentColor" />}
          {index === at && (
            <>
              <circle
                cx={x(index)}
                cy={Y}
                r="10.5"
                fill="var(--color-base-100)"
                stroke="currentColor"
                strokeWidth="3.4"
              />
              <circle cx={x(index)} cy={Y} r="4" fill="currentColor" />
            </>
          )}
          {index > at && (
            <circle cx={x(index)} cy={Y} r="4.4" fill="var(--color-base-100)" stroke="currentColor" strokeWidth="1.3" />
          )}
          {words && (
            <text
              x={x(index)}
              y="36"
              textAnchor="middle"
              fontSize="9.5"
              fontWeight={index === at ? 700 : 400}
              fill="currentColor"
            >
              {SHORT_WORDS[each]}
            </text>
          )}
        </g>
      ))}
    </svg>
  )
}
