'use client'

import { useEffect } from 'react'
import { ask } from '@/ui/ask'

/** Whoever looks at a session may soon have it planned: what plans is made ready. Without a network nobody plans. */
export function useReadyPlanner(sessionId: string, mayPlan: boolean): void {
  useEffect(() => {
    if (mayPlan) void ask('ready-planner', { at: { session: sessionId } })
  }, [mayPlan, sessionId])
}

/** On the way to a run sheet, for the session that comes next. */
export function ReadyPlanner({ sessionId }: { sessionId: string }) {
  useReadyPlanner(sessionId, true)
  return null
}
