import type { PointerEvent } from 'react'
import type { Dial } from '@/core/units/dial'
import { plain } from '@/core/units/words'

const SWEEP = 280

/** The mark of a dial at which a hand points, from the dial's middle: y grows downwards. Beyond its ends: the nearer end. */
export function markAt(dial: Dial, x: number, y: number): number {
  const turned = (Math.atan2(x, -y) * 180) / Math.PI
  const along = Math.min(1, Math.max(0, turned / SWEEP + 0.5))
  const steps = Math.round((along * (dial.max - dial.min)) / dial.step)
  return Math.min(dial.max, Number((dial.min + steps * dial.step).toFixed(6)))
}

function pointedAt(dial: Dial, { currentTarget, clientX, clientY }: PointerEvent<SVGSVGElement>): number {
  const { left, top, width, height } = currentTarget.getBoundingClientRect()
  return markAt(dial, clientX - left - width / 2, clientY - top - height / 2)
}

/** A tension dial with this machine's own scale: its normal mark notched, and the mark to set. */
export function DialDrawing({
  dial,
  set,
  turn,
  className,
}: {
  dial: Dial
  set: number
  /** makes it a dial that is turned by dragging; keys have a slider beside it */
  turn?: (mark: number) => void
  className?: string
}) {
  const angle = (mark: number) => ((mark - dial.min) / (dial.max - dial.min) - 0.5) * SWEEP
  const at = (mark: number, radius: number) => {
    const turn = (angle(mark) * Math.PI) / 180
    return { x: Math.sin(turn) * radius, y: -Math.cos(turn) * radius }
  }
  const whole = Array.from(
    { length: Math.floor(dial.max) - Math.ceil(dial.min) + 1 },
    (_, i) => Math.ceil(dial.min) + i,
  )
  return (
    <svg
      viewBox="-62 -62 124 124"
      role="img"
      aria-label={`Tension dial from ${plain(dial.min)} to ${plain(dial.max)}, normal ${plain(dial.normal)}, set to ${plain(set)}`}
      className={turn ? `cursor-grab touch-none active:cursor-grabbing ${className}` : className}
      {...(turn && {
        onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          turn(pointedAt(dial, event))
        },
        onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
          if (event.currentTarget.hasPointerCapture(event.pointerId)) turn(pointedAt(dial, event))
        },
      })}
    >
      <circle r="40" fill="var(--color-base-200)" stroke="currentColor" strokeWidth="1.4" />
      {whole.map((mark) => {
        const [inner, outer, label] = [at(mark, 40), at(mark, 45), at(mark, 54)]
        return (
          <g key={mark}>
            <line x1={inner.x} y1={inner.y} x2={outer.x} y2={outer.y} stroke="currentColor" strokeWidth="1.4" />
            <text x={label.x} y={label.y + 4} fontSize="11" textAnchor="middle" fill="currentColor">
              {mark}
            </text>
          </g>
        )
      })}
      <g transform={`rotate(${angle(dial.normal)})`} data-part="normal">
        <path d="M-4 -40 L0 -33 L4 -40 Z" fill="currentColor" />
      </g>
      <g transform={`rotate(${angle(set)})`} data-part="set" className="text-secondary">
        <path d="M-5 0 L0 -31 L5 0 Z" fill="currentColor" />
        <circle r="6" fill="currentColor" />
      </g>
    </svg>
  )
}
