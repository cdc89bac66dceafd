import type { Metadata } from 'next'
import { may } from '@/core/wire/permission'
import { readProgress } from '@/store/people/progress'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { LabNav } from '../lab-nav'
import { Trainer } from './trainer'

export const metadata: Metadata = { title: 'Trainer' }

export default async function TrainerPage() {
  const actor = await mustSee('see-lab')
  const [read, { timeZone }] = await Promise.all([
    readProgress(booksOf(actor.siteId), actor.siteId, actor.personId),
    siteOf(actor.siteId),
  ])
  const progress = read.get(actor.personId)
  return (
    <>
      <LabNav here="/lab/trainer" mayProgress={may(actor.role, 'see-progress')} />
      <Trainer
        tried={progress?.exercises ?? {}}
        answers={progress?.answers ?? []}
        signedOff={(progress?.signOffs.length ?? 0) > 0}
        timeZone={timeZone}
        now={new Date().toISOString()}
      />
    </>
  )
}
