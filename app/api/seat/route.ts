import { readStopped } from '@/store/machine/stopped'
import { readSeatVersions } from '@/store/session/seat-version'
import { answerTo } from '../../_server/asked'
import { eventStream } from '../../_server/event-stream'
import { theNews } from '../../_server/news'
import { oneRead } from '../../_server/one-read'
import { seatTold } from '../../_server/versions'
import { booksOf } from '../../_server/store'

const readOnce = oneRead((siteId) => {
  const [store, now] = [booksOf(siteId), new Date()]
  return Promise.all([readSeatVersions(store, siteId, now), readStopped(store, siteId, now)])
})

/** Whether a learner's own seat is still what their page shows, and whether their machine is stopped; however many watch, the seats are read once a change. */
export const GET = answerTo('own-seat', { may: 'see-station' }, ({ actor: { siteId, personId }, request }) =>
  eventStream<'own-seat'>(request, theNews(), { siteId, topic: 'room' }, async () =>
    seatTold(...(await readOnce(siteId)), personId),
  ),
)
