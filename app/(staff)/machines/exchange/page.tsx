import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { readRoom } from '@/store/machine/machines'
import { mustSee } from '../../../_server/actor'
import { booksOf } from '../../../_server/store'
import { Exchange } from './exchange'

export const metadata: Metadata = { title: 'Machines in and out' }

export default async function ExchangePage() {
  const actor = await mustSee('see-room')
  if (!may(actor.role, 'import-machines')) notFound()
  const room = await readRoom(booksOf(actor.siteId), actor.siteId)
  return <Exchange taken={room.map(({ place }) => place)} />
}
