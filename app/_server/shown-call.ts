import 'server-only'
import { foundWords, type HelpCall } from '@/core/people/help-call'
import type { LeftLine } from '@/core/people/left-line'
import type { ShownCall, ShownLeft } from '@/core/wire/asks'
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
