'use client'

import { useCallback, useRef } from 'react'
import { v5, v7 as uuid } from 'uuid'

/**
 * Ids of what a form makes, fixed when the form opens: sent again after a lost answer it is the same thing, and lands once.
 * @param kept a name under which the form's own id outlives a reload, as what was typed into it does
 * @returns `idOf` the same id for the same name until `renew`, which is for when it has landed
 */
export function useFormId(kept?: string): {
  readonly idOf: (name: string) => string
  readonly renew: () => void
} {
  const form = useRef<string>(undefined)
  const key = kept && `form ${kept}`
  return {
    idOf: useCallback(
      (name) => {
        form.current ??= (key && sessionStorage.getItem(key)) || uuid()
        if (key) sessionStorage.setItem(key, form.current)
        return v5(name, form.current)
      },
      [key],
    ),
    renew: useCallback(() => {
      form.current = undefined
      if (key) sessionStorage.removeItem(key)
    }, [key]),
  }
}
