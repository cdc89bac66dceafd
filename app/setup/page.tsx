import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { ownVenue } from '../_server/venue'
import { PracticeFirst, Setup } from './setup'

export const metadata: Metadata = { title: 'A new venue' }
export const dynamic = 'force-dynamic'

export default async function SetupPage() {
  if (await ownVenue()) redirect('/sign-in')
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-6 px-5 py-10">
      <div>
        <h1 className="text-4xl font-bold">A new venue</h1>
        <p className="mt-2 text-lg">
          Nothing is kept here yet. Name the room, and you are its first coordinator; everybody else comes by
          invitation.
        </p>
      </div>
      <PracticeFirst />
      <Setup zones={['UTC', ...Intl.supportedValuesOf('timeZone')]} />
    </main>
  )
}
