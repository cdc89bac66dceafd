'use client'

import { useState } from 'react'
import {
  GATES,
  SIGNS,
  SWATCH_SIGNS,
  TARGET_WORDS,
  TARGETS,
  TOP_LOOKS,
  UNDER_LOOKS,
  type Gate,
} from '@/core/knowledge/tension/tension'
import type { Dial } from '@/core/units/dial'
import { LOOK_WORDS } from '@/ui/drawings/swatch-face'
import type { ShownCloth } from '@/core/picture/swatch-scene'
import { DiagramSwitch } from '@/ui/picture/sewn-picture'
import { LookPicture } from './look-picture'
import { Photograph } from './photograph'
import { Look } from './swatch-look'
import type { Looking, Seen } from './look-at-swatch'

const GATE_WORDS: Readonly<Record<Gate, string>> = {
  rethreaded: 'Re-threaded, foot up',
  needle: 'New needle',
  bobbin: 'Bobbin out, looked at, back in',
  'same-thread': 'Same thread weight above and below',
  clean: 'Lint out',
}

/** The pictures to choose from, and what else there is to see and was done. */
export function SwatchPictures({
  looking,
  dial,
  cloth,
  look,
}: {
  looking: Looking
  dial: Dial
  /** of the project; absent: an ordinary one */
  cloth: ShownCloth | undefined
  look: (seen: Seen) => void
}) {
  const [diagram, setDiagram] = useState(false)
  const { target, at, top, under, signs, done } = looking
  return (
    <div className="flex min-w-0 flex-col gap-5">
      <div className="flex flex-wrap items-end gap-4">
        <fieldset>
          <legend className="mb-1 font-bold">The stitch</legend>
          <div className="flex flex-wrap gap-2">
            {TARGETS.map((each) => (
              <label key={each} className={`btn ${target === each ? 'btn-neutral' : 'btn-outline'}`}>
                <input
                  type="radio"
                  name="target"
                  className="sr-only"
                  checked={target === each}
                  onChange={() => look({ choose: 'target', target: each })}
                />
                {TARGET_WORDS[each]}
              </label>
            ))}
          </div>
        </fieldset>
        <label className="flex flex-col gap-1">
          <span className="font-bold">The dial stands at</span>
          <input
            type="number"
            inputMode="decimal"
            className="input w-28 text-lg"
            min={dial.min}
            max={dial.max}
            step={dial.step / 2}
            value={at}
            onChange={({ target: { valueAsNumber } }) =>
              Number.isFinite(valueAsNumber) && look({ choose: 'at', at: valueAsNumber })
            }
          />
        </label>
      </div>
      <Photograph key={looking.sewn.length} take={(seen) => look({ choose: 'camera', seen })} />
      <fieldset>
        <legend className="mb-1 text-lg font-bold">On top, where you sewed (dark thread)</legend>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          {TOP_LOOKS.map((face) => (
            <Look
              key={face}
              name="top"
              chosen={top === face}
              words={LOOK_WORDS.top[face]}
              choose={() => look({ choose: 'top', look: face })}
            >
              <LookPicture face="top" look={face} target={target} cloth={cloth} diagram={diagram} />
            </Look>
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-1 text-lg font-bold">Turned over (light bobbin thread)</legend>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
          {UNDER_LOOKS.map((face) => (
            <Look
              key={face}
              name="under"
              chosen={under === face}
              words={LOOK_WORDS.under[face]}
              choose={() => look({ choose: 'under', look: face })}
            >
              <LookPicture face="under" look={face} target={target} cloth={cloth} diagram={diagram} />
            </Look>
          ))}
        </div>
      </fieldset>
      <DiagramSwitch on={diagram} set={setDiagram} />
      <fieldset>
        <legend className="mb-1 font-bold">Anything else to see?</legend>
        <div className="flex flex-wrap gap-2">
          {SWATCH_SIGNS.map((sign) => (
            <label key={sign} className={`btn ${signs.includes(sign) ? 'btn-neutral' : 'btn-outline'}`}>
              <input
                type="checkbox"
                className="sr-only"
                checked={signs.includes(sign)}
                onChange={() => look({ choose: 'sign', sign })}
              />
              {SIGNS[sign].words}
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-bold">Done since it went wrong</legend>
        <div className="flex flex-wrap gap-x-6 gap-y-1">
          {GATES.map((gate) => (
            <label key={gate} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={done.includes(gate)}
                onChange={() => look({ choose: 'gate', gate })}
              />
              {GATE_WORDS[gate]}
            </label>
          ))}
        </div>
      </fieldset>
    </div>
  )
}
