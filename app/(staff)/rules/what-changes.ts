import { bagStanding, kitDifferences, kitRequestFor, type KitPart, type KitRoom } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import type { Kit, KitMachine, KitRequest } from '@/core/kit/request'
import { wearOfFitting } from '@/core/machine/standing'
import type { Fitting } from '@/core/machine/state'
import type { HouseRules } from '@/core/room/house-rules'
import { kitPartWords } from '@/ui/parts/kit-compare'

export interface RulesBag {
  readonly projectId: string
  readonly learner: string
  readonly name: string
  readonly work: Pick<KitRequest, 'fabric' | 'layers' | 'operation'>
  readonly machineId?: string
}

export interface RulesMachine {
  readonly machineId: string
  readonly name: string
  readonly machine: KitMachine
  readonly fitting?: Fitting
}

interface Difference {
  readonly bag: RulesBag
  readonly machine: string
  readonly parts: readonly { readonly part: KitPart | 'verdict'; readonly from: string; readonly to: string }[]
}

/** Each bag on its own machine, or on the best one as the rules are now: the best kit before and after. */
export function whatChanges(
  machines: readonly RulesMachine[],
  bags: readonly RulesBag[],
  now: KitRoom,
  then: KitRoom,
): Difference[] {
  return bags.flatMap((bag): Difference[] => {
    const machineId = bag.machineId ?? bagStanding(bag.work, machines, now).machineId
    const on = machines.find((each) => each.machineId === machineId)
    if (!on) return []
    const best = (room: KitRoom): Kit | undefined => computeKit(kitRequestFor(bag.work, on.machine, room)).kits[0]
    const [before, after] = [best(now), best(then)]
    const verdict = { part: 'verdict' as const, from: before?.verdict ?? 'refused', to: after?.verdict ?? 'refused' }
    const parts = [
      ...(before && after
        ? kitDifferences(before, after).map((part) => ({
            part,
            from: kitPartWords[part](before),
            to: kitPartWords[part](after),
          }))
        : []),
      ...(verdict.from === verdict.to ? [] : [verdict]),
    ]
    return parts.length > 0 ? [{ bag, machine: on.name, parts }] : []
  })
}

export function needlesChanged(machines: readonly RulesMachine[], now: HouseRules, then: HouseRules): string[] {
  return machines.flatMap(({ name, fitting }) => {
    if (!fitting) return []
    const [before, after] = [now, then].map(({ needle }) => wearOfFitting(fitting, needle).verdict)
    return before === after ? [] : [`${name}: its needle, ${before} now, would be ${after}.`]
  })
}
