import 'server-only'
import { cache } from 'react'
import { readMachineIds } from '@/store/machine/machines'
import { theStore } from './store'

/** Of a hall of hundreds a tablet keeps what a person walks in an evening; the rest it keeps as it is opened. */
const MOST_MACHINES = 24

/** What staff carry through a cellar: the room, what is done before class, and at each machine its page, needle, check, swatch and finder. */
export const keptForStaff = cache(async (siteId: string): Promise<string[]> => {
  const machines = await readMachineIds(theStore(), siteId, MOST_MACHINES)
  return [
    '/room',
    '/room/before',
    '/room/now',
    '/hurt',
    ...machines.flatMap((machineId) =>
      ['', '/needle', '/check', '/swatch', '/fault'].map((part) => `/machines/${machineId}${part}`),
    ),
  ]
})
