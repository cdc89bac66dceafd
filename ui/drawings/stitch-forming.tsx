/** How a stitch forms, one moment at a time. Source: geometry of the rotary hook, simplified. */
export const MOMENTS = [
  { title: 'The needle goes down', words: 'The thread lies in the long groove and goes down with the needle.' },
  { title: 'A loop swells', words: 'As the needle begins to rise, the thread at the scarf bulges into a loop.' },
  {
    title: 'The hook takes it',
    words:
      'The hook’s tip passes through the scarf, close to the needle, and catches the loop. A bent or blunt needle spoils just this.',
  },
  {
    title: 'Round the bobbin',
    words: 'The hook carries the loop right round the bobbin, whose thread now lies inside it.',
  },
  {
    title: 'The take-up pulls',
    words:
      'The take-up lever rises and pulls the loop up, with the bobbin’s thread in it, until both lock inside the cloth.',
  },
  {
    title: 'The cloth moves on',
    words: 'Needle out, the feed dogs move the cloth one stitch length, and it begins again.',
  },
] as const

/** One moment goes over into the next where nobody has asked for less motion; it is stepped by hand all the same. */
const MOVES = 'motion-safe:transition-transform motion-safe:duration-700'
const down = (by: number) => ({ transform: `translateY(${by}px)` })
/** Where needle and take-up stand when all begins. */
const [NEEDLE_Y, TAKE_UP_Y] = [62, 30]

export function StitchForming({ moment, className }: { moment: number; className?: string }) {
  const needleTip = [62, 58, 54, 40, 14, 10][moment]!
  const takeUp = [30, 34, 38, 44, 10, 14][moment]!
  const hook = [-60, -20, 30, 150, 240, 300][moment]!
  const loop = [
    '',
    'M50 54 q9 4 3 10 q-5 2 -3 -10',
    'M50 50 q16 4 12 14 q-8 6 -12 -14',
    'M50 40 C84 52 84 92 50 94 C18 92 18 52 50 40',
    'M50 14 C52 30 52 40 50 46 C48 40 48 30 50 14',
    '',
  ][moment]!
  const fed = { transform: `translateX(${moment === 5 ? -6 : 0}px)` }
  return (
    <svg
      viewBox="0 0 100 110"
      className={className}
      role="img"
      aria-label={`${MOMENTS[moment]!.title}. ${MOMENTS[moment]!.words}`}
    >
      <g fill="none" stroke="currentColor">
        <path d={`M82 6 V50`} strokeWidth="0.6" strokeDasharray="2 2" />
        <path d={`M76 ${TAKE_UP_Y} h12`} strokeWidth="3" className={MOVES} style={down(takeUp - TAKE_UP_Y)} />
        <path d={`M76 ${takeUp} Q60 2 50 ${needleTip - 30}`} stroke="var(--color-primary)" strokeWidth="1.4" />
        <path d="M8 46 H92 M8 51 H92" strokeWidth="1" className={MOVES} style={fed} />
        <g className={MOVES} style={fed} stroke="var(--color-primary)" strokeWidth="1.4">
          <path d="M10 45 H24 L26 48.5 L28 45 H42 L44 48.5" />
        </g>
        <g className={MOVES} style={fed} stroke="var(--color-secondary)" strokeWidth="1.4" strokeDasharray="3 1">
          <path d="M10 52 H24 L26 48.5 L28 52 H42 L44 48.5" />
        </g>
        <path d="M16 56 h4 v-3 h4 v3 h4 v-3 h4 v3" strokeWidth="1" />
      </g>
      <g className={MOVES} style={down(needleTip - NEEDLE_Y)}>
        <path
          d={`M47 ${NEEDLE_Y - 56} h6 v44 l-3 12 l-3 -12 z`}
          fill="var(--color-base-100)"
          stroke="currentColor"
          strokeWidth="1"
        />
        <path d={`M53 ${NEEDLE_Y - 16} q-2.4 3 0 6`} fill="none" stroke="currentColor" strokeWidth="1" />
        <circle cx="50" cy={NEEDLE_Y - 8} r="1.1" fill="currentColor" />
      </g>
      <circle cx="50" cy="76" r="13" fill="none" stroke="currentColor" strokeWidth="0.8" />
      <circle cx="50" cy="76" r="8" fill="none" stroke="var(--color-secondary)" strokeWidth="3" strokeDasharray="3 1" />
      <g className={MOVES} style={{ transform: `rotate(${hook}deg)`, transformOrigin: '50px 76px' }}>
        <path d="M50 56 a20 20 0 1 1 -17 9 l6 -6 z" fill="none" stroke="currentColor" strokeWidth="1.6" />
      </g>
      <path
        d="M58 76 C66 66 60 56 52 50"
        fill="none"
        stroke="var(--color-secondary)"
        strokeWidth="1.4"
        strokeDasharray="3 1"
      />
      {loop && <path d={loop} fill="none" stroke="var(--color-primary)" strokeWidth="1.4" />}
    </svg>
  )
}
