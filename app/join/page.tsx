import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { readInvitation } from '@/store/site/invitations'
import { everyVenue } from '../_server/every-venue'
import { Join } from './join'

export const metadata: Metadata = { title: 'Come in by a code' }

/** Somebody with a code that works once: to make their sign-in, or to choose a new password. */
export default async function JoinPage({ searchParams }: { searchParams: Promise<{ code?: string | string[] }> }) {
  const asked = (await searchParams).code
  const code = typeof asked === 'string' ? asked.trim().slice(0, 40) : ''
  const invitation = code ? await readInvitation(everyVenue(), code, new Date()) : undefined
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-6 px-5 py-10">
      {invitation ? (
        <>
          <div>
            <h1 className="text-4xl font-bold">
              {invitation.kind === 'join' ? 'Welcome' : 'A new password'}, <bdi>{invitation.name}</bdi>
            </h1>
            <p className="mt-2 text-lg">
              {invitation.kind === 'join'
                ? `You are invited to ${invitation.venue}. Choose how you sign in; nobody else sees the password.`
                : `For ${invitation.venue}. Everywhere else you are signed out as soon as you choose it.`}
            </p>
          </div>
          <Join code={code} kind={invitation.kind} />
        </>
      ) : (
        <>
          <h1 className="text-4xl font-bold">Come in by a code</h1>
          {code && (
            <p role="alert" className="border-l-4 border-error py-1 pl-3 text-error">
              This code lets nobody in: it was used, has run out, or is misspelt. Ask your coordinator for another.
            </p>
          )}
          <form className="sheet flex flex-col gap-4 p-6" action="/join">
            <label className="flex flex-col gap-1">
              <span className="font-bold">Code</span>
              <input
                name="code"
                defaultValue={code}
                required
                maxLength={40}
                autoComplete="off"
                autoCapitalize="none"
                className="input input-lg w-full"
              />
              <span className="text-sm">Three groups of four, from your coordinator.</span>
            </label>
            <button type="submit" className="btn btn-primary btn-lg self-start">
              Go on
            </button>
          </form>
        </>
      )}
      <p>
        <Link className="link" href="/sign-in">
          Sign in with a password
        </Link>
      </p>
    </main>
  )
}
