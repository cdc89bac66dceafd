'use client'

import { HeartPulse } from 'lucide-react'
import { Link } from '@/ui/parts/link'
import { usePathname } from 'next/navigation'

/** Always one tap away: what to do first, whom to call, and the line that stops the machine. */
export function HurtLink() {
  const here = /^\/machines\/([0-9a-f-]{36})/.exec(usePathname())?.[1]
  return (
    <Link
      href={here ? `/hurt?machine=${here}` : '/hurt'}
      className="btn btn-outline min-h-11 border-error px-3 text-error"
      aria-label="Somebody is hurt"
    >
      <HeartPulse className="size-5" aria-hidden="true" /> <span className="max-sm:sr-only">Hurt?</span>
    </Link>
  )
}
