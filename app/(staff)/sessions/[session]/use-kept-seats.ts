import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { PlannedSeat } from '@/core/session/session-schema'
import type { useWrite } from '@/ui/parts/use-write'
import type { SheetProps } from './sheet-props'

/** The seats as they are shown and kept: a change is seen at once, lands in its turn, and goes back when it does not. */
export function useKeptSeats(
  props: Pick<SheetProps, 'sessionId' | 'planId' | 'seats' | 'leftOut'>,
  write: ReturnType<typeof useWrite>['write'],
) {
  const { sessionId, planId } = props
  const [seats, setSeats] = useState(props.seats)
  // A plan that came in meanwhile, one's own or another's, is what is shown; whoever is carried stays in the hand.
  const [shown, setShown] = useState(planId)
  const [own, setOwn] = useState<readonly string[]>([])
  const overtaken = planId !== null && own.includes(planId) && planId !== own.at(-1)
  if (shown !== planId && !overtaken) {
    setShown(planId)
    setSeats(props.seats)
  }
  /** the plan that the next change builds on, where the page has not heard of it yet */
  const basis = useRef<string>(undefined)
  const queue = useRef<Promise<void>>(Promise.resolve())
  const router = useRouter()

  const keep = (next: readonly PlannedSeat[], done: string, leftOut = props.leftOut, undone = false) => {
    const before = seats
    // Moved by hand, moved back by hand: undoing is one more plan, and nothing of any is lost.
    const back = () => keep(before, 'As it was', props.leftOut, true)
    setSeats(next)
    const plan = { seats: next, leftOut }
    // One change after the other, however quickly they come: each builds on the one before.
    queue.current = queue.current.then(async () => {
      const landed = await write(
        'set-plan',
        { sessionId, basedOn: basis.current ?? planId, plan },
        { done, ...(!undone && { undo: back }) },
      )
      basis.current = landed
      if (landed) setOwn((ids) => [...ids, landed])
      else {
        setSeats(before)
        router.refresh()
      }
    })
  }
  /** What the next plan builds on, once everything that was changed by hand has landed. */
  const basedOn = async () => {
    await queue.current
    const newest = basis.current ?? planId
    basis.current = undefined
    return newest
  }
  return { seats, keep, basedOn }
}
