'use client'

import { useCallback, useRef } from 'react'
import { v5, v7 as uuid } from 'uuid'

/**
 * Ids of what a form makes, fixed when the form opens: sent again after a lost answer it is the same thing, and lands once.
 * @returns `idOf` the same id for the same name until `renew`, which is for when it has landed
 */
export function useFormId(): { readonly idOf: (name: string) => string; readonly renew: () => void } {
  const form = useRef<string>(undefined)
  return {
    idOf: useCallback((name) => v5(name, (form.current ??= uuid())), []),
    renew: useCallback(() => (form.current = undefined), []),
  }
}
