import 'server-only'
import { hasVenue } from '@/store/site/setup'
import { theStore } from './store'

let known = false

/** Whether this server has a venue; one that has one never loses it while it runs. */
export async function anyVenue(): Promise<boolean> {
  known ||= await hasVenue(theStore())
  return known
}
