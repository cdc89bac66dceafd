import type { Metadata } from 'next'
import { cookies } from 'next/headers'
import { readHolders } from '@/store/site/tablet'
import { siteOf } from '../_server/site'
import { booksOf } from '../_server/store'
import { tabletOf } from '../_server/room-tablet'
import { CallsHere } from './calls-here'
import { Settle } from './settle'
import { WhoHolds } from './who-holds'

export const metadata: Metadata = { title: 'Who holds this tablet?' }

/** A tablet of the room, put down: whoever takes it says so. That somebody calls, and where, is all else that is to be seen on it. */
export default async function TabletPage() {
  const tablet = await tabletOf((await cookies()).toString())
  if (!tablet) return <Settle />
  const [site, holders] = await Promise.all([siteOf(tablet.siteId), readHolders(booksOf(tablet.siteId), tablet.siteId)])
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-3xl flex-col justify-center px-4 py-8">
      <p className="mb-6 text-center">
        {site.name}, {tablet.name}
      </p>
      <CallsHere />
      <WhoHolds holders={holders} />
    </main>
  )
}
