import { readLiveRoom } from '@/store/session/live-room'
import { answerTo } from '../../_server/asked'
import { eventStream } from '../../_server/event-stream'
import { theNews } from '../../_server/news'
import { oneRead } from '../../_server/one-read'
import { theStore } from '../../_server/store'

const readOnce = oneRead((siteId) => readLiveRoom(theStore(), siteId, new Date()))

/** The room as it is, whole at once and again with every change; however many screens watch, it is read once a change. */
export const GET = answerTo('live-room', { may: 'see-room' }, ({ actor: { siteId }, request }) =>
  eventStream<'live-room'>(request, theNews(), { siteId, topic: 'room' }, async () => ({
    room: await readOnce(siteId),
  })),
)
