import type { Metadata } from 'next'
import { cookies } from 'next/headers'
import { Link } from '@/ui/parts/link'
import { redirect } from 'next/navigation'
import { mails } from '../_server/mail'
import { tabletOf } from '../_server/room-tablet'
import { anyVenue } from '../_server/venue'
import { Entry } from '../_parts/entry'
import { ByPasskey } from './by-passkey'

export const metadata: Metadata = { title: 'Sign in' }

export const dynamic = 'force-dynamic'

/** On a tablet of the room somebody who asks for no password taps their PIN. */
export default async function SignInPage({ searchParams }: { searchParams: Promise<{ password?: string }> }) {
  if (!(await anyVenue())) redirect('/setup')
  if (!(await searchParams).password && (await tabletOf((await cookies()).toString()))) redirect('/tablet')
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-8 px-5 py-10">
      <div>
        <h1 className="text-4xl font-bold">Orthodex</h1>
        <p className="mt-2 text-lg">What is in each machine, what each project needs, and why.</p>
      </div>
      <div className="sheet p-6">
        <Entry
          to="/api/sign-in/sign-in/email"
          button="Sign in"
          fields={[
            { name: 'email', label: 'Email', type: 'email', autoComplete: 'username' },
            { name: 'password', label: 'Password', type: 'password', autoComplete: 'current-password' },
          ]}
        />
        <ByPasskey />
      </div>
      <p>
        Here for a class?{' '}
        <Link className="link font-semibold" href="/enter">
          Enter with your class code
        </Link>
      </p>
      <p>
        {mails() && (
          <>
            <Link className="link font-semibold" href="/forgotten">
              Password forgotten
            </Link>
            {' · '}
          </>
        )}
        {mails() ? 'Invited to join?' : 'Forgotten your password, or invited to join?'}{' '}
        <Link className="link font-semibold" href="/join">
          Come in by a code
        </Link>{' '}
        that your coordinator reads out.
      </p>
    </main>
  )
}
