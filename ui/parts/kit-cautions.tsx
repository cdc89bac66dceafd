import type { Kit } from '@/core/kit/request'
import { PLACE_CAUTIONS } from '@/core/knowledge/care/place-caution'
import { cautionWords } from '../kit-words'

type Caution = Kit['cautions'][number]

export type CautionPlace = 'needle' | 'thread' | 'stitch' | 'stack'

/** Each caution stands where the hand is. */
export const CAUTION_PLACE: Readonly<Record<Caution, CautionPlace>> = {
  glasses: 'needle',
  'staff-only': 'needle',
  'permanent-holes': 'stitch',
  'hand-turn-first': 'stitch',
  'width-limit': 'stitch',
  'slow-crossing': 'stack',
}

/** What comes with a thing that is laid out, said beside it. */
export const EXTRA_CAUTIONS: Readonly<Partial<Record<Kit['extras'][number], readonly string[]>>> = {
  'seam-guide': [PLACE_CAUTIONS.magnets],
  stabiliser: [PLACE_CAUTIONS.press, PLACE_CAUTIONS.spray],
  'press-cloth': [PLACE_CAUTIONS.press],
}

export interface CautionSaid {
  readonly caution: Caution
  readonly why: Kit['reasons'][number] | undefined
}

export function Cautions({ cautions }: { cautions: readonly CautionSaid[] }) {
  if (cautions.length === 0) return null
  return (
    <ul className="mt-1 flex flex-wrap gap-2" aria-label="Take care">
      {cautions.map(({ caution, why }) => (
        <li key={caution}>
          <details className="border-2 border-secondary px-3 py-0.5">
            <summary className="min-h-8 cursor-pointer font-bold text-secondary">{cautionWords[caution]}</summary>
            {why?.because}
          </details>
        </li>
      ))}
    </ul>
  )
}
