import type { Transaction } from 'kysely'
import { v7 as uuid } from 'uuid'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import type { Role } from '@/core/room/role'
import type { Actor } from '../actor'
import type { Database } from '../database'
import { addSignIn } from './people'

export interface NewPerson {
  readonly name: string
  readonly email: string
  readonly password: string
  readonly role: Role
}

/** A new venue with its first coordinator, who can do the rest. */
export async function createSite(
  tx: Transaction<Database>,
  venue: {
    readonly siteId?: string
    readonly code: string
    readonly name: string
    readonly timeZone: string
    /** a demo or training venue: stand-in devices may be read */
    readonly practice?: boolean
  },
  coordinator: Omit<NewPerson, 'role'> & { readonly personId?: string },
): Promise<Actor> {
  const siteId = venue.siteId ?? uuid()
  const personId = coordinator.personId ?? uuid()
  await tx
    .insertInto('site')
    .values({
      site_id: siteId,
      code: venue.code,
      name: venue.name,
      time_zone: venue.timeZone,
      practice: venue.practice ?? false,
      house_rules: JSON.stringify(DEFAULT_HOUSE_RULES),
    })
    .execute()
  await tx.insertInto('person').values({ site_id: siteId, person_id: personId, name: coordinator.name }).execute()
  await addSignIn(tx, { ...coordinator, siteId, personId, role: 'coordinator' })
  return { siteId, personId, role: 'coordinator' }
}
