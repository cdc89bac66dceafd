import 'server-only'
import { cache } from 'react'
import { readRoomAndShelves } from '@/store/room/kit-room'
import { siteOf } from './site'
import { booksOf } from './store'

/** What the room brings to every kit, with its shelves, read once a request. */
export const roomAndShelvesOf = cache(async (siteId: string) =>
  readRoomAndShelves(booksOf(siteId), await siteOf(siteId)),
)

export const kitRoomOf = async (siteId: string) => (await roomAndShelvesOf(siteId)).room
