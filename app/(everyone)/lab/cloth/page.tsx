import type { Metadata } from 'next'
import { may } from '@/core/wire/permission'
import { WhichCloth } from '@/ui/parts/which-cloth'
import { mustSee } from '../../../_server/actor'
import { LabNav } from '../lab-nav'

export const metadata: Metadata = { title: 'Which cloth' }

export default async function ClothPage() {
  const actor = await mustSee('see-lab')
  return (
    <>
      <LabNav here="/lab/cloth" mayProgress={may(actor.role, 'see-progress')} />
      <h1 className="text-3xl font-bold">Which cloth is this?</h1>
      <div className="mt-3 max-w-3xl">
        <WhichCloth />
      </div>
    </>
  )
}
