import 'server-only'
import { shownCloth } from '@/core/picture/swatch-scene'
import { roomCheck, seatCheck, stillToCheck } from '@/core/check/seat-check'
import { targetOf } from '@/core/tension/target'
import type { Machine } from '@/store/machine/machines'
import type { Project } from '@/store/project/projects'
import { sittingOf } from '@/core/machine/sitting'
import { readStanding } from '@/store/machine/standing-lines'
import { booksOf } from './store'
import type { Dial } from '@/core/units/dial'

/** How many swatches of a machine speak of its dial. */
const SWATCHES = 60

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
  const asked = which.whole || list === 'room' ? all : stillToCheck(traits, state, kit)
  return {
    /** whether steps that still hold were left out */
    shortened: asked.length < all.length,
    swatchIsStale: state.stale.includes('swatch') || state.stale.includes('line'),
    check: {
      machineId: machine.machineId,
      ...(project && { projectId: project.projectId }),
      list,
      steps: asked,
      drawn: { traits, set: kit?.dial.setting ?? traits.tensionDial?.normal },
    },
  }
}

/** What the swatch reader is told; undefined while the machine's dial is not known. */
export async function swatchProps(siteId: string, machine: Machine, project: Project | undefined) {
  const dial = machine.traits.tensionDial as Dial | undefined
  if (!dial) return undefined
  const start = project?.given?.kit.dial.setting ?? dial.normal
  const target = targetOf(project?.given?.kit, project)
  const standing = await readStanding(booksOf(siteId), siteId, {
    kinds: ['swatch-stitched'],
    machineIds: [machine.machineId],
    newest: SWATCHES,
  })
  const sitting = sittingOf(
    standing.map(({ event, happening }) => ({ ...event, ...happening })),
    target,
    new Date().toISOString(),
  )
  return {
    machineId: machine.machineId,
    ...(project && { projectId: project.projectId }),
    dial,
    start,
    at: machine.state.dial ?? start,
    target,
    bobbinScrew: machine.traits.bobbinScrew ?? false,
    before: sitting,
    ...(project && { cloth: shownCloth(project.fabric) }),
    ...(project?.fabric.thicknessMm !== undefined && {
      stackMm: project.fabric.thicknessMm * project.layers.seam,
    }),
  }
}
