import type { PlanSeat } from '../planner/problem'
import type { PlannedSeat } from './session-schema'

/** A seat has two names: the planner's, which knows nothing of sewing, and the one under which a plan is kept. Both ways are here. */
export const asPlanSeat = ({ projectId, machineId, block }: PlannedSeat): PlanSeat => ({
  student: projectId,
  machine: machineId,
  block,
})

/** @param pinned whether somebody put it there by hand and wants it to stay */
export const asPlannedSeat = ({ student, machine, block }: PlanSeat, pinned = false): PlannedSeat => ({
  projectId: student,
  machineId: machine,
  block,
  ...(pinned && { pinned: true }),
})
