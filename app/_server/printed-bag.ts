import 'server-only'
import { completeFabric } from '@/core/fabric/intake'
import { bobbinVolumeOf } from '@/core/kit/kit-machine'
import { kitUse } from '@/core/kit/kit-use'
import { rulesOfClass } from '@/core/room/class-settings'
import type { HouseRules } from '@/core/room/house-rules'
import type { Machine } from '@/store/machine/machines'
import type { Project } from '@/store/project/projects'
import type { PrintedBag } from '@/ui/parts/print-sheet'
import { labelCode } from './label-code'

/** A bag as it is printed; undefined while no kit was given for it. */
export function printedBag(project: Project, machines: readonly Machine[], rules: HouseRules): PrintedBag | undefined {
  const { given, sewn, fabric, layers, ofClass } = project
  const machine = given && machines.find(({ machineId }) => machineId === given.machineId)
  if (!machine) return undefined
  const { beginners = false } = rulesOfClass(rules, ofClass)
  const volume = bobbinVolumeOf(machine.traits)
  return {
    learner: project.learner,
    name: project.name,
    machine: { name: machine.name, number: machine.number, traits: machine.traits },
    kit: given.kit,
    fabric,
    layers,
    ...(sewn &&
      volume !== undefined && {
        use: kitUse(given.kit, sewn, completeFabric(fabric).thicknessMm * layers.seam, volume, beginners),
      }),
    code: labelCode('project', project.projectId),
    tags: {
      top: labelCode('project', project.projectId, 'top'),
      under: labelCode('project', project.projectId, 'under'),
    },
  }
}
