import { INVITATION_HOURS, type InvitationKind } from './invitation'

/** A letter as it is mailed: plain text, so that nothing in it can hide. */
export interface Letter {
  readonly subject: string
  readonly text: string
}

const untilWords = (kind: InvitationKind): string => {
  const hours = INVITATION_HOURS[kind]
  return hours > 48 ? `${hours / 24} days` : `${hours} hours`
}

/**
 * What brings somebody a code that works once.
 * @param link opens the page where the code is taken
 */
export function codeLetter(
  kind: InvitationKind,
  to: { readonly name: string; readonly venue: string; readonly link: string },
): Letter {
  const { name, venue, link } = to
  const why =
    kind === 'join'
      ? [`you are invited to join the staff of ${venue}. Choose how you sign in here:`]
      : [`somebody, most likely you, asked for a new password at ${venue}. Choose one here:`]
  const ifNot =
    kind === 'join'
      ? 'If you expected no invitation, there is nothing to do.'
      : 'If it was not you, there is nothing to do: your password stays as it is.'
  return {
    subject: kind === 'join' ? `Come in: ${venue}` : `A new password: ${venue}`,
    text: [`${name},`, '', ...why, '', link, '', `The link works once, for ${untilWords(kind)}. ${ifNot}`, ''].join(
      '\n',
    ),
  }
}

/**
 * Tells a coordinator what the server has not done at night.
 * @param undone a sentence each
 * @param takeCopy opens the page where a copy is taken by hand; absent: copies are not what is missing
 * @param againDays when it comes again
 */
export function nightsLetter(
  undone: readonly string[],
  to: { readonly name: string; readonly venue: string; readonly takeCopy?: string; readonly againDays: number },
): Letter {
  const { name, venue, takeCopy, againDays } = to
  return {
    subject: `Not done at night: ${venue}`,
    text: [
      `${name},`,
      '',
      `the server of ${venue} has not done at night what it does by itself:`,
      '',
      ...undone.map((each) => `* ${each}`),
      '',
      'Whoever runs the server can mend this; tell them.',
      ...(takeCopy ? ['Until then take a copy yourself:', '', takeCopy] : []),
      '',
      `As long as it is not done, this letter comes again in ${againDays} days.`,
      '',
    ].join('\n'),
  }
}
