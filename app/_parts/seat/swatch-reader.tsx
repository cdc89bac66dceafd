'use client'

import Link from 'next/link'
import { useState } from 'react'
import {
  GATES,
  TARGET_WORDS,
  TARGETS,
  TOP_LOOKS,
  UNDER_LOOKS,
  SWATCH_SIGNS,
  type Gate,
  type SwatchSign,
  type Target,
  type TopLook,
  type UnderLook,
} from '@/core/knowledge/tension/tension'
import { plain } from '@/core/units/words'
import { READING_WORDS } from '@/core/tension/reading'
import { symptomOfSwatch } from '@/core/fault/lead-on'
import { nextStep, type SwatchAt } from '@/core/tension/next-step'
import type { Sitting } from '@/core/machine/sitting'
import type { Dial } from '@/core/units/dial'
import { DialDrawing } from '@/ui/drawings/dial'
import { LOOK_WORDS, SwatchFace } from '@/ui/drawings/swatch-face'
import { BobbinScrew } from './bobbin-screw'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { Look } from './swatch-look'
import { Explained } from '@/ui/parts/explained'
import { useListening } from '@/ui/parts/use-listening'

interface Props {
  readonly machineId: string
  readonly projectId?: string
  readonly dial: Dial
  readonly start: number
  /** where the dial stands now */
  readonly at: number
  readonly target: Target
  readonly bobbinScrew: boolean
  /** whether this person may write down a turn of the bobbin screw */
  readonly mayTurnScrew: boolean
  readonly role: 'learner' | 'staff'
  readonly school: 'hands-on' | 'hands-off'
  readonly homeHref: string
  readonly faultHref: string
  readonly curveHref?: string
  /** what this machine's earlier swatches say */
  readonly before: Sitting
  readonly stackMm?: number
}

const GATE_WORDS: Readonly<Record<Gate, string>> = {
  rethreaded: 'Re-threaded, foot up',
  needle: 'New needle',
  bobbin: 'Bobbin out, looked at, back in',
  'same-thread': 'Same thread weight above and below',
  clean: 'Lint out',
}

const SIGN_WORDS: Readonly<Record<SwatchSign, string>> = {
  skipped: 'gaps: skipped stitches',
  puckered: 'cloth gathers',
  ridge: 'a raised ridge',
  shredding: 'fuzzy thread at the eye',
  wobble: 'the line wobbles',
}

const ACTION_WORDS: Readonly<Record<ReturnType<typeof nextStep>['next']['do'], string>> = {
  restore: 'Put the dial back',
  rethread: 'Re-thread the top, foot up',
  'change-needle': 'Put in a new needle',
  'check-bobbin': 'Take the bobbin out and look',
  'match-thread': 'Match the threads',
  clean: 'Clean out the lint',
  dial: 'Turn the dial',
  'bobbin-screw': 'The bobbin screw, in eighths',
  'stitch-length': 'Shorten the stitch',
  stabilise: 'Put a stabiliser behind',
  guide: 'Watch the guide',
  'call-mentor': 'Call a mentor',
  service: 'Ask for a technician',
  'not-the-dial': 'It is not the dial',
  done: 'Good: you can sew',
}

