import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { Entry } from '../_parts/entry'

export const metadata: Metadata = { title: 'Enter a class' }

export default function EnterPage() {
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-8 px-5 py-10">
      <h1 className="text-4xl font-bold">Your seat</h1>
      <div className="sheet p-6">
        <Entry
          to="/api/sign-in/station"
          button="Go to my seat"
          fields={[
            {
              name: 'classCode',
              label: 'Class code',
              type: 'text',
              autoComplete: 'off',
              hint: 'It is on the board, two words with a dash.',
            },
            { name: 'firstName', label: 'First name', type: 'text', autoComplete: 'given-name' },
          ]}
        />
      </div>
      <p>
        <Link className="link" href="/sign-in">
          Staff sign in here
        </Link>
      </p>
    </main>
  )
}
