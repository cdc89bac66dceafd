import { useState } from 'react'
import type { Fault } from '@/core/schema/invalid'

/**
 * Whether theirs is at hand where two have changed one thing. What was refused spoke of what the page showed then; theirs comes after it,
 * and until it is here there is nothing to choose between.
 * @param shown what the page shows as kept
 */
export function useTheirs(fault: Fault | undefined, shown: unknown): boolean {
  const text = JSON.stringify(shown)
  const [refused, setRefused] = useState<{ readonly fault: Fault; readonly text: string }>()
  if (fault?.code !== 'changed') return false
  if (refused?.fault !== fault) {
    setRefused({ fault, text })
    return false
  }
  return refused.text !== text
}
