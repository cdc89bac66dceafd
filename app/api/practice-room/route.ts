import { openPractice } from '@/practice/beside'
import { Refused } from '@/store/refused'
import { removeSite } from '@/store/site/remove-site'
import { answerTo } from '../../_server/asked'
import { siteOf } from '../../_server/site'
import { everyVenue } from '../../_server/every-venue'

/** A practice room beside the venue, a fresh one each time; or this very practice room is thrown away. */
export const POST = answerTo('practice-room', { may: 'change-venue', writes: true }, async ({ actor, body }) => {
  const { practice } = await siteOf(actor.siteId)
  if (body.how === 'open') {
    if (practice) throw new Refused(409, 'practice', 'This is a practice room already')
    const { email, password } = await openPractice(everyVenue(), actor, new Date())
    return { email, password }
  }
  if (!practice) throw new Refused(409, 'not-practice', 'Only a practice room can be thrown away')
  await everyVenue()
    .transaction()
    .execute((tx) => removeSite(tx, actor.siteId))
  return {}
})
