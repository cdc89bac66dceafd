import type { Role } from '@/core/room/role'
import { named } from '@/core/units/words'
import { actionWords, may, type Action } from '@/core/wire/permission'
import { Refused } from './refused'

/** Who does something: always one person of one site, in one role. */
export interface Actor {
  readonly siteId: string
  readonly personId: string
  readonly role: Role
  /** what they are on a device of their own, where a PIN opens less */
  readonly ownRole?: Role
}

/** @throws Refused 403, and says where they could, if they could anywhere */
export function refuseUnlessAllowed({ role, ownRole }: Pick<Actor, 'role' | 'ownRole'>, action: Action): void {
  if (may(role, action)) return
  if (ownRole && may(ownRole, action))
    throw new Refused(
      403,
      'not-by-pin',
      `By a PIN nobody can ${actionWords(action)}: sign in with your password, on a device of your own`,
    )
  throw new Refused(403, 'not-allowed', `Signed in as ${named(role)}, you cannot ${actionWords(action)}`)
}
