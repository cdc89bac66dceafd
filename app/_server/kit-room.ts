import 'server-only'
import { cache } from 'react'
import { readRoomAndShelves } from '@/store/room/kit-room'
import { siteOf } from './site'
import { theStore } from './store'

/** What the room brings to every kit, with its shelves, read once a request. */
export const roomAndShelvesOf = cache(async (siteId: string) => readRoomAndShelves(theStore(), await siteOf(siteId)))

export const kitRoomOf = async (siteId: string) => (await roomAndShelvesOf(siteId)).room
