import { codeLetter } from '@/core/people/letters'
import { Refused } from '@/store/refused'
import { countWrong, DOOR, isClosed } from '@/store/site/door'
import { codeForForgotten } from '@/store/site/forgotten'
import { entry } from '../../_server/entry'
import { joinLink, mustReachMail, sendLetter } from '../../_server/mail'
import { everyVenue } from '../../_server/every-venue'

/** A code for a new password by mail. Whether anybody signs in with the address is never said. */
export const POST = entry('forgotten', async ({ email }) => {
  await mustReachMail()
  const asked = [[`forgotten:${email.toLowerCase()}`, DOOR.forgotten]] as const
  if (await isClosed(everyVenue(), asked))
    throw new Refused(429, 'too-many', 'It was asked for a few times just now: look in the mail, also among the junk')
  await countWrong(everyVenue(), asked)
  const found = await codeForForgotten(everyVenue(), email, new Date())
  // Not waited for: neither how long the answer takes nor what the mail server says of an address tells whether anybody has it.
  if (found)
    void sendLetter(email, codeLetter('password', { ...found, link: joinLink(found.code) })).catch(() => undefined)
  return { email }
})
