import 'server-only'
import { foundWords, type HelpCall } from '@/core/people/help-call'
import { timeIn } from '@/ui/time'

/** A call as a screen shows it: every word and time of day made here, where the knowledge and the venue's zone are. */
export interface ShownCall {
  readonly callId: string
  readonly machineId: string
  /** "Heron, no. 1" */
  readonly where: string
  readonly who: string
  readonly about: HelpCall['about']
  readonly calledAt: string
  readonly since: string
  readonly words: string
  readonly seen?: { readonly at: string; readonly by: string }
  readonly going?: { readonly by: string; readonly personId: string }
  readonly ended?: HelpCall['ended'] & {}
}

export function shownCall(call: HelpCall, timeZone: string): ShownCall {
  const { callId, machineId, machine, number, who, about, calledAt, seen, going, ended } = call
  return {
    callId,
    machineId,
    where: `${machine}, no. ${number}`,
    who,
    about,
    calledAt,
    since: timeIn(new Date(calledAt), timeZone),
    words: foundWords(call.found),
    ...(seen && { seen: { at: timeIn(new Date(seen.at), timeZone), by: seen.by } }),
    ...(going && { going: { by: going.by, personId: going.personId } }),
    ...(ended && { ended }),
  }
}
