'use client'

import { named } from '@/core/units/words'
import type { Traits } from '@/core/knowledge/machine/trait'
import type { MachineStanding } from '@/core/machine/standing'
import { cut } from '../words'
import { INSTRUCTOR_TABLE, TABLE } from '@/core/room/table'
import { STANDING_COLOUR, StandingShape } from './standing-mark'

/** What the plan shows of one machine; places in tenths of a metre from the room's corner, y away from the door. */
export interface PlanMachine {
  readonly href: string
  readonly name: string
  readonly number: number
  readonly place: { readonly x: number; readonly y: number }
  readonly standing: MachineStanding['standing']
  readonly because: string
  readonly needle: string
  readonly setting: string
  readonly who: string
  readonly traits: Pick<Traits, 'drive' | 'spoolPin'>
  /** share of the needle's life that is left, 0…1; absent: not known */
  readonly lifeLeft?: number
  readonly hoursLeft?: string
  /** somebody there calls for help, in words */
  readonly call?: string
}

/** Where the first table stands in a room that is not cut into parts. */
const FIRST = { x: 14, y: 9 }

/** The room from above, tables where they stand, each with what is in its machine now. */
export function RoomPlan({
  machines,
  instructor,
  label,
}: {
  machines: readonly PlanMachine[]
  /** where the instructor's own table stands; only where the whole room is shown */
  instructor?: { readonly x: number; readonly y: number }
  label: string
}) {
  // A part of a large hall begins where its own first table stands.
  const left = Math.max(0, Math.min(...machines.map(({ place }) => place.x)) - FIRST.x)
  const top = Math.max(0, Math.min(...machines.map(({ place }) => place.y)) - FIRST.y)
  const right = Math.max(100, ...machines.map(({ place }) => place.x - left + TABLE.width / 2 + 2))
  const bottom = Math.max(
    ...machines.map(({ place }) => place.y - top + TABLE.height / 2 + 1.6),
    (instructor?.y ?? 0) - top + INSTRUCTOR_TABLE.height / 2 + 1.6,
    40,
  )
  return (
    <svg viewBox={`0 0 ${right} ${bottom}`} role="group" aria-label={label} className="w-full">
      <rect
        x="0.3"
        y="0.3"
        width={right - 0.6}
        height={bottom - 0.6}
        fill="none"
        stroke="currentColor"
        strokeWidth="0.14"
      />
      <path d={`M${right - 22} ${bottom - 0.3} h9`} stroke="var(--color-base-100)" strokeWidth="0.8" />
      <path
        d={`M${right - 22} ${bottom - 0.3} a9 9 0 0 1 9 -9`}
        fill="none"
        stroke="currentColor"
        strokeWidth="0.12"
        strokeDasharray="0.8 0.8"
      />
      <g transform={left + top > 0 ? `translate(${-left} ${-top})` : undefined}>
        {machines.map((machine) => (
          <Table key={machine.href} machine={machine} />
        ))}
        {instructor && (
          <g transform={`translate(${instructor.x} ${instructor.y})`}>
            <rect
              x={-INSTRUCTOR_TABLE.width / 2}
              y={-INSTRUCTOR_TABLE.height / 2}
              width={INSTRUCTOR_TABLE.width}
              height={INSTRUCTOR_TABLE.height}
              fill="none"
              stroke="currentColor"
              strokeWidth="0.16"
              strokeDasharray="1.2 0.6"
            />
            <text textAnchor="middle" y="0.6" fontSize="1.6" fill="currentColor">
              instructor
            </text>
          </g>
        )}
      </g>
    </svg>
  )
}

