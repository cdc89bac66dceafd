/** A bobbin that runs like a P (thread hangs left, turns anticlockwise) or like a 9, its mirror. */
export function BobbinDrawing({ runs, className }: { runs: 'P' | '9'; className?: string }) {
  return (
    <svg
      viewBox="-50 -42 100 100"
      role="img"
      aria-label={`The bobbin's thread hangs ${runs === 'P' ? 'on the left, like a P' : 'on the right, like a 9'}`}
      className={className}
    >
      <g transform={runs === 'P' ? undefined : 'scale(-1 1)'} fill="none" stroke="currentColor">
        <circle r="30" strokeWidth="1.4" fill="var(--color-base-200)" />
        <circle r="8" strokeWidth="1.4" fill="var(--color-base-100)" />
        <g className="text-secondary" stroke="currentColor" strokeWidth="5" strokeLinecap="round">
          <path d="M-25 52 V0 A25 25 0 1 1 -25 1" />
        </g>
        <path d="M12 -17 A21 21 0 0 0 -12 -17 m1 -6 l-2 7 l7 1" strokeWidth="1.6" />
      </g>
      <text x={runs === 'P' ? 30 : -30} y="54" fontSize="26" fontWeight="700" textAnchor="middle" fill="currentColor">
        {runs}
      </text>
    </svg>
  )
}
