import { Shell } from '../_parts/shell'
import { placesOf } from '../_server/home'
import { ownSeat } from '../_server/station'

export default async function StationLayout({ children }: { children: React.ReactNode }) {
  const { actor, site } = await ownSeat()
  return (
    <Shell venue={site.name} who={actor.name} places={placesOf('learner')} calls={{ of: 'own' }}>
      {children}
    </Shell>
  )
}
