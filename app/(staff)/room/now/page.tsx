import type { Metadata } from 'next'
import { may } from '@/core/wire/permission'
import { mustSee } from '../../../_server/actor'
import { readAtTheirSide } from '../../../_server/at-their-side'
import { readLiveNow } from '../../../_server/live-now'
import { readRoundFacts } from '../../../_server/round'
import { siteOf } from '../../../_server/site'
import { Now } from './now'

export const metadata: Metadata = { title: 'Now' }

/** The room while people sew: whom to go to next and why, and where everybody is. */
export default async function NowPage() {
  const actor = await mustSee('see-room')
  const now = new Date()
  const room = await readLiveNow(actor.siteId, now)
  const [facts, site, beside] = await Promise.all([
    readRoundFacts(actor.siteId, room, now),
    siteOf(actor.siteId),
    readAtTheirSide(actor.siteId, room, actor.personId, now),
  ])
  return (
    <Now
      first={{ now: now.toISOString(), room }}
      facts={facts}
      me={actor.personId}
      may={{
        signOff: may(actor.role, 'sign-off'),
        giveKits: may(actor.role, 'give-kits'),
        turnScrew: may(actor.role, 'log:bobbin-screw-turned'),
      }}
      school={site.houseRules.tension}
      {...(beside && { beside })}
    />
  )
}
