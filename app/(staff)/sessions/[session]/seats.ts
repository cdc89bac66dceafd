import { asPlannedSeat, asPlanSeat } from '@/core/session/seat'
import { moveSeat } from '@/core/session/sheet'
import type { PlannedSeat } from '@/core/session/session-schema'
import type { SheetLearner, SheetMachine } from './sheet-props'

/** The seats once somebody has moved: who sat there takes their place or none, and nobody but them loses a pin. */
export function seatsMoved(
  seats: readonly PlannedSeat[],
  project: string,
  to: { readonly machine: string; readonly block: number } | undefined,
): PlannedSeat[] {
  const stays = new Set(seats.filter(({ pinned }) => pinned).map(({ projectId }) => projectId))
  stays.delete(project)
  return moveSeat(seats.map(asPlanSeat), project, to).map((seat) => asPlannedSeat(seat, stays.has(seat.student)))
}

/** The seats with one of them pinned, or no longer. */
export const pinTurned = (seats: readonly PlannedSeat[], project: string): PlannedSeat[] =>
  seats.map((seat) => {
    if (seat.projectId !== project) return seat
    const { pinned, ...rest } = seat
    return pinned ? rest : { ...seat, pinned: true }
  })

/** The kits of a block that nobody was given yet; what was chosen by hand goes along, checked again by the server. */
export const kitsToGive = (
  seats: readonly PlannedSeat[],
  block: number,
  who: ReadonlyMap<string, Pick<SheetLearner, 'kits'>>,
  machines: readonly Pick<SheetMachine, 'machineId' | 'stopped'>[],
  idOf: (words: string) => string,
) =>
  seats
    .filter((seat) => seat.block === block)
    .filter((seat) => !machines.find(({ machineId }) => machineId === seat.machineId)?.stopped)
    .flatMap(({ projectId, machineId }) => {
      const kit = who.get(projectId)?.kits[machineId]
      if (!kit || kit.given) return []
      const { point, sizeNm, gapMm } = kit.needle
      const needle = kit.byHand || kit.dropped ? {} : { needle: { point, sizeNm, ...(gapMm && { gapMm }) } }
      return [{ kitGivenId: idOf(`${block} ${projectId} ${machineId}`), projectId, machineId, ...needle }]
    })

/** Who of a block sits at a machine that is stopped, or at one that something is wrong with, in sentences. */
export const seatedAtUnsound = (
  seats: readonly PlannedSeat[],
  block: number,
  machines: readonly Pick<SheetMachine, 'machineId' | 'name' | 'stopped' | 'faults'>[],
  nameOf: (project: string) => string,
): string[] =>
  seats
    .filter((seat) => seat.block === block)
    .flatMap(({ projectId, machineId }) => {
      const machine = machines.find((each) => each.machineId === machineId)
      if (!machine) return []
      const { name, stopped, faults } = machine
      if (stopped) return [`${nameOf(projectId)} gets no kit, since ${name} is stopped: ${stopped}.`]
      return faults.length > 0 ? [`${nameOf(projectId)} sits at ${name}. ${faults.join(' · ')}.`] : []
    })
