'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState, useTransition } from 'react'
import { toast } from 'sonner'
import { counted } from '@/core/units/words'
import { v7 as uuid } from 'uuid'
import type { Fault } from '@/core/schema/invalid'
import type { PlanInShort } from '@/core/wire/asks'
import { askLines } from '@/ui/ask'
import { useReadyPlanner } from '../ready-planner'

/** Has a session planned: what is found on the way is shown, and stopping keeps the best so far. */
export function usePlanning(sessionId: string, mayPlan: boolean) {
  const router = useRouter()
  const [found, setFound] = useState<PlanInShort>()
  const [thinking, setThinking] = useState(false)
  /** the plan stands, and what would help is still tried */
  const [helping, setHelping] = useState(false)
  const [refreshing, refresh] = useTransition()
  const [fault, setFault] = useState<Fault>()
  const stopper = useRef<AbortController>(undefined)

  useReadyPlanner(sessionId, mayPlan)

  const plan = async (basis: () => Promise<string | null>, fromBlock?: number) => {
    // Whoever plans again waits no longer for what would have helped with the plan before.
    stopper.current?.abort()
    const stop = new AbortController()
    stopper.current = stop
    setThinking(true)
    setFault(undefined)
    setFound(undefined)
    let kept = false
    const wrong = await askLines(
      'plan-session',
      {
        at: { session: sessionId },
        body: { commandId: uuid(), basedOn: await basis(), ...(fromBlock !== undefined && { fromBlock }) },
        signal: stop.signal,
      },
      (line) => {
        if ('better' in line) setFound(line.better)
        else if ('kept' in line) {
          kept = true
          toast.success(
            `${line.seated} of ${line.of} seated, ${counted(line.changeoverMinutes, 'minute')} of changeovers`,
          )
          setThinking(false)
          setHelping(line.seated < line.of)
          refresh(() => router.refresh())
        }
      },
    )
    if (wrong) {
      setFault(wrong)
      toast.error(wrong.message)
    }
    if (stopper.current !== stop) return
    setHelping(false)
    if (stop.signal.aborted && !kept) toast.message('Stopped; the best plan so far is kept')
    // What was stopped is kept a moment later.
    if (stop.signal.aborted) await new Promise((resolve) => setTimeout(resolve, 300))
    setThinking(false)
    // Until the page shows the new plan, it is still being made.
    refresh(() => router.refresh())
  }
  return {
    plan,
    stop: () => stopper.current?.abort(),
    thinking: thinking || (refreshing && !helping),
    helping,
    found,
    fault,
  }
}
