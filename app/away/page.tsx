import type { Metadata } from 'next'
import { BackFromAway } from './back'

export const metadata: Metadata = { title: 'Not on this device' }

/** In the place of a page that this device does not keep, while the server cannot be reached. It names nobody, and stays when they go. */
export default function AwayPage() {
  return (
    <main id="main" className="mx-auto flex min-h-[70dvh] max-w-xl flex-col justify-center gap-4 px-5">
      <h1 className="text-3xl font-bold">This page is not on this device</h1>
      <p className="text-lg">
        The room’s server cannot be reached just now. What was written down waits here and goes to it by itself.
      </p>
      <BackFromAway />
    </main>
  )
}
