import 'server-only'
import type { Actor } from '@/store/actor'
import { readMachineIds } from '@/store/machine/machines'
import { readNextBags } from '@/store/project/next-bags'
import { booksOf } from './store'

/** Of a hall of hundreds a tablet keeps what a person walks in an evening; the rest it keeps as it is opened. */
const MOST_MACHINES = 24
const MOST_BAGS = 30

/**
 * What staff carry through a cellar: the room, what is done before class, at each machine its page, needle, check, swatch and finder,
 * and the bags of who comes next.
 */
async function keptForStaff(siteId: string): Promise<string[]> {
  const store = booksOf(siteId)
  const [machines, bags] = await Promise.all([
    readMachineIds(store, siteId, MOST_MACHINES),
    readNextBags(store, siteId, new Date(), MOST_BAGS),
  ])
  return [
    '/room',
    '/room/before',
    '/room/now',
    '/hurt',
    ...machines.flatMap((machineId) =>
      ['', '/needle', '/check', '/swatch', '/fault'].map((part) => `/machines/${machineId}${part}`),
    ),
    '/kits',
    ...bags.map((projectId) => `/kits/${projectId}`),
  ]
}

/** The whole way at a seat works without a network. */
const KEPT_FOR_LEARNERS = ['/station', '/station/check', '/station/swatch', '/station/fault', '/hurt']

/** Pages that somebody may need where there is no network, whether they have opened them or not. */
export const keptFor = async ({ siteId, role }: Actor): Promise<string[]> =>
  role === 'learner' ? KEPT_FOR_LEARNERS : keptForStaff(siteId)
