'use client'

import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** Whether the page listens yet: until then a tick would show and not count, so nothing is offered to be ticked. */
export const useListening = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
