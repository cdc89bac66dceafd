import type { Metadata } from 'next'
import { mustSee } from '../../../_server/actor'
import { readLiveNow } from '../../../_server/live-now'
import { siteOf } from '../../../_server/site'
import { Wall } from './wall'

export const metadata: Metadata = { title: 'Wall' }

/** For a screen on the wall: nothing to tap, no names where the venue says so. */
export default async function WallPage() {
  const actor = await mustSee('see-room')
  const [site, room] = await Promise.all([siteOf(actor.siteId), readLiveNow(actor.siteId, new Date())])
  return (
    <Wall
      venue={site.name}
      timeZone={site.timeZone}
      names={site.settings.namesOnWall !== false}
      first={{ now: new Date().toISOString(), room }}
    />
  )
}
