import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { redirect } from 'next/navigation'
import { mails } from '../_server/mail'
import { Forgotten } from './forgotten'

export const metadata: Metadata = { title: 'Password forgotten' }
export const dynamic = 'force-dynamic'

/** A code for a new password by mail, where the server sends any. */
export default function ForgottenPage() {
  if (!mails()) redirect('/join')
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-6 px-5 py-10">
      <div>
        <h1 className="text-4xl font-bold">Password forgotten</h1>
        <p className="mt-2 text-lg">A link goes to the address you sign in with. Until you use it, nothing changes.</p>
      </div>
      <Forgotten />
      <p>
        No mail there either? Your coordinator makes you a code:{' '}
        <Link className="link" href="/join">
          come in by it
        </Link>
        .
      </p>
    </main>
  )
}
