import 'server-only'
import { hasVenue } from '@/store/site/setup'
import { everyVenue } from './every-venue'
import { ofProcess } from './of-process'

const held = ofProcess<{ ownVenue: boolean }>()

/** Whether this server has a venue of its own, and not for practice alone; one that has one never loses it while it runs. */
export async function ownVenue(): Promise<boolean> {
  return (held.ownVenue ||= await hasVenue(everyVenue(), 'own'))
}

/** Whether anybody can sign in here, if only to practise. */
export const anyVenue = async (): Promise<boolean> => held.ownVenue || (await hasVenue(everyVenue(), 'any'))
