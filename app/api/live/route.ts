import { answerTo } from '../../_server/asked'
import { eventStream } from '../../_server/event-stream'
import { theNews } from '../../_server/news'
import { readLiveNews } from '../../_server/live-now'
import { oneRead } from '../../_server/one-read'

const readOnce = oneRead((siteId) => readLiveNews(siteId, new Date()))

/** The room as it is, whole at once and again with every change; however many screens watch, it is read once a change. */
export const GET = answerTo('live-room', { may: 'see-room' }, ({ actor: { siteId }, request }) =>
  eventStream<'live-room'>(request, theNews(), { siteId, topic: 'room' }, () => readOnce(siteId)),
)
