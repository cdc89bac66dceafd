import type { Metadata } from 'next'
import { may } from '@/core/wire/permission'
import { readProgress } from '@/store/people/progress'
import { mustSee } from '../../../_server/actor'
import { theStore } from '../../../_server/store'
import { LabNav } from '../lab-nav'
import { Trainer } from './trainer'

export const metadata: Metadata = { title: 'Trainer' }

export default async function TrainerPage() {
  const actor = await mustSee('see-lab')
  const progress = (await readProgress(theStore(), actor.siteId, actor.personId)).get(actor.personId)
  const best = Object.fromEntries(
    Object.entries(progress?.exercises ?? {}).map(([exercise, { best: share }]) => [exercise, share]),
  )
  return (
    <>
      <LabNav here="/lab/trainer" mayProgress={may(actor.role, 'see-progress')} />
      <Trainer best={best} signedOff={(progress?.signOffs.length ?? 0) > 0} />
    </>
  )
}
