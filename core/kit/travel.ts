import type { Knowledge } from '../knowledge/knowledge'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { overrideKit, partWords, PARTS_OF_REASON, type Override, type OverridePart } from './override'
import type { Kit, KitRequest } from './request'

/** The value that a kit has in a part, as a person would choose it. */
function valueOf(kit: Kit, part: OverridePart): Override['value'] {
  switch (part) {
    case 'needle': {
      const { point, sizeNm, gapMm } = kit.needle
      return { point, sizeNm, ...(gapMm !== undefined && { gapMm }) }
    }
    case 'thread':
      return kit.topThread
    case 'bobbin':
      return kit.bobbinThread
    case 'foot':
      return kit.foot
    case 'pressure':
      return kit.footPressure
    case 'stitch':
      return { lengthMm: kit.stitch.lengthMm, widthMm: kit.stitch.widthMm }
    case 'dial':
      return kit.dial.setting!
  }
}

/** What a person chose by hand, with the reasons they gave: what the kit has of it, and what could not be on its machine. */
export const choicesIn = (kit: Kit): Override[] => [
  ...(kit.overrides ?? [])
    .filter(({ part }) => part !== 'dial' || kit.dial.setting !== undefined)
    .map(({ part, because }) => ({ part, value: valueOf(kit, part), because }) as Override),
  ...(kit.dropped ?? []).map(({ choice }) => choice),
]

/**
 * A choice made by hand goes with its owner to another machine: checked again there, kept where it still holds, else left
 * with both prices said. The dial is a mark of the one machine it was read on, so another machine's own start stands.
 * @param request the same work, on the machine they go to
 * @param given the kit with its choices, as it was given on the machine they come from
 * @param computed what the core says for the machine they go to
 */
export function travel(request: KitRequest, given: Kit, computed: Kit, knowledge: Knowledge = KNOWLEDGE): Kit {
  const asked = choicesIn(given)
  const left = new Map<OverridePart, string>()
  const own = asked.filter(({ part }) => part !== 'dial')
  for (const { part } of asked) if (part === 'dial') left.set('dial', 'A dial’s mark holds for its own machine.')
  for (;;) {
    const holding = own.filter(({ part }) => !left.has(part))
    const { kit, breaks } = overrideKit(request, computed, holding, knowledge)
    const stop = breaks.find(({ severity, part }) => severity === 'stop' && holding.some((each) => each.part === part))
    if (stop) {
      left.set(stop.part, stop.because)
      continue
    }
    // What stops a choice may be said of a part that nobody chose: then none of them goes on to this machine.
    const other = breaks.find(({ severity }) => severity === 'stop')
    if (other && holding.length > 0) {
      for (const { part } of holding) left.set(part, other.because)
      continue
    }
    const dropped = asked
      .filter(({ part }) => left.has(part))
      .map((choice) => ({
        choice,
        part: choice.part,
        asked: given.dropped?.find(({ part }) => part === choice.part)?.asked ?? partWords(given, choice.part),
        because: choice.because,
        why: left.get(choice.part)!,
        instead: partWords(kit, choice.part),
        insteadBecause: kit.reasons.find((reason) => PARTS_OF_REASON[choice.part].includes(reason.part))?.because ?? '',
      }))
    return dropped.length > 0 ? { ...kit, dropped } : kit
  }
}
