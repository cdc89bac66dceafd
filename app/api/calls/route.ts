import { readOpenCalls, readOwnCalls } from '@/store/calls/calls'
import { eventStream } from '../../_server/event-stream'
import { theNews } from '../../_server/news'
import { shownCall } from '../../_server/shown-call'
import { siteOf } from '../../_server/site'
import { theStore } from '../../_server/store'
import { answerTo } from '../../_server/asked'

/**
 * Calls for help as they stand, whole at once and again with every change: staff see every open one, a learner their own.
 * Whoever comes back after sleep or a lost line gets the whole again, so nothing is missed.
 */
export const GET = answerTo('calls', {}, async ({ actor, request, may }) => {
  const { timeZone } = await siteOf(actor.siteId)
  const read = () =>
    may('see-calls')
      ? readOpenCalls(theStore(), actor.siteId)
      : readOwnCalls(theStore(), actor.siteId, actor.personId, new Date())
  return eventStream<'calls'>(request, theNews(), { siteId: actor.siteId, topic: 'calls' }, async () => ({
    calls: (await read()).map((call) => shownCall(call, timeZone)),
  }))
})
