import { readMachineVersions } from '@/store/machine/versions'
import { answerTo } from '../../../_server/asked'
import { eventStream } from '../../../_server/event-stream'
import { theNews } from '../../../_server/news'
import { oneRead } from '../../../_server/one-read'
import { storeOf } from '../../../_server/store'
import { machinesVersion } from '../../../_server/versions'

const readOnce = oneRead(async (siteId) => machinesVersion(await readMachineVersions(storeOf(siteId), siteId)))

/** Whether the plan of the room, and each machine's page, are still what they show; however many watch, they are read once a change. */
export const GET = answerTo('machines', { may: 'see-room' }, ({ actor: { siteId }, request }) =>
  eventStream<'machines'>(request, theNews(), { siteId, topic: 'room' }, () => readOnce(siteId)),
)
