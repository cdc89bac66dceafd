import type { Role } from '@/core/room/role'

/** Who does something: always one person of one site, in one role. */
export interface Actor {
  readonly siteId: string
  readonly personId: string
  readonly role: Role
}
