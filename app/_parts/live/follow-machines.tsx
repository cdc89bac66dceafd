'use client'

import { useRedrawn } from './use-redrawn'
import { useTold } from './use-told'

/** Draws a page of the room, or of one machine, anew when what it shows is another by now. @param drawn what the page was drawn of */
export function FollowMachines({ drawn, machineId }: { drawn: string; machineId?: string }) {
  const { told } = useTold('machines')
  useRedrawn(machineId === undefined ? told?.whole : told?.each[machineId], drawn)
  return null
}
