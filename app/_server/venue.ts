import 'server-only'
import { hasVenue } from '@/store/site/setup'
import { everyVenue } from './every-venue'

let known = false

/** Whether this server has a venue of its own, and not for practice alone; one that has one never loses it while it runs. */
export async function ownVenue(): Promise<boolean> {
  known ||= await hasVenue(everyVenue(), 'own')
  return known
}

/** Whether anybody can sign in here, if only to practise. */
export const anyVenue = async (): Promise<boolean> => known || (await hasVenue(everyVenue(), 'any'))
