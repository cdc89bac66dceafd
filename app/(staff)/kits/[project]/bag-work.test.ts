import { describe, expect, it } from 'vitest'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { ORDINARY_MACHINE, ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { bagKit, kitsOnOffer, worked, type BagMachine, type BagSaid, type BagWork } from './bag-work'

const room = { rules: DEFAULT_HOUSE_RULES, dropTests: [] }
const heron: BagMachine = {
  machineId: 'heron',
  name: 'Heron',
  standing: 'ready',
  faults: [],
  traits: { ...ORDINARY_TRAITS, bobbinSize: { fillMm: 20, hubMm: 6, widthMm: 9 } },
  machine: ORDINARY_MACHINE,
}
const unknown: BagMachine = {
  machineId: 'snipe',
  name: 'Snipe',
  standing: 'ready',
  faults: [],
  traits: {},
  missing: ['feet'],
}
const poplin = {
  fabric: { structure: 'woven' as const, massGsm: 150, thicknessMm: 0.3 },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam' as const,
}
const begun: BagWork = { facts: poplin, machineId: 'heron', picked: 0, overrides: [] }
const softer = { part: 'dial', value: 3, because: 'sheer' } as const
const longer = { part: 'stitch', value: { widthMm: 0, lengthMm: 3.5 }, because: 'topstitching' } as const
const kitOf = (work: BagWork) => bagKit(work, kitsOnOffer(work, [heron, unknown], room), room)

describe('work at a bag', () => {
  it('forgets what was picked and chosen by hand once the cloth, the machine or the way is another', () => {
    const byHand = [softer, longer].reduce(
      (work, override): BagWork => worked(work, { say: 'part', part: override.part, override }),
      begun,
    )
    expect(byHand.overrides).toEqual([softer, longer])
    const others: BagSaid[] = [
      { say: 'machine', machineId: 'snipe' },
      { say: 'fabric', facts: { ...poplin, layers: { seam: 4, crossing: 8 } } },
      { say: 'way', picked: 1 },
    ]
    for (const said of others) expect(worked(byHand, said).overrides).toEqual([])
    expect(worked({ ...byHand, picked: 1 }, others[0]!).picked).toBe(0)
    expect(worked(byHand, others[2]!).picked).toBe(1)
  })

  it('holds one choice by hand for each part, and lets it go again', () => {
    const twice = [softer, { ...softer, value: 2 }].reduce(
      (work, override): BagWork => worked(work, { say: 'part', part: 'dial', override }),
      begun,
    )
    expect(twice.overrides).toEqual([{ ...softer, value: 2 }])
    expect(worked(twice, { say: 'part', part: 'dial', override: undefined })).toEqual(begun)
  })

  it('shows the kit that is picked with what was chosen by hand, and keeps the computed one beside it', () => {
    const work = worked(begun, { say: 'part', part: 'dial', override: softer })
    const { base, kit } = kitOf(work)
    expect(kit!.dial.setting).toBe(3)
    expect(base!.dial.setting).not.toBe(3)
    const last = kitOf({ ...begun, picked: 99 })
    expect(last.base).toBe(last.answer!.kits.at(-1))
  })

  it('counts thread and bobbins once metres of seam and the bobbin are known', () => {
    expect(kitOf(begun).use).toBeUndefined()
    const sewn = worked(begun, { say: 'fabric', facts: { ...poplin, sewn: { seamM: 10, starts: 4 } } })
    expect(kitOf(sewn).use?.bobbins).toBeGreaterThan(0)
  })

  it('has no kit on a machine that is not known well enough, nor without one', () => {
    expect(kitOf({ ...begun, machineId: 'snipe' })).toMatchObject({ machine: unknown, kit: undefined })
    expect(kitOf({ ...begun, machineId: undefined })).toMatchObject({ machine: undefined, kit: undefined })
  })
})
