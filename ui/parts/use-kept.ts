'use client'

import { useCallback, useMemo, useSyncExternalStore } from 'react'

const changed = new EventTarget()

/** Work in progress that survives a reload: kept in this tab until it has landed. */
export function useKept<Value>(key: string, first: Value): readonly [Value, (next: Value | undefined) => void] {
  const text = useSyncExternalStore(
    useCallback((tell) => {
      changed.addEventListener('change', tell)
      return () => changed.removeEventListener('change', tell)
    }, []),
    () => sessionStorage.getItem(key),
    () => null,
  )
  const keep = useCallback(
    (next: Value | undefined) => {
      if (next === undefined) sessionStorage.removeItem(key)
      else sessionStorage.setItem(key, JSON.stringify(next))
      changed.dispatchEvent(new Event('change'))
    },
    [key],
  )
  // The same value until something else is kept; what it is at first is the asker's own.
  const kept = useMemo(() => (text === null ? undefined : { value: JSON.parse(text) as Value }), [text])
  return [kept ? kept.value : first, keep]
}