function Table({ machine }: { machine: PlanMachine }) {
  const { width, height } = TABLE
  const words = `${machine.call ? `${machine.call}. ` : ''}${machine.name}, ${named(machine.standing)}${machine.because ? `: ${machine.because.replace(/\.$/, '')}` : ''}. In it: ${machine.needle}. ${machine.setting}.`
  return (
    <a href={machine.href} aria-label={words} className="plan-table">
      <g transform={`translate(${machine.place.x - width / 2} ${machine.place.y - height / 2})`}>
        <rect
          width={width}
          height={height}
          fill="var(--color-base-100)"
          stroke="currentColor"
          strokeWidth="0.16"
          className="plan-top"
        />
        <path
          d={`M0 ${height - 6.7} H${width}`}
          stroke="currentColor"
          strokeWidth="0.12"
          strokeDasharray="0.7 0.5"
          opacity="0.6"
        />
        <text x="1" y="3" fontSize="2.6" fontWeight="700" fill="currentColor">
          {cut(machine.name, 13)}
        </text>
        <g className={STANDING_COLOUR[machine.standing]}>
          <svg x="1" y="4" width="2.3" height="2.3" viewBox="0 0 24 24" aria-hidden="true">
            <StandingShape standing={machine.standing} />
          </svg>
          <text x="3.9" y="5.9" fontSize="1.9" fontWeight="700" fill="currentColor">
            {named(machine.standing).toUpperCase()}
          </text>
        </g>
        {machine.call ? (
          <>
            <rect x="0" y="6.5" width={width - 10} height="2.1" fill="currentColor" className="text-secondary" />
            <text x="1" y="8" fontSize="1.4" fontWeight="700" fill="var(--color-base-100)">
              {cut(machine.call, 17)}
            </text>
          </>
        ) : (
          <text x="1" y="8" fontSize="1.3" fill="currentColor" opacity="0.85">
            no. {machine.number}
            {machine.who && ` · ${cut(machine.who, 11)}`}
          </text>
        )}
        <g transform={`translate(${width - 9.2} 3.2) scale(0.46)`}>
          <MachineOutline traits={machine.traits} />
        </g>
        <text x="1" y={height - 4.4} fontSize="1.85" fontWeight="600" fill="currentColor">
          {cut(machine.needle, 22)}
        </text>
        <text x="1" y={height - 2.6} fontSize="1.4" fill="currentColor">
          {cut(machine.setting, 28)}
        </text>
        {machine.lifeLeft !== undefined && <LifeRing x={1.7} y={height - 1.25} left={machine.lifeLeft} />}
        <text x="3.1" y={height - 0.75} fontSize="1.4" fill="currentColor">
          {machine.hoursLeft === undefined ? 'hours not known' : `${machine.hoursLeft} of needle left`}
        </text>
      </g>
    </a>
  )
}

/** The ring is the needle's life; what is left of it is drawn thick. */
function LifeRing({ x, y, left }: { x: number; y: number; left: number }) {
  const around = 2 * Math.PI * 0.62
  return (
    <g transform={`translate(${x} ${y}) rotate(-90)`} fill="none" stroke="currentColor" aria-hidden="true">
      <circle r="0.75" strokeWidth="0.12" />
      <circle r="0.62" strokeWidth="0.5" strokeDasharray={`${around * left} ${around}`} />
    </g>
  )
}

/** A machine from above: arm over the bed, needle at its left end, hand wheel at its right, spools as they sit. */
function MachineOutline({ traits }: { traits: PlanMachine['traits'] }) {
  const industrial = traits.drive === 'industrial'
  const portable = traits.drive === 'portable-walking-foot'
  return (
    <g transform="translate(0 1.6)" fill="none" stroke="currentColor" strokeWidth="0.3" aria-hidden="true">
      {industrial && <rect x="-1.6" y="-0.9" width="21" height="9.2" strokeDasharray="0.4 0.4" />}
      <rect x="0" y="1" width="17" height="6.2" rx={portable ? 0.2 : 1} />
      <path
        d="M1 2.5 H15 a1.4 1.4 0 0 1 1.4 1.4 v0.8 a1.4 1.4 0 0 1 -1.4 1.4 H13 L12 5 H3 L2.4 6 H1.4 A0.8 0.8 0 0 1 0.6 5.2 V3.2 Z"
        fill="var(--color-base-200)"
      />
      <rect x="17" y="2.6" width="1" height="3.2" fill="currentColor" />
      <circle cx="2" cy="4.2" r="0.35" fill="currentColor" />
      {traits.spoolPin === 'upright' && <circle cx="12.5" cy="3.6" r="0.7" />}
      {(traits.spoolPin === 'lying' || traits.spoolPin === 'both') && (
        <rect x="10.5" y="3.1" width="3.4" height="1.2" />
      )}
      {traits.spoolPin === 'cone-stand' && <path d="M15 -0.8 l1.6 0 l-0.8 1.6 z" />}
    </g>
  )
}
