import * as Type from 'typebox'
import { words } from '@/core/schema/shape'
import { check } from '@/core/schema/validate'
import { ASKS, type EventAsk } from '@/core/wire/asks'
import { actorOf, mustBeAllowed } from '../../_server/actor'
import { answering } from '../../_server/answer'
import { answerTo } from '../../_server/asked'
import { eventStream } from '../../_server/event-stream'
import { theNews } from '../../_server/news'
import { tabletOf } from '../../_server/room-tablet'
import { toldToAnybody, WATCHES } from '../../_server/told'

const NAMES = Object.keys(ASKS.told.events) as EventAsk[]
const OfSchema = Type.Array(words(NAMES), { minItems: 1, uniqueItems: true })

/**
 * `?of=calls&of=machines`: whatever a page watches, on one line, each whole at once and again with every change. Whoever comes back
 * after sleep or a lost line is told the whole again, so nothing is missed.
 */
const toSignedIn = answerTo('told', {}, async ({ actor, may, request, query }) => {
  const names = check(OfSchema, query.getAll('of'))
  const watched = names.map((name) => ({ name, ...WATCHES[name] }))
  for (const { may: needed } of watched) if (needed) await mustBeAllowed(needed)
  return eventStream(
    request,
    theNews(),
    actor.siteId,
    watched.map(({ name, topic, reader }) => ({ name, topic, read: reader({ actor, may }) })),
    async () => (await actorOf(request.headers))?.role === actor.role,
  )
})

/** A tablet of the room that lies there is signed in by nobody: whoever is near learns that somebody calls, and where. */
export function GET(request: Request, context: { params: Promise<unknown> }): Promise<Response> {
  const [name, ...more] = new URL(request.url).searchParams.getAll('of')
  if (name !== 'calls-unnamed' || more.length > 0) return toSignedIn(request, context)
  return answering(request, async () => {
    const cookies = request.headers.get('cookie') ?? ''
    const tablet = await tabletOf(cookies)
    if (!tablet) return toSignedIn(request, context)
    const still = async () => Boolean(await tabletOf(cookies))
    return eventStream(request, theNews(), tablet.siteId, toldToAnybody(tablet.siteId), still)
  })
}