/** Look at both faces, choose the picture that matches, and be told what it means and what to do next. */
export function SwatchReader(props: Props) {
  const { machineId, projectId, dial, homeHref, before } = props
  const [top, setTop] = useState<TopLook>()
  const [under, setUnder] = useState<UnderLook>()
  const [signs, setSigns] = useState<readonly SwatchSign[]>([])
  const [done, setDone] = useState<readonly Gate[]>(before.done)
  const [target, setTarget] = useState(props.target)
  const [all, setAll] = useState<readonly (SwatchAt & { readonly target: Target })[]>(
    before.swatches.map((each) => ({ ...each, target: props.target })),
  )
  // Each kind of stitch is a trouble of its own.
  const sewn = all.filter((each) => each.target === target).map(({ target: _, ...swatch }) => swatch)
  const [at, setAt] = useState(props.at)
  const { busy, fault, log } = useWrite()
  const listening = useListening()

  const step =
    top &&
    under &&
    nextStep({
      dial,
      target,
      start: props.start,
      done,
      swatches: [...sewn, { dial: at, top, under, signs }],
      ...(target === props.target && { past: before.past }),
      ...(props.stackMm !== undefined && { stackMm: props.stackMm }),
      role: props.role,
      school: props.school,
      bobbinScrew: props.bobbinScrew,
    })
  const symptom = step && symptomOfSwatch(step.reading, signs)
  const last = sewn.at(-1)
  const write = async () => {
    if (!top || !under || !step) return
    const body = {
      dial: at,
      target,
      top,
      under,
      done,
      ...(signs.length > 0 && { signs }),
      ...(projectId && { projectId }),
    }
    const good = step.next.do === 'done'
    // Between two marks that disagree the better one is taken, and that is where the dial stands.
    const asNear = good && step.reading === 'as-near' ? step.next.dial : undefined
    const line = { ...body, ...(asNear !== undefined && { asNear }) }
    const landed = await log(machineId, 'swatch-stitched', line, {
      done: 'Swatch written down',
      ...(good && { then: homeHref }),
    })
    if (!landed || good) return
    // The next swatch starts from what was just advised.
    if (step.next.dial !== undefined) setAt(step.next.dial)
    setAll([...all, { dial: at, top, under, signs, target }])
    setTop(undefined)
    setUnder(undefined)
    setSigns([])
  }
  const toggle = <Word,>(list: readonly Word[], word: Word): Word[] =>
    list.includes(word) ? list.filter((each) => each !== word) : [...list, word]

  return (
    <div className="grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <fieldset disabled={!listening} className="flex min-w-0 flex-col gap-5">
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
                    onChange={() => setTarget(each)}
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
              onChange={({ target: { valueAsNumber } }) => Number.isFinite(valueAsNumber) && setAt(valueAsNumber)}
            />
          </label>
        </div>
        <fieldset>
          <legend className="mb-1 text-lg font-bold">On top, where you sewed (dark thread)</legend>
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
            {TOP_LOOKS.map((look) => (
              <Look
                key={look}
                name="top"
                chosen={top === look}
                words={LOOK_WORDS.top[look]}
                choose={() => setTop(look)}
              >
                <SwatchFace face="top" look={look} />
              </Look>
            ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="mb-1 text-lg font-bold">Turned over (light bobbin thread)</legend>
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            {UNDER_LOOKS.map((look) => (
              <Look
                key={look}
                name="under"
                chosen={under === look}
                words={LOOK_WORDS.under[look]}
                choose={() => setUnder(look)}
              >
                <SwatchFace face="under" look={look} />
              </Look>
            ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="mb-1 font-bold">Anything else to see?</legend>
          <div className="flex flex-wrap gap-2">
            {SWATCH_SIGNS.map((sign) => (
              <label key={sign} className={`btn ${signs.includes(sign) ? 'btn-neutral' : 'btn-outline'}`}>
                <input
                  type="checkbox"
                  className="sr-only"
                  checked={signs.includes(sign)}
                  onChange={() => setSigns(toggle(signs, sign))}
                />
                {SIGN_WORDS[sign]}
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
                  onChange={() => setDone(toggle(done, gate))}
                />
                {GATE_WORDS[gate]}
              </label>
            ))}
          </div>
        </fieldset>
      </fieldset>
      <section className="sheet h-fit p-5 lg:sticky lg:top-20" aria-live="polite" aria-label="Reading">
        {last && (
          <div className="mb-4 border-b border-dashed border-base-content/40 pb-3">
            <p className="text-sm">
              Swatch {sewn.length} of this trouble, at {plain(last.dial)}:
            </p>
            <div className="grid grid-cols-2 gap-2">
              <SwatchFace face="top" look={last.top} />
              <SwatchFace face="under" look={last.under} />
            </div>
          </div>
        )}
        {step ? (
          <>
            <p className="text-lg">{READING_WORDS[step.reading]}</p>
            <hr className="seam my-4" />
            <p className="text-sm opacity-80">Next</p>
            <p className="text-2xl font-bold">
              {ACTION_WORDS[step.next.do]}
              {step.next.dial !== undefined && `: ${plain(step.next.dial)}`}
            </p>
            <p className="mt-1">
              <Explained text={step.because} />
            </p>
            {step.next.do === 'dial' && step.interval && (
              <p className="mt-1 text-sm">
                It is right somewhere from {plain(step.interval[0])} to {plain(step.interval[1])}, four chances in five.
              </p>
            )}
            {step.next.do === 'bobbin-screw' && <BobbinScrew machineId={machineId} mayTurn={props.mayTurnScrew} />}
            {symptom && !['dial', 'restore', 'done'].includes(step.next.do) && (
              <p className="mt-2">
                <Link className="link" href={`${props.faultHref}?symptom=${symptom}`}>
                  Find out what it is
                </Link>
              </p>
            )}
            {step.next.dial !== undefined && (
              <DialDrawing dial={dial} set={step.next.dial} className="mx-auto mt-3 w-40" />
            )}
            <FaultNote fault={fault} />
            <button
              type="button"
              className="btn btn-primary btn-lg mt-4 w-full"
              disabled={busy}
              onClick={() => void write()}
            >
              Write this swatch down
            </button>
          </>
        ) : (
          <>
            <p className="text-lg">
              Stitch 10 cm on two layers of the project’s own cloth, dark thread above and light thread below. Then
              choose the picture that looks like each face.
            </p>
            <DialDrawing dial={dial} set={at} className="mx-auto mt-4 w-40" />
            <p className="text-center">
              This kit starts at <strong>{plain(props.start)}</strong>
            </p>
            {props.curveHref && (
              <p className="mt-2 text-center">
                <Link className="link" href={props.curveHref}>
                  What its swatches have said
                </Link>
              </p>
            )}
          </>
        )}
      </section>
    </div>
  )
}
