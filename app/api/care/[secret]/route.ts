import { openWith } from '@/store/keys/keys'
import { notFound } from '@/store/refused'
import { readSessions } from '@/store/session/sessions'
import { answering } from '../../../_server/answer'
import { careFeed } from '../../../_server/care-feed'
import { careOfRoom } from '../../../_server/care'
import { settings } from '../../../_server/settings'
import { storeOf } from '../../../_server/store'
import { everyVenue } from '../../../_server/every-venue'

/** What care is due, for any calendar that subscribes with a key made for it: `/api/care/KEY.ics`. */
export const GET = (request: Request, { params }: { params: Promise<{ secret: string }> }): Promise<Response> =>
  answering(request, async () => {
    const secret = (await params).secret.replace(/\.ics$/, '')
    const now = new Date()
    const key = await openWith(everyVenue(), 'care-feed', secret, now)
    if (!key) throw notFound('calendar', 'secret')
    const [{ site, calendar }, sessions] = await Promise.all([
      careOfRoom(key.siteId, now),
      readSessions(storeOf(key.siteId), key.siteId, { from: now }),
    ])
    return new Response(careFeed(site.name, calendar, sessions, settings.origins[0]!, now), {
      headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, max-age=900' },
    })
  })
