import 'server-only'
import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { cache } from 'react'
import { may, type Action, type Sight } from '@/core/wire/permission'
import { roleByPin, type Role } from '@/core/room/role'
import { UnitsSchema } from '@/core/room/venue-settings-schema'
import { check } from '@/core/schema/validate'
import type { Units } from '@/core/units/measure'
import { refuseUnlessAllowed, type Actor } from '@/store/actor'
import { Refused } from '@/store/refused'
import { readMembership } from '@/store/site/people'
import { ofProcess } from './of-process'
import { signIn } from './sign-in'
import { everyVenue } from './every-venue'

export interface SignedIn extends Actor {
  readonly name: string
  /** signed in by a PIN, on a tablet of the room */
  readonly onTablet: boolean
  /** in what they measure; absent: as their venue does */
  readonly units?: Units
}

/** A page asks many things at once: for this long its answers share one look at the sign-in. One ended elsewhere ends then. */
const SHARED_MS = 1_000
const MOST_SHARED = 1_000

type Looks = Map<string, { readonly until: number; readonly found: Promise<SignedIn | undefined> }>
const held = ofProcess<{ looks: Looks }>()
const looks = (): Looks => (held.looks ??= new Map())

/** Whoever asks, or undefined: decided once a request. */
export const currentActor = cache(async (): Promise<SignedIn | undefined> => {
  const asked = await headers()
  const cookie = asked.get('cookie')
  if (!cookie) return undefined
  const shared = looks()
  const before = shared.get(cookie)
  if (before && before.until > performance.now()) return before.found
  if (shared.size >= MOST_SHARED) shared.clear()
  const found = actorOf(asked)
  shared.set(cookie, { until: performance.now() + SHARED_MS, found })
  // Only who was found is shared: whoever has just signed in is let in at once, and a database that was away is asked again.
  const forget = () => shared.delete(cookie)
  found.then((actor) => actor ?? forget(), forget)
  return found
})

/** Somebody may be more, less or nobody from now on: everybody is looked at anew. */
export const forgetActors = (): void => looks().clear()

/** Whoever asks, looked at anew: for what is open longer than a page takes to be drawn. */
export async function actorOf(asked: Headers): Promise<SignedIn | undefined> {
  const found = await signIn().api.getSession({ headers: asked })
  if (!found) return undefined
  const membership = await readMembership(everyVenue(), found.user.id)
  if (!membership) return undefined
  const ownRole = membership.role as Role
  const onTablet = Boolean(found.session.tabletId)
  const role = onTablet ? roleByPin(ownRole) : ownRole
  return {
    siteId: membership.site_id,
    personId: membership.person_id,
    role,
    ...(role !== ownRole && { ownRole }),
    name: membership.name,
    onTablet,
    ...(membership.units !== null && { units: check(UnitsSchema, membership.units) }),
  }
}

/**
 * Whoever asks for something over HTTP and may have it.
 * @throws Refused 401 or 403
 */
export async function mustBeAllowed(action: Action): Promise<SignedIn> {
  const actor = await currentActor()
  if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you typed is still here')
  refuseUnlessAllowed(actor, action)
  return actor
}

export const homeOf = (role: Role): string => (role === 'learner' ? '/station' : '/room')

/** Lets a page be seen by those who may; others are sent to sign in, or told that there is no such page. */
export async function mustSee(sight: Sight): Promise<SignedIn> {
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  if (!may(actor.role, sight)) notFound()
  return actor
}
