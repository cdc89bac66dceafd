import { readOpenCalls, readOwnCalls } from '@/store/calls/calls'
import { readLeftLines, readOwnLeftLines } from '@/store/calls/left-lines'
import { eventStream } from '../../_server/event-stream'
import { theNews } from '../../_server/news'
import { shownCall, shownLeft } from '../../_server/shown-call'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'
import { answerTo } from '../../_server/asked'

/**
 * Calls for help as they stand, and learners' lines that wait for staff, whole at once and again with every change: staff see
 * every open one, a learner their own.
 * Whoever comes back after sleep or a lost line gets the whole again, so nothing is missed.
 */
export const GET = answerTo('calls', {}, async ({ actor, request, may }) => {
  const { timeZone } = await siteOf(actor.siteId)
  const { siteId, personId } = actor
  const store = booksOf(siteId)
  const read = () =>
    Promise.all(
      may('see-calls')
        ? [readOpenCalls(store, siteId), readLeftLines(store, siteId)]
        : [readOwnCalls(store, siteId, personId, new Date()), readOwnLeftLines(store, siteId, personId, new Date())],
    )
  return eventStream<'calls'>(request, theNews(), { siteId, topic: 'calls' }, async () => {
    const [calls, left] = await read()
    return {
      calls: calls.map((call) => shownCall(call, timeZone)),
      left: left.map((line) => shownLeft(line, timeZone)),
    }
  })
})
