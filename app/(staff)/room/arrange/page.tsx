import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { readRoom } from '@/store/machine/machines'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { Arrange } from './arrange'

export const metadata: Metadata = { title: 'Arrange the room' }

export default async function ArrangePage() {
  const actor = await mustSee('see-room')
  if (!may(actor.role, 'place-machine')) notFound()
  const [room, site] = await Promise.all([readRoom(booksOf(actor.siteId), actor.siteId), siteOf(actor.siteId)])
  return (
    <Arrange
      {...(site.instructorAt && { instructor: site.instructorAt })}
      machines={room.map(({ machineId, name, number, place }) => ({ machineId, name, number, place }))}
    />
  )
}
