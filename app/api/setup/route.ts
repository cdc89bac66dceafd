import { claimServer } from '@/store/site/setup'
import { entry } from '../../_server/entry'
import { settings } from '../../_server/settings'
import { everyVenue } from '../../_server/every-venue'

/** The first venue of an empty server, for whoever can read what the start command printed. */
export const POST = entry('setup', async (asked) => {
  await claimServer(everyVenue(), settings.secret, asked)
  return { email: asked.email }
})
