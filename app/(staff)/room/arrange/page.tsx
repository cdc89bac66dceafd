import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/people/role'
import { readRoom } from '@/store/machine/machines'
import { mustSee } from '../../../_server/actor'
import { theStore } from '../../../_server/store'
import { Arrange } from './arrange'

export const metadata: Metadata = { title: 'Arrange the room' }

export default async function ArrangePage() {
  const actor = await mustSee('see-room')
  if (!may(actor.role, 'place-machine')) notFound()
  const room = await readRoom(theStore(), actor.siteId)
  return <Arrange machines={room.map(({ machineId, name, number, place }) => ({ machineId, name, number, place }))} />
}
