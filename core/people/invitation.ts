/** Two kinds of code that let somebody in once: to make a sign-in of their own, or to choose a new password. */
export const INVITATION_KINDS = ['join', 'password'] as const
export type InvitationKind = (typeof INVITATION_KINDS)[number]

/** How long a code works: an invitation is carried home, a forgotten password is mended while both are on the telephone. */
export const INVITATION_HOURS: Readonly<Record<InvitationKind, number>> = { join: 14 * 24, password: 24 }

/** Letters and digits that nobody mistakes for each other, read aloud or written down. */
export const CODE_LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'
const GROUPS = 3
const IN_A_GROUP = 4

/** Twelve letters in three groups: 59 bits of chance. @param chance bytes, at least twelve */
export function codeFrom(chance: Uint8Array): string {
  const letters = Array.from(chance.slice(0, GROUPS * IN_A_GROUP), (byte) => CODE_LETTERS[byte % CODE_LETTERS.length]!)
  return Array.from({ length: GROUPS }, (_, group) =>
    letters.slice(group * IN_A_GROUP, (group + 1) * IN_A_GROUP).join(''),
  ).join('-')
}

/** A code as it is looked up: however it was typed, with or without its dashes. */
export const plainCode = (typed: string): string => typed.toLowerCase().replaceAll(/[^a-z0-9]/g, '')
