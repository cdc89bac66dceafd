import 'server-only'
import { foundWords, type HelpCall } from '@/core/people/help-call'
import type { ShownCall } from '@/core/wire/asks'
import { timeIn } from '@/ui/time'

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
