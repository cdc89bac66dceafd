import { Link } from '@/ui/parts/link'
import { symptomOfSwatch } from '@/core/fault/lead-on'
import { READING_WORDS } from '@/core/tension/reading'
import type { NextAction, TensionStep } from '@/core/tension/next-step'
import { plain } from '@/core/units/words'
import { DialDrawing } from '@/ui/drawings/dial'
import { LookPicture } from './look-picture'
import { Explained } from '@/ui/parts/explained'
import { BobbinScrew } from './bobbin-screw'
import { sewnOf, type Looking } from './look-at-swatch'
import type { ReaderProps } from './swatch-reader'

const ACTION_WORDS: Readonly<Record<NextAction, string>> = {
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

/** What the swatch says and what comes next; `children` writes it down. */
export function SwatchReading({
  looking,
  step,
  children,
  machineId,
  dial,
  start,
  mayTurnScrew,
  cloth,
  faultHref,
  curveHref,
}: Pick<ReaderProps, 'machineId' | 'dial' | 'start' | 'mayTurnScrew' | 'cloth' | 'faultHref' | 'curveHref'> & {
  looking: Looking
  step: TensionStep | undefined
  children: React.ReactNode
}) {
  const sewn = sewnOf(looking)
  const last = sewn.at(-1)
  const symptom = step && symptomOfSwatch(step.reading, looking.signs)
  return (
    <section className="sheet h-fit p-5 lg:sticky lg:top-20" aria-live="polite" aria-label="Reading">
      {last && (
        <div className="mb-4 border-b border-dashed border-base-content/40 pb-3">
          <p className="text-sm">
            Swatch {sewn.length} of this trouble, at {plain(last.dial)}:
          </p>
          <div className="grid grid-cols-2 gap-2">
            <LookPicture face="top" look={last.top} target={looking.target} cloth={cloth} />
            <LookPicture face="under" look={last.under} target={looking.target} cloth={cloth} />
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
          {step.next.do === 'bobbin-screw' && <BobbinScrew machineId={machineId} mayTurn={mayTurnScrew} />}
          {symptom && !['dial', 'restore', 'done'].includes(step.next.do) && (
            <p className="mt-2">
              <Link className="link" href={`${faultHref}?symptom=${symptom}`}>
                Find out what it is
              </Link>
            </p>
          )}
          {step.next.dial !== undefined && (
            <DialDrawing dial={dial} set={step.next.dial} className="mx-auto mt-3 w-40" />
          )}
          {children}
        </>
      ) : (
        <>
          <p className="text-lg">
            Stitch 10 cm on two layers of the project’s own cloth, dark thread above and light thread below. Then choose
            the picture that looks like each face.
          </p>
          <DialDrawing dial={dial} set={looking.at} className="mx-auto mt-4 w-40" />
          <p className="text-center">
            This kit starts at <strong>{plain(start)}</strong>
          </p>
          {curveHref && (
            <p className="mt-2 text-center">
              <Link className="link" href={curveHref}>
                What its swatches have said
              </Link>
            </p>
          )}
        </>
      )}
    </section>
  )
}
