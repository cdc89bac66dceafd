import { Shell } from '../_parts/shell'
import { ownSeat } from '../_server/station'

export default async function StationLayout({ children }: { children: React.ReactNode }) {
  const { actor, site } = await ownSeat()
  return (
    <Shell venue={site.name} who={actor.name} places={[{ href: '/station', name: 'Your seat' }]}>
      {children}
    </Shell>
  )
}
