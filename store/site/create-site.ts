import type { Transaction } from 'kysely'
import { v7 as uuid } from 'uuid'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { DEFAULT_VENUE_SETTINGS } from '@/core/room/venue-settings'
import type { Units } from '@/core/units/measure'
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
    readonly units?: Units
    /** a demo or training venue: stand-in devices may be read */
    readonly practice?: boolean
    /** the venue beside which it was opened */
    readonly practiceOf?: string
    /** when it is thrown away by itself */
    readonly endsAt?: Date
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
      practice_of: venue.practiceOf ?? null,
      ends_at: venue.endsAt ?? null,
      ...(venue.units && { settings: JSON.stringify({ ...DEFAULT_VENUE_SETTINGS, units: venue.units }) }),
      house_rules: JSON.stringify(DEFAULT_HOUSE_RULES),
    })
    .execute()
  await tx.insertInto('person').values({ site_id: siteId, person_id: personId, name: coordinator.name }).execute()
  await addSignIn(tx, { ...coordinator, siteId, personId, role: 'coordinator' })
  return { siteId, personId, role: 'coordinator' }
}
