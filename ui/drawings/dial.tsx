import type { Dial } from '@/core/units/dial'
import { plain } from '@/core/knowledge/rule'

const SWEEP = 280

/** A tension dial with this machine's own scale: its normal mark notched, and the mark to set. */
export function DialDrawing({ dial, set, className }: { dial: Dial; set: number; className?: string }) {
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
      className={className}
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
