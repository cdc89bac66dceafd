'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState, useTransition } from 'react'
import { toast } from 'sonner'
import { counted } from '@/core/units/words'
import { v7 as uuid } from 'uuid'
import type { Fault } from '@/core/schema/invalid'
import { eachLine } from '@/ui/lines'

export interface Found {
  readonly seated: number
  readonly of: number
  readonly changeoverMinutes: number
  readonly boundMinutes: number
}
type Line = { readonly better: Found } | (Found & { readonly kept: string }) | { readonly error: Fault }

/** Has a session planned: what is found on the way is shown, and stopping keeps the best so far. */
export function usePlanning(sessionId: string) {
  const router = useRouter()
  const [found, setFound] = useState<Found>()
  const [thinking, setThinking] = useState(false)
  const [refreshing, refresh] = useTransition()
  const [fault, setFault] = useState<Fault>()
  const stopper = useRef<AbortController>(undefined)

  const take = (line: Line) => {
    if ('better' in line) setFound(line.better)
    else if ('error' in line) {
      setFault(line.error)
      toast.error(line.error.message)
    } else
      toast.success(`${line.seated} of ${line.of} seated, ${counted(line.changeoverMinutes, 'minute')} of changeovers`)
  }

  const plan = async (basis: () => Promise<string | null>, fromBlock?: number) => {
    const stop = new AbortController()
    stopper.current = stop
    setThinking(true)
    setFault(undefined)
    setFound(undefined)
    try {
      const basedOn = await basis()
      const response = await fetch(`/api/sessions/${sessionId}/plan`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ commandId: uuid(), basedOn, ...(fromBlock !== undefined && { fromBlock }) }),
        signal: stop.signal,
      })
      if (response.ok && response.body) await eachLine(response.body, take)
      else take((await response.json()) as { error: Fault })
    } catch {
      if (stop.signal.aborted) toast.message('Stopped; the best plan so far is kept')
      else
        setFault({
          code: 'away',
          message: 'The room’s server cannot be reached. The plan is as it was; try again.',
          path: '',
        })
    }
    // What was stopped is kept a moment later.
    if (stop.signal.aborted) await new Promise((resolve) => setTimeout(resolve, 300))
    setThinking(false)
    // Until the page shows the new plan, it is still being made.
    refresh(() => router.refresh())
  }
  return { plan, stop: () => stopper.current?.abort(), thinking: thinking || refreshing, found, fault }
}
