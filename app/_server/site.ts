import 'server-only'
import { cache } from 'react'
import { readSite } from '@/store/site/site'
import { theStore } from './store'

/** The venue with its house rules, read once a request. */
export const siteOf = cache((siteId: string) => readSite(theStore(), siteId))
