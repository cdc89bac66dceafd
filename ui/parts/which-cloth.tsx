'use client'

import { useState } from 'react'
import { completeFabric } from '@/core/fabric/intake'
import {
  MOST_QUESTIONS,
  nextClothQuestion,
  whichCloth,
  type ClothAnswers,
  type WhichCloth,
} from '@/core/fabric/which-cloth'
import { CLOTH_QUESTIONS, NO_FLAME } from '@/core/knowledge/cloth/cloth-question'
import type { Structure } from '@/core/knowledge/cloth/fabric'
import { NAMED_FABRICS } from '@/core/knowledge/cloth/named-fabric'
import { shownCloth, type ShownCloth } from '@/core/picture/swatch-scene'
import { shownIn, unitOf } from '@/core/units/measure'
import { named, plain, spaced } from '@/core/units/words'
import { ClothPicture } from '../picture/cloth-picture'
import { useUnits } from './units'

/** How a first answer looks, where it is a structure. */
const looksOf = (structure: Structure): ShownCloth => shownCloth({ structure, massGsm: 150 })
const ANSWER_LOOKS: Readonly<Record<string, Readonly<Record<string, ShownCloth>>>> = {
  close: Object.fromEntries(
    (['woven', 'knit', 'felt', 'pile', 'coated', 'net', 'leather', 'rope'] as const).map((each) => [
      each,
      looksOf(each),
    ]),
  ),
  face: {
    plain: looksOf('woven'),
    slant: shownCloth({ structure: 'woven', traits: ['denim'], massGsm: 250 }),
    shine: shownCloth({ structure: 'woven', traits: ['slippery'], massGsm: 80 }),
    nap: shownCloth({ structure: 'woven', traits: ['napped'], massGsm: 200 }),
    thick: shownCloth({ structure: 'woven', traits: ['canvas'], massGsm: 340 }),
  },
}
/** Four times as large, and beside it true to size. */
const LARGE = { lengthMm: 8, heightMm: 5, widthMm: 32 } as const
const TRUE_SIZE = { lengthMm: 8, heightMm: 5, widthMm: 8 } as const

/** A cloth that nobody knows the name of: a few questions that a table can answer, each chosen by what it tells. */
export function WhichCloth({ take }: { take?: (found: WhichCloth) => void }) {
  const [answered, setAnswered] = useState<ClothAnswers>({})
  const asked = Object.keys(answered).length
  const question = nextClothQuestion(answered)
  const found = asked > 0 ? whichCloth(answered) : undefined
  const answer = (next: ClothAnswers) => {
    setAnswered(next)
    if (Object.keys(next).length > 0) take?.(whichCloth(next))
  }
  const words = (id: string) => {
    const of = CLOTH_QUESTIONS.find((each) => each.id === id)!
    return of.answers.find((each) => each.id === answered[id])!.words
  }
  return (
    <div className="flex flex-col gap-4">
      {asked > 0 && (
        <ol className="text-sm">
          {Object.keys(answered).map((id) => (
            <li key={id} className="flex items-center gap-2">
              <span>✓ {words(id)}</span>
              <button
                type="button"
                className="btn btn-ghost btn-sm"
                aria-label={`Take back: ${words(id)}`}
                onClick={() => answer(Object.fromEntries(Object.entries(answered).filter(([each]) => each !== id)))}
              >
                Take back
              </button>
            </li>
          ))}
        </ol>
      )}
      {question ? (
        <fieldset>
          <legend className="mb-2 text-lg font-bold">
            {question.ask}{' '}
            <span className="text-sm font-normal">
              ({asked + 1} of {MOST_QUESTIONS} at most)
            </span>
          </legend>
          <div className="grid gap-2 sm:grid-cols-2">
            {question.answers.map(({ id, words: said }) => {
              const look = ANSWER_LOOKS[question.id]?.[id]
              return (
                <button
                  key={id}
                  type="button"
                  className="btn btn-outline h-auto min-h-12 flex-col items-start gap-1 py-2 text-left"
                  onClick={() => answer({ ...answered, [question.id]: id })}
                >
                  <span>{said}</span>
                  {look && (
                    <span className="flex items-end gap-2">
                      <ClothPicture cloth={look} label="four times as large" {...LARGE} />
                      <ClothPicture cloth={look} label="true to size" {...TRUE_SIZE} />
                    </span>
                  )}
                </button>
              )
            })}
          </div>
        </fieldset>
      ) : (
        <p className="text-lg font-bold">That is as much as looking tells.</p>
      )}
      {found && <Found found={found} />}
      <p className="text-sm">{NO_FLAME}</p>
    </div>
  )
}

/** What it is so far, the nearest named cloths, and what to measure to be sure. */
function Found({ found }: { found: WhichCloth }) {
  const units = useUnits()
  const mass = (value: number) => plain(Math.round(shownIn('clothMass', value, units)))
  const byThickness = found.structure === 'leather' || found.structure === 'rope'
  return (
    <section aria-live="polite" aria-label="What it is so far" className="border-l-4 border-primary pl-4">
      <p className="text-lg">
        <strong>{spaced(found.structure)}</strong>
        {found.sure < 0.9 && `, ${Math.round(found.sure * 10)} chances in ten`}
        {found.traits.length > 0 && `: ${found.traits.map(spaced).join(', ')}`}
      </p>
      <p>
        {!byThickness &&
          `About ${mass(found.massGsm.value)} ${unitOf('clothMass', units)}, give or take ${mass(found.massGsm.spread)}; `}
        one layer about {plain(Number(found.thicknessMm.value.toFixed(2)))} mm, give or take{' '}
        {plain(Number(found.thicknessMm.spread.toFixed(2)))}.
      </p>
      <p className="mt-1 text-sm">
        To be sure: {byThickness ? '' : 'weigh a piece of 10 × 10 cm, and '}press four layers together and measure them.
      </p>
      <ul className="mt-2 flex flex-wrap gap-3" aria-label="Most like">
        {found.nearest.map(({ name }) => {
          const { structure, traits, massGsm } = completeFabric(NAMED_FABRICS.find((each) => each.name === name)!)
          return (
            <li key={name} className="flex flex-col gap-1 text-sm">
              <ClothPicture
                cloth={shownCloth({ structure, traits, massGsm })}
                label={`${named(name)}, four times as large`}
                {...LARGE}
              />
              {named(name)}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
