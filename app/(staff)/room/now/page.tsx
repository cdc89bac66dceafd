import type { Metadata } from 'next'
import { may } from '@/core/wire/permission'
import { readLiveRoom } from '@/store/session/live-room'
import { mustSee } from '../../../_server/actor'
import { readRoundFacts } from '../../../_server/round'
import { theStore } from '../../../_server/store'
import { Now } from './now'

export const metadata: Metadata = { title: 'Now' }

/** The room while people sew: whom to go to next and why, and where everybody is. */
export default async function NowPage() {
  const actor = await mustSee('see-room')
  const now = new Date()
  const room = await readLiveRoom(theStore(), actor.siteId, now)
  const facts = await readRoundFacts(actor.siteId, room, now)
  return (
    <Now
      first={{ now: now.toISOString(), room }}
      facts={facts}
      me={actor.personId}
      maySignOff={may(actor.role, 'sign-off')}
    />
  )
}
