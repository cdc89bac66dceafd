import 'server-only'
import { cache } from 'react'
import { readSite, type Site } from '@/store/site/site'
import type { PrintedVenue } from '@/ui/parts/venue-mark'
import { booksOf } from './store'

/** The venue with its house rules, read once a request. */
export const siteOf = cache((siteId: string) => readSite(booksOf(siteId), siteId))

/** What of a venue stands on paper. */
export const printedVenue = ({ name, settings: { logo } }: Site): PrintedVenue => ({ name, logo })
