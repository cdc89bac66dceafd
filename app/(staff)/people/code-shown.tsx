'use client'

import { useSyncExternalStore } from 'react'
import { MailCode } from './mail-code'

export interface MadeCode {
  readonly name: string
  readonly code: string
  readonly days: string
}

const NEVER = () => () => {}

/** A code as it is handed over: read aloud, or sent as a link. It is not shown again. */
export function CodeShown({ made, mails }: { made: MadeCode; mails: boolean }) {
  const origin = useSyncExternalStore(
    NEVER,
    () => window.location.origin,
    () => '',
  )
  return (
    <div className="sheet p-4" role="status">
      <p className="font-bold">
        For <bdi>{made.name}</bdi>: read it out or send the link now, it is not shown again.
      </p>
      <p className="numeral mt-2 text-3xl">{made.code}</p>
      <code className="mt-1 block break-all font-mono text-sm">{`${origin}/join?code=${made.code}`}</code>
      <p className="mt-1 text-sm">It works once, for {made.days}.</p>
      {mails && <MailCode key={made.code} code={made.code} name={made.name} />}
    </div>
  )
}
