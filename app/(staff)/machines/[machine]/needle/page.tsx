import type { Metadata } from 'next'
import { needleChangeSteps } from '@/core/check/needle-change'
import { POINTS, needleSystem, type Point } from '@/core/knowledge/needle/needle'
import { sizesFor } from '@/core/kit/needle-choice'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { NeedleChange } from './needle-change'

export const metadata: Metadata = { title: 'Change needle' }

export default async function NeedlePage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  const { machine, project, standing } = await machinePage(actor.siteId, (await params).machine)
  const { traits, state } = machine
  const system = needleSystem(traits.needleSystem ?? '')
  // A twin is fitted or not by the change itself, which tells what strikes; here its size alone counts.
  const reach = traits.needleNm && { needleNm: traits.needleNm, maxWidthMm: traits.maxWidthMm ?? Infinity }
  const catalogue = system
    ? (Object.keys(system.sold) as Point[]).map((point) => ({
        point,
        words: POINTS[point].words,
        sizes: sizesFor(point, { machine: reach, system, fit: { points: POINTS } }),
        gaps: POINTS[point].gaps?.map(({ gapMm, sizesNm }) => ({ gapMm, sizes: [...sizesNm] })) ?? [],
      }))
    : []
  const kit = project?.given?.kit.needle
  return (
    <NeedleChange
      machine={{
        machineId: machine.machineId,
        name: machine.name,
        system: traits.needleSystem ?? 'unknown',
        traits,
      }}
      steps={needleChangeSteps(traits)}
      catalogue={catalogue.filter(({ sizes }) => sizes.length > 0)}
      {...(state.fitting && {
        old: {
          ...state.fitting.needle,
          hours: standing.wear?.effectiveHours ?? 0,
          due: standing.wear?.verdict ?? 'keep',
          because: standing.wear?.because ?? '',
        },
      })}
      {...(kit &&
        project && {
          kit: {
            point: kit.point,
            sizeNm: kit.sizeNm,
            ...(kit.gapMm !== undefined && { gapMm: kit.gapMm }),
            whose: `${project.learner}’s kit`,
          },
        })}
    />
  )
}
