import 'server-only'
import type { Letter } from '@/core/people/letters'
import { Refused } from '@/store/refused'
import { journal } from './journal'
import { mailServerAt, type MailServer } from '@/store/mail-server'
import { ofProcess } from './of-process'
import { settings } from './settings'

const held = ofProcess<{ mailServer: MailServer }>()
function mailServer(): MailServer {
  const { mail } = settings
  if (!mail)
    throw new Refused(
      409,
      'no-mail',
      'This server sends no mail: hand the code over in another way, or ask a coordinator',
    )
  return (held.mailServer ??= mailServerAt(mail.server))
}

/** Whether letters can be sent at all. */
export const mails = (): boolean => settings.mail !== undefined

/** What a mail server says of an address that it does not take. */
const WRONG_ADDRESS = 'EENVELOPE'

async function trying<What>(work: () => Promise<What>): Promise<What> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof Refused) throw error
    if (error instanceof Error && 'code' in error && error.code === WRONG_ADDRESS)
      throw new Refused(400, 'no-such-address', 'The mail server does not take this address', 'email')
    journal.warn(error, 'the mail server did not take a letter')
    throw new Refused(
      503,
      'mail-away',
      'The mail server does not answer just now: nothing was sent, try again in a while',
    )
  }
}

/** @throws Refused 409 where no mail is sent, 503 while the mail server is away */
export const mustReachMail = (): Promise<unknown> => trying(() => mailServer().verify())

/** @throws Refused 409 where no mail is sent, 503 while the mail server is away, 400 for an address that it does not take */
export const sendLetter = (to: string, { subject, text }: Letter): Promise<unknown> =>
  trying(() => mailServer().sendMail({ from: settings.mail!.from, to, subject, text }))

/** Where a code is taken. */
export const joinLink = (code: string): string => `${settings.origins[0]!}/join?code=${code}`
