import type { Traits } from '@/core/knowledge/machine/trait'

const LINE = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const

/** The spool as it sits on this machine: lying with its cap, upright on felt, or a cone with its guide above. */
export function SpoolDrawing({ pin, className }: { pin: NonNullable<Traits['spoolPin']>; className?: string }) {
  const words = {
    lying: 'The spool lies, cap at its end',
    both: 'The spool lies, cap at its end',
    upright: 'The spool stands on felt',
    'cone-stand': 'The cone stands under its guide',
  }
  return (
    <svg viewBox="0 0 90 80" role="img" aria-label={words[pin]} className={className}>
      {pin === 'upright' ? (
        <>
          <g {...LINE}>
            <path d="M45 8 V72 M20 72 H70 M28 66 H62 V70 H28 Z" />
            <path d="M30 26 H60 V30 H56 V60 H60 V64 H30 V60 H34 V30 H30 Z" fill="var(--color-base-200)" />
          </g>
          <path d="M56 40 Q72 38 84 20" {...LINE} className="text-secondary" strokeWidth="3" />
        </>
      ) : pin === 'cone-stand' ? (
        <>
          <g {...LINE}>
            <path d="M18 74 H62 M40 74 V70 M30 70 L37 40 H43 L50 70 Z" fill="var(--color-base-200)" />
            <path d="M66 74 V10 H40" />
            <circle cx="40" cy="14" r="4" />
          </g>
          <path d="M40 40 V14 Q60 14 84 30" {...LINE} className="text-secondary" strokeWidth="3" />
        </>
      ) : (
        <>
          <g {...LINE}>
            <path d="M6 42 H80" />
            <path d="M22 28 H26 V34 H56 V28 H60 V56 H56 V50 H26 V56 H22 Z" fill="var(--color-base-200)" />
            <ellipse cx="66" cy="42" rx="4" ry="18" fill="var(--color-base-100)" />
          </g>
          <path d="M40 34 Q34 16 8 12" {...LINE} className="text-secondary" strokeWidth="3" />
        </>
      )}
    </svg>
  )
}

/** The hand wheel from its end, with the way this machine turns it. */
export function HandWheelDrawing({ turns, className }: { turns: Traits['handWheel']; className?: string }) {
  return (
    <svg
      viewBox="-44 -42 88 84"
      role="img"
      aria-label={
        turns ? `The hand wheel turns ${turns === 'towards' ? 'towards you' : 'away from you'}` : 'The hand wheel'
      }
      className={className}
    >
      <circle r="26" {...LINE} fill="var(--color-base-200)" />
      <circle r="7" {...LINE} />
      {turns && (
        <g transform={turns === 'towards' ? undefined : 'scale(-1 1)'} className="text-secondary">
          <path d="M10 -33 A35 35 0 0 0 -33 10" {...LINE} strokeWidth="3" />
          <path d="M-40 3 L-33 12 L-26 4" {...LINE} strokeWidth="3" />
        </g>
      )}
      <text y="40" x={turns === 'away' ? 24 : -24} fontSize="11" textAnchor="middle" fill="currentColor">
        {turns === 'towards' ? 'you' : ''}
      </text>
    </svg>
  )
}

/** The tension discs: in sight on the outside, or behind the slot. */
export function DiscsDrawing({ discs, className }: { discs: Traits['tensionDiscs']; className?: string }) {
  const outside = discs === 'outside'
  return (
    <svg
      viewBox="0 0 90 80"
      role="img"
      aria-label={outside ? 'Two discs on the outside' : 'The discs are inside the slot'}
      className={className}
    >
      <g {...LINE}>
        {outside ? (
          <>
            <path d="M12 8 V72" />
            <ellipse cx="34" cy="40" rx="5" ry="24" fill="var(--color-base-200)" />
            <ellipse cx="46" cy="40" rx="5" ry="24" fill="var(--color-base-200)" />
            <path d="M12 40 H29 M51 40 H64" />
          </>
        ) : (
          <>
            <path d="M12 8 H36 V72 H12 M54 8 H78 V72 H54" fill="var(--color-base-200)" />
            <path d="M42 26 V54 M48 26 V54" strokeDasharray="3 3" />
          </>
        )}
      </g>
      <path d={outside ? 'M40 2 V78' : 'M45 2 V78'} {...LINE} className="text-secondary" strokeWidth="3" />
    </svg>
  )
}

/** The end of the take-up lever: a slot to slip into, or a closed eye to thread. */
export function TakeUpDrawing({ takeUp, className }: { takeUp: Traits['takeUp']; className?: string }) {
  const closed = takeUp === 'closed-eye'
  return (
    <svg
      viewBox="0 0 90 80"
      role="img"
      aria-label={closed ? 'A take-up lever with a closed eye' : 'A take-up lever with a slot'}
      className={className}
    >
      <path
        d={
          closed
            ? 'M4 58 L44 30 A14 14 0 1 1 54 44 L12 70 Z'
            : 'M4 58 L44 30 A14 14 0 1 1 66 32 L58 30 A6 6 0 1 0 54 34 L54 44 L12 70 Z'
        }
        {...LINE}
        fill="var(--color-base-200)"
      />
      {closed && <circle cx="54" cy="29" r="5" {...LINE} fill="var(--color-base-100)" />}
      <path d="M54 78 V30 Q60 20 76 78" {...LINE} className="text-secondary" strokeWidth="3" />
    </svg>
  )
}
