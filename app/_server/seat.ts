import 'server-only'
import { roomCheck, seatCheck } from '@/core/check/seat-check'
import type { Target } from '@/core/knowledge/tension/tension'
import type { Machine } from '@/store/machine/machines'
import type { Project } from '@/store/project/projects'
import { applyCorrections } from '@/core/machine/fold'
import { sittingOf } from '@/core/machine/sitting'
import { readNewest } from '@/store/machine/book'
import { theStore } from './store'
import type { Dial } from '@/core/units/dial'

/** How many swatches of a machine speak of its dial. */
const SWATCHES = 60

/** What a swatch of this kit should look like. */
const targetOf = (project: Project | undefined): Target => {
  const kit = project?.given?.kit
  if (!project || !kit) return 'straight'
  if (kit.needle.point.startsWith('twin-')) return 'twin'
  if (project.operation === 'buttonhole' || project.operation === 'embroidery') return project.operation
  if (kit.stitch.iso === '301') return project.fabric.traits?.includes('sheer') ? 'straight-on-sheer' : 'straight'
  return kit.stitch.of === 'decorative' ? 'decorative' : 'zigzag'
}

/**
 * A check of a machine with the kit that was given for it, ready to be drawn. A check holds for a setup, so only what a
 * change made stale is asked again, unless the whole list is asked for.
 */
export function seatCheckProps(
  machine: Machine,
  project: Project | undefined,
  which: { readonly list?: 'seat' | 'room'; readonly whole?: boolean } = {},
) {
  const { traits, state } = machine
  const list = which.list ?? ('seat' as const)
  const kit = project?.given?.kit
  const all = list === 'room' ? roomCheck(traits, kit) : seatCheck(traits, kit)
  const asked = all.filter(({ group }) => state.stale.includes(group) || state.failed.includes(group))
  const whole = which.whole || list === 'room' || state.lastCheckAt === undefined
  return {
    /** whether steps that still hold were left out */
    shortened: !whole && asked.length < all.length,
    swatchIsStale: state.stale.includes('swatch') || state.stale.includes('line'),
    check: {
      machineId: machine.machineId,
      ...(project && { projectId: project.projectId }),
      list,
      steps: whole ? all : asked,
      drawn: { traits, set: kit?.dial.setting ?? traits.tensionDial?.normal },
    },
  }
}

/** What the swatch reader is told; undefined while the machine's dial is not known. */
export async function swatchProps(siteId: string, machine: Machine, project: Project | undefined) {
  const dial = machine.traits.tensionDial as Dial | undefined
  if (!dial) return undefined
  const start = project?.given?.kit.dial.setting ?? dial.normal
  const target = targetOf(project)
  const { lines, around } = await readNewest(theStore(), siteId, machine.machineId, {
    limit: SWATCHES,
    kinds: ['swatch-stitched'],
  })
  const standing = applyCorrections([...lines, ...around])
    .flatMap(({ event, happening }) => (happening ? [{ ...event, ...happening }] : []))
    .reverse()
  const sitting = sittingOf(standing, target, new Date().toISOString())
  return {
    machineId: machine.machineId,
    ...(project && { projectId: project.projectId }),
    dial,
    start,
    at: machine.state.dial ?? start,
    target,
    bobbinScrew: machine.traits.bobbinScrew ?? false,
    before: sitting,
    ...(project?.fabric.thicknessMm !== undefined && {
      stackMm: project.fabric.thicknessMm * project.layers.seam,
    }),
  }
}
