'use client'

import { usePathname, useRouter } from 'next/navigation'
import { useRedrawn } from './use-redrawn'
import { useTold } from './use-told'

/** The page that shows a seat and holds nothing that was typed. */
const HOME = '/station'

/**
 * Draws a learner's page anew as soon as their seat is no more what it shows: another bag, a machine that is stopped. Who is in the
 * middle of something and sits elsewhere by now is told so, and goes on when they are ready: nothing is taken out of their hands.
 * @param drawn what the page was drawn of
 */
export function FollowSeat({ drawn }: { drawn: { readonly seat: string; readonly whole: string } }) {
  const { told } = useTold('own-seat')
  const router = useRouter()
  const inTheMiddle = usePathname() !== HOME
  const moved = told !== undefined && told.seat !== drawn.seat
  useRedrawn(told?.whole, drawn.whole, moved && inTheMiddle)
  return (
    <div role="status">
      {moved && inTheMiddle && (
        <p className="sheet mb-4 flex flex-wrap items-center gap-x-6 gap-y-2 border-l-8 border-l-warning p-4 text-lg">
          <span className="grow">Your instructor has changed where you sit, or what is in your bag.</span>
          <button
            type="button"
            className="btn btn-primary min-h-11"
            onClick={() => {
              router.push(HOME)
              router.refresh()
            }}
          >
            Show me
          </button>
        </p>
      )}
    </div>
  )
}
