import { codeLetter } from '@/core/people/letters'
import { Refused } from '@/store/refused'
import { readInvitation } from '@/store/site/invitations'
import { answerTo } from '../../_server/asked'
import { joinLink, sendLetter } from '../../_server/mail'
import { everyVenue } from '../../_server/every-venue'

/** A code that was just made goes out by mail; the address is kept nowhere. */
export const POST = answerTo(
  'mail-code',
  { may: 'invite-person', writes: true },
  async ({ actor, body: { code, email } }) => {
    const invitation = await readInvitation(everyVenue(), code, new Date())
    if (invitation?.siteId !== actor.siteId)
      throw new Refused(404, 'not-found', 'This code lets nobody in any more: make another', 'code')
    await sendLetter(email, codeLetter(invitation.kind, { ...invitation, link: joinLink(code) }))
    return { sent: true as const }
  },
)
