import { joinBy } from '@/store/site/invitations'
import { entry } from '../../_server/entry'
import { everyVenue } from '../../_server/every-venue'

/** Somebody comes in by a code that a coordinator gave them, and chooses a password. */
export const POST = entry('join', async (asked) => ({ email: await joinBy(everyVenue(), asked, new Date()) }))
