import type { Traits } from '@/core/knowledge/machine/trait'
import { needleGeometry, type NeedleMeasures } from './needle-geometry'

type Way = {
  readonly shankFlat?: Traits['shankFlat'] | undefined
  readonly eyeThreaded?: Traits['eyeThreaded'] | undefined
}

const FLAT_WORDS = {
  back: 'flat to the back',
  left: 'flat to the left',
  right: 'flat to the right',
  round: 'round shank',
}
const EYE_WORDS = {
  'front-to-back': 'threaded from front to back',
  'right-to-left': 'threaded from right to left',
  'left-to-right': 'threaded from left to right',
}

/**
 * The needle as you see it from your chair, widths to scale, with the thread in its eye. Where the eye runs front to back
 * you look into it; where it runs sideways you see the groove on the thread's side and the scarf on the other.
 */
export function NeedleDrawing({ needle, way, className }: { needle: NeedleMeasures; way: Way; className?: string }) {
  const { bladePx, eyePx, threadPx, centres, tip } = needleGeometry(needle)
  const sideways = way.eyeThreaded === 'right-to-left' ? 1 : way.eyeThreaded === 'left-to-right' ? -1 : 0
  const shank = 60
  const words = [
    `${needle.sizeNm / 100} mm blade`,
    `thread ${needle.threadMm.toFixed(2)} mm in a ${needle.eyeMm.toFixed(2)} mm eye`,
    way.shankFlat && FLAT_WORDS[way.shankFlat],
    way.eyeThreaded && EYE_WORDS[way.eyeThreaded],
  ].filter(Boolean)
  const eyeY = 128
  return (
    <svg viewBox="-75 0 150 200" role="img" aria-label={`Needle: ${words.join(', ')}`} className={className}>
      <g fill="none" stroke="currentColor" strokeWidth="1.4" strokeLinejoin="round">
        <path d={`M${-shank / 2} 4 V44 M${shank / 2} 4 V44 M${-shank / 2} 4 H${shank / 2}`} />
        {way.shankFlat === 'left' && <path data-part="flat" d={`M${-shank / 2 + 9} 4 V44`} />}
        {way.shankFlat === 'right' && <path data-part="flat" d={`M${shank / 2 - 9} 4 V44`} />}
        {way.shankFlat === 'back' && (
          <path data-part="flat" d={`M${-shank / 3} 8 V44 M${shank / 3} 8 V44`} strokeDasharray="3 3" />
        )}
        <path d={`M${-shank / 2} 44 l8 4 l${shank / 2 - 16} -6 l${shank / 2 - 16} 8 l16 -6`} strokeWidth="1" />
      </g>
      {centres.map((x) => (
        <g key={x} transform={`translate(${x} 0)`} fill="none" stroke="currentColor" strokeWidth="1.4">
          <path
            data-part="blade"
            data-width={bladePx.toFixed(2)}
            fill="var(--color-base-200)"
            d={bladePath(bladePx, tip.taperPx, tip.roundPx)}
          />
          {tip.wings && <path d={`M${-bladePx / 2} 132 l-14 18 l14 12 M${bladePx / 2} 132 l14 18 l-14 12`} />}
          {sideways === 0 ? (
            <>
              <path
                d="M0 56 V116"
                strokeWidth={Math.max(1, threadPx * 0.8)}
                className="text-secondary"
                stroke="currentColor"
                opacity="0.85"
              />
              <ellipse data-part="eye" cx="0" cy={eyeY} rx={eyePx / 2} ry="9" fill="var(--color-base-100)" />
              <ellipse
                data-part="thread"
                cx="0"
                cy={eyeY}
                rx={threadPx / 2}
                ry={Math.min(threadPx / 2 + 2, 8)}
                className="text-secondary"
                fill="currentColor"
                stroke="none"
              />
            </>
          ) : (
            <>
              <path
                d={`M${(sideways * bladePx) / 2} 56 V${eyeY}`}
                strokeWidth={threadPx}
                className="text-secondary"
                stroke="currentColor"
              />
              <path
                data-part="thread"
                d={`M${(sideways * bladePx) / 2} ${eyeY} H${-sideways * 40}`}
                strokeWidth={threadPx}
                className="text-secondary"
                stroke="currentColor"
              />
              <path
                data-part="scarf"
                d={`M${(-sideways * bladePx) / 2} 104 q${sideways * bladePx * 0.35} 10 0 20`}
                fill="var(--color-base-100)"
              />
            </>
          )}
        </g>
      ))}
    </svg>
  )
}

function bladePath(width: number, taper: number, round: number): string {
  const [half, shoulder, end] = [width / 2, 150, Math.min(150 + taper, 196)]
  return `M${-half} 50 V${shoulder} L${-round} ${end - round} A${round} ${round} 0 0 0 ${round} ${end - round} L${half} ${shoulder} V50`
}

/** From above: which way the flat or the long groove faces, and which way the thread goes through. You sit below. */
export function NeedlePlan({ way, className }: { way: Way; className?: string }) {
  const { shankFlat, eyeThreaded } = way
  const arrow = { 'front-to-back': 90 * 3, 'right-to-left': 180, 'left-to-right': 0 }
  const words = [shankFlat && FLAT_WORDS[shankFlat], eyeThreaded && EYE_WORDS[eyeThreaded]].filter(Boolean)
  const flat = { back: 'M-17 -17 H17', left: 'M-17 -17 V17', right: 'M17 -17 V17' }
  return (
    <svg
      viewBox="-60 -60 120 130"
      role="img"
      aria-label={`Seen from above: ${words.join(', ') || 'not known yet'}`}
      className={className}
    >
      <circle r="24" fill="var(--color-base-200)" stroke="currentColor" strokeWidth="1.4" />
      {shankFlat && shankFlat !== 'round' && (
        <path d={flat[shankFlat]} data-flat={shankFlat} stroke="currentColor" strokeWidth="5" strokeLinecap="round" />
      )}
      {eyeThreaded && (
        <g
          transform={`rotate(${arrow[eyeThreaded]})`}
          className="text-secondary"
          stroke="currentColor"
          fill="none"
          strokeWidth="3"
        >
          <path d="M-52 0 H48" />
          <path d="M38 -8 L50 0 L38 8" fill="currentColor" />
        </g>
      )}
      <path d="M-12 66 q12 -14 24 0" fill="none" stroke="currentColor" strokeWidth="1.4" />
      <text x="20" y="66" fontSize="12" fill="currentColor">
        you
      </text>
    </svg>
  )
}

/** The eye and the thread cut across, both to the same scale. */
export function EyeFit({ eyeMm, threadMm, className }: { eyeMm: number; threadMm: number; className?: string }) {
  const scale = 110
  const eye = eyeMm * scale
  return (
    <svg
      viewBox="-50 -34 100 68"
      role="img"
      aria-label={`The eye is ${(eyeMm / threadMm).toFixed(2)} times as wide as the thread`}
      className={className}
    >
      <path
        d={`M-48 -24 H${-eye / 2} V24 H-48 M48 -24 H${eye / 2} V24 H48`}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.4"
      />
      <circle r={(threadMm * scale) / 2} className="text-secondary" fill="currentColor" />
    </svg>
  )
}
