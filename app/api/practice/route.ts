import { openPractice } from '@/practice/beside'
import { Refused } from '@/store/refused'
import { hasVenue, mustBeSetupWord } from '@/store/site/setup'
import { entry } from '../../_server/entry'
import { settings } from '../../_server/settings'
import { everyVenue } from '../../_server/every-venue'

/** A practice room before there is a venue, for whoever can read what the start command printed. */
export const POST = entry('practice', async ({ word }) => {
  mustBeSetupWord(settings.secret, word)
  if (await hasVenue(everyVenue(), 'own'))
    throw new Refused(409, 'claimed', 'This server has its venue already: a coordinator opens a practice room there')
  const { email, password } = await openPractice(everyVenue(), undefined, new Date())
  return { email, password }
})
