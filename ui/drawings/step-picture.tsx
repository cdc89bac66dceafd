import type { StepDrawing } from '@/core/knowledge/check/seat-check'
import type { Traits } from '@/core/knowledge/machine/trait'
import { BobbinDrawing } from './bobbin'
import { DialDrawing } from './dial'
import { NeedlePlan } from './needle'
import { DiscsDrawing, HandWheelDrawing, SpoolDrawing, TakeUpDrawing } from './threading'

/** What the drawings of steps are made from: the machine's traits, and the mark its dial is set to. */
export interface StepDrawn {
  readonly traits: Traits
  readonly set: number | undefined
}

/** The picture of one step, drawn for exactly this machine; nothing where the trait it needs is not known. */
export function StepPicture({
  drawing,
  drawn: { traits, set },
  size = 'h-24',
}: {
  drawing: StepDrawing | undefined
  drawn: StepDrawn
  /** a class that sets its height */
  size?: string
}) {
  switch (drawing) {
    case 'needle':
      return <NeedlePlan way={traits} className={size} />
    case 'bobbin':
      return traits.bobbinRuns ? <BobbinDrawing runs={traits.bobbinRuns} className={size} /> : null
    case 'dial':
      return traits.tensionDial && set !== undefined ? (
        <DialDrawing dial={traits.tensionDial} set={set} className={size} />
      ) : null
    case 'spool':
      return traits.spoolPin ? <SpoolDrawing pin={traits.spoolPin} className={size} /> : null
    case 'hand-wheel':
      return <HandWheelDrawing turns={traits.handWheel} className={size} />
    case 'discs':
      return <DiscsDrawing discs={traits.tensionDiscs} className={size} />
    case 'take-up':
      return <TakeUpDrawing takeUp={traits.takeUp} className={size} />
    case 'foot-up':
    case 'foot-down':
      return <FootPicture up={drawing === 'foot-up'} size={size} />
    case undefined:
      return null
  }
}

function FootPicture({ up, size }: { up: boolean; size: string }) {
  return (
    <svg
      viewBox="0 0 80 70"
      className={size}
      role="img"
      aria-label={up ? 'The presser foot is up' : 'The presser foot is down'}
    >
      <g fill="none" stroke="currentColor" strokeWidth="1.6">
        <path d="M8 58 H72" />
        <g transform={up ? 'translate(0 -16)' : undefined}>
          <path d="M40 4 V44 M26 56 V50 Q26 44 40 44 Q54 44 54 50 V56 H26" fill="var(--color-base-200)" />
        </g>
        {up ? <path d="M66 48 V34 m-5 6 l5 -6 l5 6" /> : <path d="M66 34 V48 m-5 -6 l5 6 l5 -6" />}
      </g>
    </svg>
  )
}
