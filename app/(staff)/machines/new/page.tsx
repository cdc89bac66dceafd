import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { ARCHETYPES } from '@/core/knowledge/machine/archetype'
import { freePlace } from '@/core/room/free-place'
import { TABLE } from '@/core/room/table'
import { readRoom } from '@/store/machine/machines'
import { mustSee } from '../../../_server/actor'
import { booksOf } from '../../../_server/store'
import { traitQuestions } from '../../../_server/trait-fields'
import { NewMachine } from './new-machine'

export const metadata: Metadata = { title: 'Add a machine' }

export default async function NewMachinePage() {
  const actor = await mustSee('see-room')
  if (!may(actor.role, 'add-machine')) notFound()
  const machines = await readRoom(booksOf(actor.siteId), actor.siteId)
  return (
    <NewMachine
      questions={traitQuestions()}
      archetypes={ARCHETYPES}
      place={freePlace(machines.map(({ place }) => ({ place, size: TABLE })))}
      mayImport={may(actor.role, 'import-machines')}
      number={Math.max(0, ...machines.map(({ number }) => number)) + 1}
    />
  )
}
