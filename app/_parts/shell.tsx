import { Link } from '@/ui/parts/link'
import type { Units } from '@/core/units/measure'
import { UnitsOf } from '@/ui/parts/units'
import type { TestThreads } from '@/core/room/venue-settings'
import type { EventOf } from '@/core/wire/asks'
import { TestThreadsOf } from '@/ui/picture/test-threads'
import { Above } from './above'
import { Renewed } from './live/renewed'
import { CallButton } from './calls/call-button'
import { Drawn } from './offline/drawn'
import { Offline } from './offline/offline'
import { OwnCalls } from './calls/own-calls'
import { StaffCalls } from './calls/staff-calls'
import { HurtLink } from './hurt-link'
import { LogButton } from './log-button'
import { SignOut } from './sign-out'
import { Places } from './places'
import { TabletWatch } from './tablet-watch'

/** The two threads of a lockstitch, locking in the middle: the product's mark. */
function Mark() {
  return (
    <svg viewBox="0 0 44 20" className="h-5 w-11" aria-hidden="true">
      <path d="M2 5 C9 5 9 13 15 13 S21 5 28 5 S35 13 42 13" fill="none" stroke="currentColor" strokeWidth="2.6" />
      <path
        d="M2 15 C9 15 9 8 15 8 S21 15 28 15 S35 8 42 8"
        fill="none"
        className="text-secondary"
        stroke="currentColor"
        strokeWidth="2.2"
        strokeDasharray="4 2"
      />
    </svg>
  )
}

/** The frame of every page: where you are, who you are, and the places that you can go. */
export function Shell({
  venue,
  who,
  units,
  testThreads,
  places,
  calls,
  logs = false,
  onTablet = false,
  offline,
  children,
}: {
  venue: string
  who: string
  /** in what the venue measures */
  units: Units | undefined
  /** in which colours its test swatches are sewn */
  testThreads: TestThreads | undefined
  places: readonly { readonly href: string; readonly name: string }[]
  /** whose calls are shown: every open one for staff, a learner's own; and how they stand now, so that they push nothing down later */
  calls: { readonly drawn: EventOf<'calls'> } & (
    | { readonly of: 'staff'; readonly personId: string }
    | { readonly of: 'own'; /** where they sit, and so may call from */ readonly machineId?: string }
  )
  /** whether this person writes lines in the books */
  logs?: boolean
  /** signed in by a PIN, on a tablet that falls asleep */
  onTablet?: boolean
  /** whose device this is just now, and what it keeps for when there is no network */
  offline: Omit<React.ComponentProps<typeof Offline>, 'logs'>
  children: React.ReactNode
}) {
  return (
    <UnitsOf units={units}>
      <TestThreadsOf threads={testThreads}>
        <header className="sticky top-0 z-20 border-b border-base-300 bg-base-100 print:hidden">
          <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-x-6 gap-y-1 px-4 py-2 max-lg:flex-nowrap max-lg:gap-x-1 max-md:px-2 max-md:py-1">
            <Link href="/" className="flex shrink-0 items-center gap-2 py-1 text-lg font-bold max-md:min-h-11">
              <Mark /> <span className="max-lg:sr-only">Orthodex</span>
            </Link>
            <Places places={places} />
            <p className="ml-auto hidden text-right text-sm leading-tight lg:block">
              {calls.of === 'staff' ? (
                <Link href="/you" className="block max-w-56 truncate underline-offset-2 hover:underline">
                  <bdi>{who}</bdi>
                </Link>
              ) : (
                <bdi className="block max-w-56 truncate">{who}</bdi>
              )}
              <span className="hidden max-w-56 truncate xl:block">{venue}</span>
            </p>
            <span className="ml-auto flex shrink-0 items-center gap-1 lg:ml-0">
              {calls.of === 'own' && <CallButton machineId={calls.machineId} />}
              <HurtLink />
              {logs && <LogButton />}
              <SignOut onTablet={onTablet} />
            </span>
          </div>
        </header>
        {onTablet && <TabletWatch />}
        <Above>
          <Renewed of="calls" />
          <Offline {...offline} logs={logs} />
          {calls.of === 'staff' ? (
            <StaffCalls personId={calls.personId} drawn={calls.drawn} />
          ) : (
            <OwnCalls drawn={calls.drawn} />
          )}
        </Above>
        <main
          id="main"
          tabIndex={-1}
          className="mx-auto max-w-7xl px-4 pb-24 pt-5 outline-none data-moved:pointer-events-none print:max-w-none print:p-0"
        >
          {children}
        </main>
        <Drawn at={new Date().toISOString()} />
      </TestThreadsOf>
    </UnitsOf>
  )
}
