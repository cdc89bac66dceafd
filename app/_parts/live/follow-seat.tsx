'use client'

import { OctagonX } from 'lucide-react'
import { usePathname, useRouter } from 'next/navigation'
import { useRef } from 'react'
import type { EventOf } from '@/core/wire/asks'
import { useGo } from '@/ui/parts/going'
import { useHeldWhileMoved } from '../above'
import { useRedrawn } from './use-redrawn'
import { useTold } from './use-told'

/** The page that shows a seat and holds nothing that was typed. */
const HOME = '/station'

/**
 * Draws a learner's page anew as soon as their seat is no more what it shows: another bag, another machine. Who is in the middle of
 * something and sits elsewhere by now is told so, and goes on when they are ready: nothing is taken out of their hands. A stop waits
 * for nobody: of the machine that the page shows and of the one where they sit by now, it stands here as soon as it is told.
 * @param drawn what the page was drawn of
 */
export function FollowSeat({ drawn }: { drawn: Omit<EventOf<'own-seat'>, 'now'> }) {
  const { told } = useTold('own-seat')
  const router = useRouter()
  const go = useGo()
  const inTheMiddle = usePathname() !== HOME
  const moved = told !== undefined && told.seat !== drawn.seat
  useRedrawn(told?.whole, drawn.whole, moved && inTheMiddle)
  const [stop, notice] = [useRef<HTMLDivElement>(null), useRef<HTMLDivElement>(null)]
  useHeldWhileMoved(stop)
  useHeldWhileMoved(notice)
  const known = told ?? drawn
  const theirs = [drawn.machineId, known.machineId]
  return (
    <>
      {/* It stays in view however far down they are. */}
      <div ref={stop} role="alert" className="sticky top-2 z-30">
        {known.stopped
          .filter(({ machineId }) => theirs.includes(machineId))
          .map(({ machineId, name }) => (
            <p key={machineId} className="sheet mb-4 flex items-center gap-4 border-l-8 border-l-error p-4 text-xl">
              <OctagonX className="size-8 shrink-0 text-error" aria-hidden="true" />
              <span>
                <strong>{name} is stopped.</strong> Take your foot off the pedal and do not sew on it. If your
                instructor does not know yet, tell them.
              </span>
            </p>
          ))}
      </div>
      <div ref={notice} role="status">
        {moved && inTheMiddle && (
          <p className="sheet mb-4 flex flex-wrap items-center gap-x-6 gap-y-2 border-l-8 border-l-warning p-4 text-lg">
            <span className="grow">Your instructor has changed where you sit, or what is in your bag.</span>
            <button
              type="button"
              className="btn btn-primary min-h-11"
              onClick={() => {
                go(HOME)
                router.refresh()
              }}
            >
              Show me
            </button>
          </p>
        )}
      </div>
    </>
  )
}
