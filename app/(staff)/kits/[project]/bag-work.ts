import { completeFabric } from '@/core/fabric/intake'
import { kitRequestFor, type KitRoom } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import { bobbinVolumeOf } from '@/core/kit/kit-machine'
import { kitUse } from '@/core/kit/kit-use'
import { overrideKit, type Override, type OverridePart } from '@/core/kit/override'
import type { Kit, KitMachine, KitRequest } from '@/core/kit/request'
import type { Traits } from '@/core/knowledge/machine/trait'
import type { StandingWord } from '@/core/machine/standing'
import type { FabricFacts } from '@/ui/parts/fabric-facts'

export interface BagMachine {
  readonly machineId: string
  readonly name: string
  readonly standing: StandingWord
  /** what is wrong with it and stops nobody, in sentences */
  readonly faults: readonly string[]
  readonly traits: Traits
  /** absent while traits that a kit needs are missing */
  readonly machine?: KitMachine
  readonly missing?: readonly string[]
}

/** Work at a bag that is not kept yet. */
export interface BagWork {
  readonly facts: FabricFacts
  readonly machineId: string | undefined
  /** which of the kits on offer */
  readonly picked: number
  readonly overrides: readonly Override[]
}

export type BagSaid =
  | { readonly say: 'machine'; readonly machineId: string }
  | { readonly say: 'fabric'; readonly facts: FabricFacts }
  | { readonly say: 'way'; readonly picked: number }
  /** without `override` the part is as the kit has it again */
  | { readonly say: 'part'; readonly part: OverridePart; readonly override: Override | undefined }

/** Another cloth or machine is another kit, so what was picked or chosen by hand no longer speaks of it. */
export function worked(before: BagWork, said: BagSaid): BagWork {
  switch (said.say) {
    case 'machine':
      return { ...before, machineId: said.machineId, picked: 0, overrides: [] }
    case 'fabric':
      return { ...before, facts: said.facts, picked: 0, overrides: [] }
    case 'way':
      return { ...before, picked: said.picked, overrides: [] }
    case 'part': {
      const others = before.overrides.filter(({ part }) => part !== said.part)
      return { ...before, overrides: said.override ? [...others, said.override] : others }
    }
  }
}

/** What follows from the work: the machine, every kit on offer, the one picked with what was chosen by hand, what it takes. */
export interface BagKit {
  readonly machine: BagMachine | undefined
  readonly request: KitRequest | undefined
  readonly answer: ReturnType<typeof computeKit> | undefined
  /** as computed */
  readonly base: Kit | undefined
  /** as it is given */
  readonly kit: Kit | undefined
  /** absent while its bobbin or its metres of seam are not known */
  readonly use: ReturnType<typeof kitUse> | undefined
  /** cubic millimetres */
  readonly bobbinVolume: number | undefined
}

/** The kits of this cloth on this machine: the slow half of {@link bagKit}, and the same for every choice by hand. */
export function kitsOnOffer(
  { facts, machineId }: Pick<BagWork, 'facts' | 'machineId'>,
  machines: readonly BagMachine[],
  room: KitRoom,
): Pick<BagKit, 'machine' | 'request' | 'answer'> {
  const machine = machines.find((each) => each.machineId === machineId)
  const request = machine?.machine && kitRequestFor(facts, machine.machine, room)
  return { machine, request, answer: request && computeKit(request) }
}

export function bagKit(
  { facts, picked, overrides }: BagWork,
  offer: Pick<BagKit, 'machine' | 'request' | 'answer'>,
  room: KitRoom,
): BagKit {
  const { machine, request, answer } = offer
  const base = answer?.kits[Math.min(picked, answer.kits.length - 1)]
  const kit = request && base && overrideKit(request, base, overrides).kit
  const bobbinVolume = machine && bobbinVolumeOf(machine.traits)
  const use =
    kit && facts.sewn && bobbinVolume !== undefined
      ? kitUse(
          kit,
          facts.sewn,
          completeFabric(facts.fabric).thicknessMm * facts.layers.seam,
          bobbinVolume,
          room.rules.beginners ?? false,
        )
      : undefined
  return { ...offer, base, kit, use, bobbinVolume }
}
