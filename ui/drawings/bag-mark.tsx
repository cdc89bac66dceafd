import type { BagState } from '@/core/kit/for-room'

export const BAG_WORDS: Readonly<Record<BagState, string>> = {
  good: 'good',
  marginal: 'marginal',
  refused: 'refused',
  short: 'out of stock',
  overridden: 'overridden',
}

/** A full bag, a half-filled one, a barred one, an empty dashed one, and one with a hand-drawn stroke. */
const BODY = 'M4 8 H20 L21.5 22 H2.5 Z'
const HANDLE = 'M8 8 C8 1 16 1 16 8'
const SHAPES: Readonly<Record<BagState, React.ReactNode>> = {
  good: (
    <>
      <path d={BODY} fill="currentColor" stroke="currentColor" strokeWidth="1.6" />
      <path d="M7.5 15 l3 3 l6 -6.4" fill="none" stroke="var(--color-base-100)" strokeWidth="2.4" />
    </>
  ),
  marginal: (
    <>
      <path d={BODY} fill="none" stroke="currentColor" strokeWidth="1.8" />
      <path d="M3.2 15 H20.8 L21.5 22 H2.5 Z" fill="currentColor" />
    </>
  ),
  refused: (
    <>
      <path d={BODY} fill="none" stroke="currentColor" strokeWidth="1.8" />
      <path d="M2 3 L22 23" stroke="currentColor" strokeWidth="3" />
    </>
  ),
  short: <path d={BODY} fill="none" stroke="currentColor" strokeWidth="1.8" strokeDasharray="3 2.4" />,
  overridden: (
    <>
      <path d={BODY} fill="none" stroke="currentColor" strokeWidth="1.8" />
      <path d="M6.5 19 L15.5 10 l2.4 2.4 L9 21 l-3.2 .8 Z" fill="currentColor" />
    </>
  ),
}

const COLOUR: Readonly<Record<BagState, string>> = {
  good: 'text-success',
  marginal: 'text-warning',
  refused: 'text-error',
  short: 'text-warning',
  overridden: 'text-primary',
}

/** How a bag stands: its shape and its word; colour only helps. */
export function BagMark({ state, className = '' }: { state: BagState; className?: string }) {
  return (
    <span className={`inline-flex items-center gap-1.5 font-bold ${COLOUR[state]} ${className}`}>
      <svg viewBox="0 0 24 24" className="size-[1.25em] shrink-0" aria-hidden="true">
        <path d={HANDLE} fill="none" stroke="currentColor" strokeWidth="1.8" />
        {SHAPES[state]}
      </svg>
      {BAG_WORDS[state]}
    </span>
  )
}
