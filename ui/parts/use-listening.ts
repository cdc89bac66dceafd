'use client'

import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** Whether the page listens yet: before, nobody can say what this browser can do. */
export const useListening = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
