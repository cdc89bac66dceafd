import { named } from '@/core/units/words'
import type { StandingWord } from '@/core/machine/standing'

/** Ready is a round button, due a diamond with a notch, stopped a barred square: shape and word, never colour alone. */
const SHAPES: Readonly<Record<StandingWord, React.ReactNode>> = {
  ready: (
    <>
      <circle cx="12" cy="12" r="10" fill="currentColor" />
      <path d="M7 12.5 l3.6 3.6 l6.6 -7.4" fill="none" stroke="var(--color-base-100)" strokeWidth="2.6" />
    </>
  ),
  due: (
    <>
      <path d="M12 1 L23 12 L12 23 L1 12 Z" fill="none" stroke="currentColor" strokeWidth="2.2" />
      <path d="M12 6.5 V13" stroke="currentColor" strokeWidth="2.6" />
      <circle cx="12" cy="16.6" r="1.6" fill="currentColor" />
    </>
  ),
  stopped: (
    <>
      <rect x="1.5" y="1.5" width="21" height="21" fill="currentColor" />
      <rect x="5" y="9.6" width="14" height="4.8" fill="var(--color-base-100)" />
    </>
  ),
}

export const STANDING_COLOUR: Readonly<Record<StandingWord, string>> = {
  ready: 'text-success',
  due: 'text-warning',
  stopped: 'text-error',
}

export function StandingShape({ standing }: { standing: StandingWord }) {
  return SHAPES[standing]
}

export function StandingMark({ standing, className = '' }: { standing: StandingWord; className?: string }) {
  return (
    <span
      className={`inline-flex items-center gap-2 font-bold uppercase tracking-wide ${STANDING_COLOUR[standing]} ${className}`}
    >
      <svg viewBox="0 0 24 24" className="size-[1.3em] shrink-0" aria-hidden="true">
        <StandingShape standing={standing} />
      </svg>
      {named(standing)}
    </span>
  )
}
