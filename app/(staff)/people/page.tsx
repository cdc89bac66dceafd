import { named } from '@/core/units/words'
import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { asksNoMore, KEY_WORDS } from '@/core/people/key'
import { readKeys } from '@/store/keys/keys'
import { readRoom } from '@/store/machine/machines'
import { readNames } from '@/store/site/site'
import { dayIn } from '@/core/units/day'
import { dayWords, formatInTimeZone } from '@/ui/time'
import { siteOf } from '../../_server/site'
import { Keys } from './keys'
import { readInvitations } from '@/store/site/invitations'
import { readStaff } from '@/store/site/people'
import type { StaffRole } from '@/core/room/role'
import { mails } from '../../_server/mail'
import { mustSee } from '../../_server/actor'
import { booksOf } from '../../_server/store'
import { Invite, OpenInvitations } from './invite'
import { StaffRow, type StaffShown } from './staff'

export const metadata: Metadata = { title: 'People' }

const LINKS = [
  ['/you', 'Your password, PIN and sign-ins'],
  ['/people/kept', 'What is kept about people'],
  ['/people/deeds', 'Who did what'],
  ['/venue', 'The venue'],
  ['/begin', 'Getting it ready'],
] as const

export default async function PeoplePage() {
  const actor = await mustSee('see-people')
  const store = booksOf(actor.siteId)
  const now = new Date()
  const [staff, invitations, keys, room, site, names] = await Promise.all([
    readStaff(store, actor.siteId),
    readInvitations(store, actor.siteId, now),
    readKeys(store, actor.siteId),
    readRoom(store, actor.siteId),
    siteOf(actor.siteId),
    readNames(store, actor.siteId),
  ])
  const machineName = (machineId: string | undefined) => room.find((each) => each.machineId === machineId)?.name
  const shown = staff.map((row): StaffShown => ({
    personId: row.person_id,
    name: row.name,
    role: row.role as StaffRole,
    email: row.email,
    ...(row.ended_at && { left: dayWords(dayIn(row.ended_at, site.timeZone)) }),
  }))
  const here = shown.filter(({ left }) => !left)
  const gone = shown.filter(({ left }) => left)
  return (
    <div className="mx-auto grid max-w-6xl gap-8 lg:grid-cols-[3fr_2fr]">
      <section>
        <h1 className="text-3xl font-bold">People</h1>
        <p className="mt-1">Staff who sign in. Learners need nothing but their class code and first name.</p>
        <nav aria-label="About people" className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
          {LINKS.map(([href, words]) => (
            <Link key={href} className="link" href={href}>
              {words}
            </Link>
          ))}
        </nav>
        <ul className="mt-4">
          {here.map((person) => (
            <StaffRow key={person.personId} person={person} self={person.personId === actor.personId} mails={mails()} />
          ))}
        </ul>
        {gone.length > 0 && (
          <details className="mt-4">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">Who has left ({gone.length})</summary>
            <ul>
              {gone.map((person) => (
                <StaffRow key={person.personId} person={person} self={false} mails={mails()} />
              ))}
            </ul>
          </details>
        )}
      </section>
      <div className="flex flex-col gap-8">
        <Invite mails={mails()} />
        <OpenInvitations
          invitations={invitations.map(({ invitationId, name, kind, role, expiresAt }) => ({
            invitationId,
            name,
            words: `${kind === 'join' ? `to come in as ${named(role)}` : 'for a new password'}, until ${formatInTimeZone(expiresAt, site.timeZone)}`,
          }))}
        />
      </div>
      <Keys
        keys={keys
          .filter(({ endedAt }) => !endedAt)
          .map(({ keyId, name, purpose, machineId, madeBy, madeAt, usedAt }) => ({
            keyId,
            name,
            words: machineId ? `run meter of ${machineName(machineId) ?? 'a machine'}` : KEY_WORDS[purpose],
            made: `made by ${names.get(madeBy) ?? 'somebody'}, ${formatInTimeZone(madeAt, site.timeZone)}`,
            used: usedAt ? `last used ${formatInTimeZone(usedAt, site.timeZone)}` : 'not used so far',
            quiet: asksNoMore(
              { purpose, madeAt: madeAt.toISOString(), ...(usedAt && { usedAt: usedAt.toISOString() }) },
              now.toISOString(),
            ),
          }))}
        machines={room.map(({ machineId, name }) => ({ machineId, name }))}
      />
    </div>
  )
}
