import { v7 as uuid } from 'uuid'
import { codeFrom } from '@/core/people/invitation'
import { STAFF_ROLES } from '@/core/room/role'
import type { Store } from '../connect'
import { ofEveryVenue } from '../site-wall'
import { addCode } from './invitations'

export interface Remembered {
  readonly code: string
  readonly name: string
  readonly venue: string
}

/**
 * A code for a new password of whoever signs in with this address; the password they have holds until they use it.
 * @returns undefined where nobody does, or nobody who still comes in
 */
export async function codeForForgotten(store: Store, email: string, now: Date): Promise<Remembered | undefined> {
  const user = await ofEveryVenue(store)
    .selectFrom('sign_in_user')
    .innerJoin('membership', 'membership.user_id', 'sign_in_user.id')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'membership.site_id').onRef('person.person_id', '=', 'membership.person_id'),
    )
    .innerJoin('site', 'site.site_id', 'membership.site_id')
    .select(['membership.site_id', 'membership.person_id', 'role', 'person.name', 'site.name as venue'])
    .where('email', '=', email.trim().toLowerCase())
    .where('membership.ended_at', 'is', null)
    .executeTakeFirst()
  const role = STAFF_ROLES.find((each) => each === user?.role)
  if (!user || !role) return undefined
  const code = codeFrom(crypto.getRandomValues(new Uint8Array(12)))
  const { site_id: siteId, person_id: personId, name, venue } = user
  await store
    .transaction()
    .execute((tx) =>
      addCode(tx, { siteId, invitationId: uuid(), personId, kind: 'password', role, code, madeBy: personId, now }),
    )
  return { code, name, venue }
}
