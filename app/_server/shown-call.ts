import 'server-only'
import { foundWords, type HelpCall } from '@/core/people/help-call'
import type { LeftLine } from '@/core/people/left-line'
import type { ShownCall, ShownLeft, UnnamedCall } from '@/core/wire/asks'
import { capital, spaced } from '@/core/units/words'
import { timeIn } from '@/ui/time'

export function shownCall(call: HelpCall, timeZone: string): ShownCall {
  const { callId, machineId, machine, number, who, about, calledAt, seen, going, ended } = call
  return {
    callId,
    ...(machineId === undefined ? { where: 'no machine' } : { machineId, where: `${machine}, no. ${number}` }),
    who,
    about,
    calledAt,
    since: timeIn(new Date(calledAt), timeZone),
    words: foundWords(call.found),
    ...(seen && { seen: { at: timeIn(new Date(seen.at), timeZone), by: seen.by } }),
    ...(going && { going }),
    ...(ended && { ended }),
  }
}

/** The same for a screen that stands in the room before nobody in particular. */
export function unnamedCall(
  { callId, machine, number, about, calledAt, going }: HelpCall,
  timeZone: string,
): UnnamedCall {
  return {
    callId,
    about,
    ...(machine !== undefined && { where: `${machine}, no. ${number}` }),
    since: timeIn(new Date(calledAt), timeZone),
    ...(going && { going: true as const }),
  }
}

export function shownLeft(line: LeftLine, timeZone: string): ShownLeft {
  const { lineId, machineId, machine, number, who, happenedAt, kind, words, because, decided } = line
  return {
    lineId,
    machineId,
    where: `${machine}, no. ${number}`,
    who,
    at: timeIn(new Date(happenedAt), timeZone),
    words: words ? [words.title, words.detail].filter(Boolean).join(': ').replace(/\.$/, '') : capital(spaced(kind)),
    because,
    ...(decided && { decided }),
  }
}
