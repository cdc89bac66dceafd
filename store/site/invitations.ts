import { createHash } from 'node:crypto'
import { hashPassword } from 'better-auth/crypto'
import type { Kysely, Transaction } from 'kysely'
import { INVITATION_HOURS, plainCode, type InvitationKind } from '@/core/people/invitation'
import type { StaffRole } from '@/core/room/role'
import type { Database } from '../database'
import { Refused } from '../refused'
import { addSignIn, endSignIns } from './people'

type Reader = Kysely<Database> | Transaction<Database>

const digestOf = (code: string): string => createHash('sha256').update(plainCode(code)).digest('hex')

export interface Invitation {
  readonly invitationId: string
  readonly personId: string
  readonly name: string
  readonly kind: InvitationKind
  readonly role: StaffRole
  readonly expiresAt: Date
}

interface NewCode {
  readonly siteId: string
  readonly invitationId: string
  readonly personId: string
  readonly kind: InvitationKind
  readonly role: StaffRole
  readonly code: string
  readonly madeBy: string
  readonly now: Date
}

/** Keeps a code that lets a person in once; those they had before let nobody in any more. */
export async function invite(tx: Transaction<Database>, code: NewCode): Promise<void> {
  await endCodes(tx, code.siteId, code.personId, code.now)
  await addCode(tx, code)
}

/** A code beside those that the person has: whoever asks for it may be a stranger, and takes none away. */
export async function addCode(tx: Transaction<Database>, { siteId, madeBy, now, code, ...of }: NewCode): Promise<void> {
  await tx
    .insertInto('invitation')
    .values({
      site_id: siteId,
      invitation_id: of.invitationId,
      person_id: of.personId,
      kind: of.kind,
      role: of.role,
      code_digest: digestOf(code),
      made_by: madeBy,
      made_at: now,
      expires_at: new Date(now.getTime() + INVITATION_HOURS[of.kind] * 3_600_000),
    })
    .execute()
}

async function endCodes(tx: Transaction<Database>, siteId: string, personId: string, now: Date): Promise<void> {
  await tx
    .updateTable('invitation')
    .set({ ended_at: now })
    .where('site_id', '=', siteId)
    .where('person_id', '=', personId)
    .where('used_at', 'is', null)
    .where('ended_at', 'is', null)
    .execute()
}

const open = (store: Reader, now: Date) =>
  store
    .selectFrom('invitation')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'invitation.site_id').onRef('person.person_id', '=', 'invitation.person_id'),
    )
    .where('used_at', 'is', null)
    .where('invitation.ended_at', 'is', null)
    .where('expires_at', '>', now)

/** Codes that would let somebody in, the newest first. */
export async function readInvitations(store: Reader, siteId: string, now: Date): Promise<Invitation[]> {
  const rows = await open(store, now)
    .select(['invitation_id', 'invitation.person_id', 'person.name', 'kind', 'role', 'expires_at'])
    .where('invitation.site_id', '=', siteId)
    .orderBy('made_at', 'desc')
    .execute()
  return rows.map((row) => ({
    invitationId: row.invitation_id,
    personId: row.person_id,
    name: row.name,
    kind: row.kind as InvitationKind,
    role: row.role as StaffRole,
    expiresAt: row.expires_at,
  }))
}

/** Who a code is for, before they type anything; undefined when it lets nobody in. */
export async function readInvitation(store: Reader, code: string, now: Date) {
  const row = await open(store, now)
    .innerJoin('site', 'site.site_id', 'invitation.site_id')
    .select(['invitation.site_id', 'person.name', 'kind', 'site.name as venue'])
    .where('code_digest', '=', digestOf(code))
    .executeTakeFirst()
  return row && { siteId: row.site_id, name: row.name, venue: row.venue, kind: row.kind as InvitationKind }
}

/**
 * Lets somebody in by their code: a sign-in of their own with the password they chose, or a new password, after which they are
 * signed in nowhere else.
 * @returns the address that they sign in with
 * @throws Refused 401 for a code that lets nobody in; 400 or 409 for an address that is missing or taken
 */
export async function joinBy(
  store: Kysely<Database>,
  { code, email, password }: { readonly code: string; readonly email?: string | undefined; readonly password: string },
  now: Date,
): Promise<string> {
  return store.transaction().execute(async (tx) => {
    const found = await open(tx, now)
      .select(['invitation.site_id', 'invitation.invitation_id', 'invitation.person_id', 'person.name', 'kind', 'role'])
      .where('code_digest', '=', digestOf(code))
      .forUpdate('invitation')
      .executeTakeFirst()
    if (!found)
      throw new Refused(
        401,
        'no-invitation',
        'This code lets nobody in: it was used, has run out, or is misspelt',
        'code',
      )
    await tx
      .updateTable('invitation')
      .set({ used_at: now })
      .where('site_id', '=', found.site_id)
      .where('invitation_id', '=', found.invitation_id)
      .execute()
    const { site_id: siteId, person_id: personId } = found
    await endCodes(tx, siteId, personId, now)
    const known = await tx
      .selectFrom('membership')
      .innerJoin('sign_in_user', 'sign_in_user.id', 'membership.user_id')
      .select(['user_id', 'email'])
      .where('site_id', '=', siteId)
      .where('person_id', '=', personId)
      .where('role', '!=', 'learner')
      .executeTakeFirst()
    if (known) {
      await endSignIns(tx, siteId, personId)
      await tx
        .updateTable('membership')
        .set({ ended_at: null })
        .where('site_id', '=', siteId)
        .where('user_id', '=', known.user_id)
        .execute()
      await tx
        .updateTable('sign_in_account')
        .set({ password: await hashPassword(password), updatedAt: now })
        .where('userId', '=', known.user_id)
        .where('providerId', '=', 'credential')
        .execute()
      return known.email
    }
    if (email === undefined) throw new Refused(400, 'invalid', 'Say with which address you will sign in', 'email')
    const taken = await tx
      .selectFrom('sign_in_user')
      .select('id')
      .where('email', '=', email.toLowerCase())
      .executeTakeFirst()
    if (taken) throw new Refused(409, 'taken', 'Somebody signs in with this address already', 'email')
    await addSignIn(tx, { siteId, personId, role: found.role as StaffRole, name: found.name, email, password })
    return email.toLowerCase()
  })
}
