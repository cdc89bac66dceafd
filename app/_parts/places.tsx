'use client'

import { Link } from '@/ui/parts/link'
import { usePathname } from 'next/navigation'

/** The places of the application that exist for this person. */
export function Places({ places }: { places: readonly { readonly href: string; readonly name: string }[] }) {
  const path = usePathname()
  return (
    <nav aria-label="Places" className="flex min-w-0 gap-x-1 overflow-x-auto max-lg:flex-1">
      {places.map(({ href, name }) => {
        const here = path === href || path.startsWith(`${href}/`) || (href === '/room' && path.startsWith('/machines'))
        return (
          <Link
            key={href}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={`flex min-h-11 shrink-0 items-center border-b-2 px-3 ${here ? 'border-secondary font-bold' : 'border-transparent hover:border-base-300'}`}
          >
            {name}
          </Link>
        )
      })}
    </nav>
  )
}
