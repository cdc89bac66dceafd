import { redirect } from 'next/navigation'
import { may } from '@/core/people/role'
import { siteOf } from '../_server/site'
import { currentActor } from '../_server/actor'
import { Shell } from '../_parts/shell'

const PLACES = [
  { href: '/room', name: 'Room', sight: 'see-room' },
  { href: '/kits', name: 'Kits', sight: 'see-kits' },
  { href: '/stores', name: 'Stores', sight: 'see-stores' },
  { href: '/rules', name: 'House rules', sight: 'see-rules' },
  { href: '/people', name: 'People', sight: 'see-people' },
] as const

export default async function StaffLayout({ children }: { children: React.ReactNode }) {
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  const site = await siteOf(actor.siteId)
  return (
    <Shell
      venue={site.name}
      who={`${actor.name}, ${actor.role}`}
      logs={may(actor.role, 'see-book')}
      places={PLACES.filter(({ sight }) => may(actor.role, sight))}
    >
      {children}
    </Shell>
  )
}
