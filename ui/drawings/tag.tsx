import type { Point } from '@/core/knowledge/needle/needle'
import { sizeText } from '@/core/units/needle-size'

const oval = (x: number) => `M${x - 8} 14 a8 11.5 0 1 1 16 0 a8 11.5 0 1 1 -16 0 Z`

/**
 * The room's own tags: the outline is the tip as it meets the cloth, the letters are the point's first two, the words say
 * the size. Nothing depends on colour.
 */
const TAGS: Readonly<
  Record<
    Point,
    { readonly letters: string; readonly outline: string; readonly twin?: true; readonly lettersAt?: number }
  >
> = {
  universal: { letters: 'UN', outline: 'M5 3 H35 Q38 3 38 6 V22 Q38 25 35 25 H5 Q2 25 2 22 V6 Q2 3 5 3 Z' },
  microtex: { letters: 'MI', outline: 'M20 1 L39 26 H1 Z', lettersAt: 22 },
  ballpoint: { letters: 'BA', outline: 'M2 14 A18 12.5 0 1 1 38 14 A18 12.5 0 1 1 2 14 Z' },
  stretch: {
    letters: 'ST',
    outline: 'M2 14 A18 12.5 0 1 1 38 14 A18 12.5 0 1 1 2 14 Z M5 14 A15 10 0 1 0 35 14 A15 10 0 1 0 5 14 Z',
  },
  jeans: { letters: 'JE', outline: 'M2 3 H38 V15 L20 27 L2 15 Z', lettersAt: 16.5 },
  leather: { letters: 'LE', outline: 'M20 1 L39 14 L20 27 L1 14 Z' },
  quilting: { letters: 'QU', outline: 'M10 2 H30 L39 14 L30 26 H10 L1 14 Z' },
  embroidery: {
    letters: 'EM',
    outline: 'M20 1 C34 1 39 9 39 14 C39 22 30 27 20 27 C10 27 1 22 1 14 C1 9 6 1 20 1 Z M8 14 H11 M29 14 H32',
  },
  metallic: { letters: 'ME', outline: 'M2 8 L8 2 H32 L38 8 V20 L32 26 H8 L2 20 Z' },
  topstitch: { letters: 'TO', outline: 'M2 2 H38 V26 H2 Z M5 5 H35 V23 H5 Z' },
  wing: { letters: 'WI', outline: 'M1 3 L13 7 H27 L39 3 V25 L27 21 H13 L1 25 Z' },
  'twin-universal': { letters: 'TU', outline: 'M2 4 H18.5 V24 H2 Z M21.5 4 H38 V24 H21.5 Z', twin: true },
  'twin-stretch': { letters: 'TS', outline: `${oval(10.5)} ${oval(29.5)} M20 1 V27`, twin: true },
  'twin-ballpoint': { letters: 'TB', outline: `${oval(10.5)} ${oval(29.5)}`, twin: true },
}

export function NeedleTag({ point, sizeNm, className = '' }: { point: Point; sizeNm: number; className?: string }) {
  const { letters, outline, twin, lettersAt: y = 18 } = TAGS[point]
  const at = twin ? [10.5, 29.5] : [20]
  return (
    <span className={`inline-flex items-center gap-2 ${className}`}>
      <svg viewBox="0 0 40 28" className="h-8 w-11 shrink-0" aria-hidden="true">
        <path d={outline} fill="none" stroke="currentColor" strokeWidth="1.6" strokeLinejoin="round" />
        {at.map((x, index) => (
          <text key={x} x={x} y={y} fontSize="11" fontWeight="700" textAnchor="middle" fill="currentColor">
            {twin ? letters[index] : letters}
          </text>
        ))}
      </svg>
      <strong className="text-lg">{sizeText(sizeNm)}</strong>
    </span>
  )
}
