import 'server-only'
import { cache } from 'react'
import type { Store } from '@/store/connect'
import { everyVenue } from './every-venue'

/** The books of one venue, that of whoever asks; PostgreSQL shows and takes no row of another. */
export const storeOf = (siteId: string): Store => everyVenue().ofVenue(siteId)

/** The same for whoever only reads: one connection and one transaction for all that a page asks. */
export const booksOf = cache((siteId: string): Store => everyVenue().forPageOf(siteId))
