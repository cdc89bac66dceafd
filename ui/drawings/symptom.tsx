import type { Symptom } from '@/core/knowledge/fault/symptom'

/** Cloth as a pair of lines, thread as a heavy line, needle as a spike: a few strokes that say what is seen. */
const CLOTH = 'M4 24 H76 M4 32 H76'
const NEEDLE = 'M40 4 V20 L41.5 24 L43 20 V4 Z'

const STROKES: Readonly<Record<Symptom, readonly string[]>> = {
  'nest-at-start': [CLOTH, 'M8 34 c8 16 14 -6 8 8 c-6 12 14 6 10 -4 c-2 -8 -16 2 -8 8', 'M30 24 h10 m6 0 h10 m6 0 h8'],
  'loops-under': [CLOTH, 'M8 32 q4 14 8 0 m6 0 q4 14 8 0 m6 0 q4 14 8 0 m6 0 q4 14 8 0 m6 0 q4 14 8 0'],
  'bobbin-on-top': [CLOTH, 'M8 22 h64', 'M12 24 v-5 m14 5 v-5 m14 5 v-5 m14 5 v-5 m14 5 v-5'],
  skipped: [CLOTH, 'M6 22 h9 m4 0 h9 m4 0 h26 m4 0 h9'],
  'thread-breaks': [NEEDLE, 'M41 18 C30 20 26 8 18 12', 'M10 14 l5 -3 m-5 3 l5 3 m-5 -3 h-4'],
  'needle-breaks': ['M40 2 V10 L44 13 V2 Z', 'M38 20 L45 34', CLOTH],
  swallowed: ['M4 24 H30 C36 24 36 44 40 44 C44 44 44 24 50 24 H76', 'M4 32 H28 M52 32 H76', NEEDLE],
  puckers: ['M4 28 q6 -12 12 0 t12 0 t12 0 t12 0 t12 0 t12 0', 'M4 34 q6 -12 12 0 t12 0 t12 0 t12 0 t12 0 t12 0'],
  creep: ['M4 22 H60', 'M16 30 H76', 'M60 22 l-6 -4 m6 4 l-6 4'],
  tunnelling: ['M4 30 H26 C30 14 50 14 54 30 H76', 'M26 30 v-6 m28 6 v-6'],
  jam: ['M40 8 a16 16 0 1 0 0.1 0', 'M28 12 L52 36 M52 12 L28 36'],
  'needle-stands-still': [NEEDLE, 'M14 12 a10 10 0 1 1 -6 8 m0 0 l-3 -5 m3 5 l5 -3', CLOTH],
  popping: [NEEDLE, 'M28 18 l-8 -6 m6 12 h-10 m38 -6 l8 -6 m-6 12 h10', CLOTH],
  'crash-at-start': ['M14 30 l6 -10 l6 8 l6 -18 l6 20 l6 -14 l6 12 l6 -8 l6 8'],
  'will-not-release': [CLOTH, 'M60 24 C66 12 70 12 74 6 M60 32 C66 40 70 40 74 44'],
  untidy: [CLOTH, 'M6 22 h5 m3 -2 h12 m2 3 h4 m4 -4 h9 m3 4 h6 m4 -3 h13'],
  'will-not-feed': [CLOTH, 'M36 40 v-4 m4 4 v-4 m4 4 v-4', 'M58 14 h12 m-12 0 l4 -4 m-4 4 l4 4 M70 8 v12'],
  'bobbin-loose': [
    'M40 10 a15 15 0 1 0 0.1 0',
    'M40 19 a6 6 0 1 0 0.1 0',
    'M18 18 l-6 -4 m6 18 l-6 4 m50 -18 l6 -4 m-6 18 l6 4',
  ],
  'will-not-start': ['M40 8 v14', 'M30 14 a14 14 0 1 0 20 0'],
  unthreads: [NEEDLE, 'M60 10 C54 20 50 12 46 20'],
  'needle-will-not-go-up': [NEEDLE, 'M58 30 V12 m-5 6 l5 -6 l5 6 M50 8 h16'],
  'bobbin-will-not-come-up': [CLOTH, 'M20 40 a6 6 0 1 0 0.1 0', 'M26 42 C34 42 36 38 40 36'],
  'bobbin-thread-breaks': [CLOTH, 'M20 40 a6 6 0 1 0 0.1 0', 'M26 42 h10 m8 -4 l12 -4'],
  'wrong-stitch': [CLOTH, 'M6 22 l6 -8 l6 8 l6 -8 l6 8 l6 -8 l6 8 l6 -8 l6 8'],
  'seam-undone': ['M4 22 H46 C56 22 62 14 76 10', 'M4 32 H46 C56 32 62 40 76 44', 'M8 27 h8 m4 0 h8 m4 0 h8'],
  electrical: ['M44 4 L30 26 H40 L36 44 L52 20 H42 Z'],
}

export function SymptomDrawing({ symptom, className }: { symptom: Symptom; className?: string }) {
  return (
    <svg viewBox="0 0 80 50" className={className} aria-hidden="true">
      {STROKES[symptom].map((path, index) => (
        <path
          key={path}
          d={path}
          fill="none"
          stroke="currentColor"
          strokeWidth={index === 0 ? 1.2 : 2.2}
          strokeLinejoin="round"
          className={index === 0 ? '' : 'text-secondary'}
        />
      ))}
    </svg>
  )
}
