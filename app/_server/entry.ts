import 'server-only'
import { check } from '@/core/schema/validate'
import { ENTRIES, type EntryAnswer, type EntryBody, type EntryName } from '@/core/wire/entries'
import { countWrong, DOOR, isClosed } from '@/store/site/door'
import { Refused } from '@/store/refused'
import { forgetActors } from './actor'
import { answering, readJson, sameSiteOnly } from './answer'
import { everyVenue } from './every-venue'

/**
 * What somebody sends who is not signed in: from a page of ours only, and wrong codes are counted by network, as wrong passwords are.
 * @param enter lets them in, or refuses with 401 for a code that opens nothing
 */
export const entry =
  <Name extends EntryName>(name: Name, enter: (asked: EntryBody<Name>) => Promise<EntryAnswer>) =>
  (request: Request): Promise<Response> =>
    answering(request, async () => {
      sameSiteOnly(request)
      const network = request.headers.get('x-forwarded-for') ?? 'unknown'
      const tries = [[`${name}:${network}`, DOOR.network]] as const
      if (await isClosed(everyVenue(), tries))
        throw new Refused(429, 'too-many', 'Too many wrong codes; wait a quarter of an hour')
      const asked = check(ENTRIES[name], await readJson(request)) as EntryBody<Name>
      try {
        const answer = await enter(asked)
        // A new password ends whatever else was open of theirs.
        forgetActors()
        return answer
      } catch (error) {
        if (error instanceof Refused && error.status === 401) await countWrong(everyVenue(), tries)
        throw error
      }
    })
