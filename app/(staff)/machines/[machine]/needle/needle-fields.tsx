import { NEEDLE_OUT } from '@/core/knowledge/check/needle-out'
import { needleWords } from '@/ui/words'
import { Choice as Buttons, Tick } from '@/ui/fields/choice'
import { Amount } from '@/ui/fields/number'
import { REASONS, same, type Changing, type Choice, type Said } from './changing'
import type { NeedleChangeProps } from './needle-change'

/** Why the needle comes out, and where that sends it. */
export function WhyOut({ name, changing, say }: { name: string; changing: Changing; say: (said: Said) => void }) {
  const { reason, piecesFound } = changing
  return (
    <div>
      <Buttons
        label="Why it comes out"
        options={REASONS.map((each) => [each, NEEDLE_OUT[each].words])}
        value={reason}
        set={(each) => say({ say: 'reason', reason: each })}
      />
      {reason === 'broken' && (
        <div className="mt-2 border-l-4 border-error pl-3">
          <p className="font-semibold">
            Power off, glasses stay on. Lay point, blade and shank together to the whole length; look in the case and
            under the plate.
          </p>
          <Tick
            label="Every piece lies on the table"
            value={piecesFound}
            set={(found) => say({ say: 'pieces', found })}
          />
          {!piecesFound && <p>Until then {name} stays stopped.</p>}
        </div>
      )}
      <p className="mt-2 text-sm">
        It goes{' '}
        {NEEDLE_OUT[reason].wentTo === 'sharps'
          ? 'straight into the sharps tub'
          : 'into the part-used case under its tag, with its hours'}
        .
      </p>
    </div>
  )
}

/** The needles at hand, any other of the machine's system, and what it brings with it. */
export function WhatGoesIn({
  quick,
  catalogue,
  changing,
  say,
}: Pick<NeedleChangeProps, 'catalogue'> & {
  quick: readonly { readonly choice: Choice; readonly label: string }[]
  changing: Changing
  say: (said: Said) => void
}) {
  const { fitted, partUsed, hours } = changing
  return (
    <fieldset>
      <legend className="mb-2 text-lg font-bold">What goes in</legend>
      <div className="flex flex-wrap gap-2">
        {quick.map(({ choice, label }) => (
          <label
            key={label}
            className={`btn btn-lg h-auto py-2 ${same(choice, fitted) ? 'btn-neutral' : 'btn-outline'}`}
          >
            <input
              type="radio"
              name="needle"
              className="sr-only"
              checked={same(choice, fitted)}
              onChange={() => say({ say: 'needle', choice })}
            />
            <span className="text-left">
              {needleWords(choice)}
              <span className="block text-sm font-normal">{label}</span>
            </span>
          </label>
        ))}
      </div>
      <details className="mt-2" open={quick.length === 0}>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Another needle</summary>
        {catalogue.length === 0 && <p>Its needle system is not in the catalogue: look at its plate or manual.</p>}
        <dl className="grid gap-2">
          {catalogue.map(({ point, words, sizes, gaps }) => (
            <div key={point} className="grid items-center gap-2 sm:grid-cols-[11rem_1fr]">
              <dt>{words}</dt>
              <dd className="flex flex-wrap gap-1">
                {(gaps.length > 0
                  ? gaps.flatMap(({ gapMm, sizes: own }) => own.map((sizeNm): Choice => ({ point, sizeNm, gapMm })))
                  : sizes.map((sizeNm): Choice => ({ point, sizeNm }))
                ).map((choice) => (
                  <button
                    key={`${choice.sizeNm}-${choice.gapMm ?? ''}`}
                    type="button"
                    aria-pressed={same(choice, fitted)}
                    aria-label={needleWords(choice)}
                    className={`btn min-w-12 ${same(choice, fitted) ? 'btn-neutral' : 'btn-ghost border-base-300'}`}
                    onClick={() => say({ say: 'needle', choice })}
                  >
                    {choice.gapMm ? `${choice.gapMm} / ` : ''}
                    {choice.sizeNm}
                  </button>
                ))}
              </dd>
            </div>
          ))}
        </dl>
      </details>
      <div className="mt-2 flex flex-col gap-2">
        <Tick
          label="It is a part-used needle"
          value={partUsed}
          set={(used) => say({ say: 'part-used', partUsed: used })}
        />
        {partUsed && (
          <Amount
            label="Needle hours on its tag"
            look="small"
            unit="hours"
            min={0}
            max={40}
            step={0.1}
            value={hours}
            set={(on) => say({ say: 'hours', hours: on })}
          />
        )}
      </div>
    </fieldset>
  )
}
