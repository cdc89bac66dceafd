import type { Metadata } from 'next'
import { readLiveRoom } from '@/store/session/live-room'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { theStore } from '../../../_server/store'
import { Wall } from './wall'

export const metadata: Metadata = { title: 'Wall' }

/** For a screen on the wall: nothing to tap, no names where the venue says so. */
export default async function WallPage() {
  const actor = await mustSee('see-room')
  const [site, room] = await Promise.all([siteOf(actor.siteId), readLiveRoom(theStore(), actor.siteId, new Date())])
  return (
    <Wall
      venue={site.name}
      timeZone={site.timeZone}
      names={site.settings.namesOnWall !== false}
      first={{ now: new Date().toISOString(), room }}
    />
  )
}
