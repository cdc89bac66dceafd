import 'server-only'
import { may } from '@/core/wire/permission'
import type { Role } from '@/core/room/role'

const STAFF_PLACES = [
  { href: '/room', name: 'Room', sight: 'see-room' },
  { href: '/kits', name: 'Kits', sight: 'see-kits' },
  { href: '/sessions', name: 'Sessions', sight: 'see-sessions' },
  { href: '/lab', name: 'Lab', sight: 'see-lab' },
  { href: '/stores', name: 'Stores', sight: 'see-stores' },
  { href: '/rules', name: 'House rules', sight: 'see-rules' },
  { href: '/people', name: 'People', sight: 'see-people' },
] as const
const LEARNER_PLACES = [
  { href: '/station', name: 'Your seat' },
  { href: '/lab', name: 'Lab' },
] as const

/** The places that somebody of this role can go. */
export const placesOf = (role: Role): readonly { readonly href: string; readonly name: string }[] =>
  role === 'learner' ? LEARNER_PLACES : STAFF_PLACES.filter(({ sight }) => may(role, sight))
