import type { TopLook, UnderLook } from '@/core/knowledge/tension/tension'

const STITCHES = [8, 26, 44, 62, 80, 98]

/** Dark thread runs above and is drawn solid; light thread runs below and is drawn as an outline, so neither needs colour. */
const dashes = (thread: 'dark' | 'light', gap = 4) =>
  STITCHES.map((x) => (
    <rect
      key={x}
      x={x}
      y="27"
      width={18 - gap}
      height="6"
      rx="3"
      className={thread === 'dark' ? 'text-primary' : 'text-secondary'}
      fill={thread === 'dark' ? 'currentColor' : 'var(--color-base-100)'}
      stroke="currentColor"
      strokeWidth="1.6"
    />
  ))

const dots = (thread: 'dark' | 'light') =>
  STITCHES.map((x) => (
    <circle
      key={`dot${x}`}
      cx={x - 2}
      cy="30"
      r="3.6"
      className={thread === 'dark' ? 'text-primary' : 'text-secondary'}
      fill={thread === 'dark' ? 'currentColor' : 'var(--color-base-100)'}
      stroke="currentColor"
      strokeWidth="1.6"
    />
  ))

const TOP: Record<TopLook, React.ReactNode> = {
  own: dashes('dark'),
  dots: (
    <>
      {dashes('dark', 7)}
      {dots('light')}
    </>
  ),
  line: (
    <>
      <path d="M4 30 H116" className="text-primary" stroke="currentColor" strokeWidth="2" />
      <path d="M4 30 H116" className="text-secondary" stroke="currentColor" strokeWidth="7" strokeDasharray="13 3" />
      <path d="M4 30 H116" stroke="var(--color-base-100)" strokeWidth="3.4" strokeDasharray="13 3" />
    </>
  ),
}

const UNDER: Record<UnderLook, React.ReactNode> = {
  own: dashes('light'),
  dots: (
    <>
      {dashes('light', 7)}
      {dots('dark')}
    </>
  ),
  loops: (
    <>
      <path d="M4 30 H116" className="text-secondary" stroke="currentColor" strokeWidth="2" />
      {STITCHES.map((x) => (
        <path
          key={x}
          d={`M${x} 30 q-5 17 3 17 q8 0 3 -17`}
          fill="none"
          className="text-primary"
          stroke="currentColor"
          strokeWidth="3"
        />
      ))}
    </>
  ),
  nest: (
    <path
      d="M8 32 C14 6 26 52 34 30 C40 10 46 50 54 34 C62 12 70 54 78 30 C84 12 92 50 100 30 C106 20 112 40 110 44 C100 54 88 36 76 46 C64 54 52 36 40 46 C30 54 20 40 14 46"
      fill="none"
      className="text-primary"
      stroke="currentColor"
      strokeWidth="3"
    />
  ),
}

export const LOOK_WORDS = {
  top: {
    own: 'only the dark thread',
    dots: 'dots of the light bobbin thread',
    line: 'the light bobbin thread as a line',
  } satisfies Record<TopLook, string>,
  under: {
    own: 'only the light thread',
    dots: 'dots of the dark top thread',
    loops: 'loops of the dark top thread',
    nest: 'a nest of dark top thread',
  } satisfies Record<UnderLook, string>,
}

/** One face of a test swatch, sewn with dark thread above and light thread below. */
export function SwatchFace(
  props: ({ face: 'top'; look: TopLook } | { face: 'under'; look: UnderLook }) & { className?: string },
) {
  const drawn = props.face === 'top' ? TOP[props.look] : UNDER[props.look]
  const words = props.face === 'top' ? LOOK_WORDS.top[props.look] : LOOK_WORDS.under[props.look]
  return (
    <svg
      viewBox="0 0 120 60"
      role="img"
      aria-label={`${props.face === 'top' ? 'Top' : 'Underside'}: ${words}`}
      className={props.className}
    >
      <path
        d="M2 4 L118 2 L117 57 L3 58 Z"
        fill="var(--color-base-200)"
        stroke="currentColor"
        strokeWidth="1"
        strokeDasharray="1 3"
      />
      {drawn}
    </svg>
  )
}
