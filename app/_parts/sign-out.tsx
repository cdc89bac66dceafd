'use client'

import { LogOut } from 'lucide-react'
import { leave } from './leaving'

/** @param onTablet somebody puts a tablet of the room down */
export function SignOut({ onTablet = false }: { onTablet?: boolean }) {
  return (
    <button type="button" className="btn btn-ghost min-h-11" onClick={() => leave(onTablet ? '/tablet' : '/sign-in')}>
      <LogOut className="size-4" aria-hidden="true" />{' '}
      <span className={onTablet ? '' : 'max-2xl:sr-only'}>{onTablet ? 'Put down' : 'Sign out'}</span>
    </button>
  )
}
