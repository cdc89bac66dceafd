'use client'

import { useReducer } from 'react'
import type { Target } from '@/core/knowledge/tension/tension'
import type { Sitting } from '@/core/machine/sitting'
import type { ShownCloth } from '@/core/picture/swatch-scene'
import { nextStep } from '@/core/tension/next-step'
import type { Dial } from '@/core/units/dial'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { lineOf, looked, lookingFrom, sewnOf, swatchOf } from './look-at-swatch'
import { SwatchPictures } from './swatch-pictures'
import { SwatchReading } from './swatch-reading'

export interface ReaderProps {
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
  /** what is sewn, for the pictures to choose from */
  readonly cloth?: ShownCloth
}

/** Look at both faces, choose the picture that matches, and be told what it means and what to do next. */
export function SwatchReader(props: ReaderProps) {
  const { machineId, projectId, dial, before } = props
  const [looking, look] = useReducer(looked, undefined, () => lookingFrom(props.target, props.at, before))
  const { busy, fault, log } = useWrite()

  const swatch = swatchOf(looking)
  const step =
    swatch &&
    nextStep({
      dial,
      target: looking.target,
      start: props.start,
      done: looking.done,
      swatches: [...sewnOf(looking), swatch],
      ...(looking.target === props.target && { past: before.past }),
      ...(props.stackMm !== undefined && { stackMm: props.stackMm }),
      role: props.role,
      school: props.school,
      bobbinScrew: props.bobbinScrew,
    })
  const write = async () => {
    const line = step && lineOf(looking, step, projectId)
    if (!line) return
    const good = step.next.do === 'done'
    const landed = await log(machineId, 'swatch-stitched', line, {
      done: 'Swatch written down',
      ...(good && { then: props.homeHref }),
    })
    if (landed && !good) look({ choose: 'written', ...(step.next.dial !== undefined && { next: step.next.dial }) })
  }

  return (
    <div className="grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <SwatchPictures looking={looking} dial={dial} cloth={props.cloth} look={look} />
      <SwatchReading {...props} looking={looking} step={step}>
        <FaultNote fault={fault} />
        <button
          type="button"
          className="btn btn-primary btn-lg mt-4 w-full"
          disabled={busy}
          onClick={() => void write()}
        >
          Write this swatch down
        </button>
      </SwatchReading>
    </div>
  )
}
