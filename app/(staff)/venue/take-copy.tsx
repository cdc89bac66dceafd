'use client'

import { useState } from 'react'
import { Text } from '@/ui/fields/text'

/** The whole venue as one file to keep. A form of the browser's own: the file goes to the disk as it comes. */
export function TakeCopy({ shortest }: { shortest: number }) {
  const [passphrase, setPassphrase] = useState('')
  const short = passphrase !== '' && passphrase.length < shortest
  return (
    <form
      method="post"
      action="/api/archive"
      className="sheet mt-2 flex flex-col gap-4 p-5"
      aria-labelledby="take-copy"
    >
      <div>
        <h2 id="take-copy" className="text-xl font-bold">
          Take a copy of everything
        </h2>
        <p>
          Every book, bag, class and person of this venue in one open file. It names people: keep it where only you can
          read it. Whoever runs a server brings it back with one command.
        </p>
      </div>
      <Text
        label="Passphrase, if you like"
        type="password"
        optional
        autoComplete="new-password"
        value={passphrase}
        set={setPassphrase}
        hint={`Empty, the file can be read by whoever has it. With one, of ${shortest} letters at least, nobody opens it who has lost the passphrase.`}
        error={short ? `${shortest} letters at least, or none` : undefined}
      />
      <input type="hidden" name="passphrase" value={passphrase} />
      <button type="submit" className="btn btn-outline self-start" disabled={short}>
        Take the copy
      </button>
    </form>
  )
}
