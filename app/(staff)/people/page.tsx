import type { Metadata } from 'next'
import { KEY_WORDS } from '@/core/people/key'
import { readKeys } from '@/store/keys/keys'
import { readRoom } from '@/store/machine/machines'
import { readNames } from '@/store/site/site'
import { formatInTimeZone } from '@/ui/time'
import { siteOf } from '../../_server/site'
import { Keys } from './keys'
import { readStaff } from '@/store/site/people'
import { mustSee } from '../../_server/actor'
import { theStore } from '../../_server/store'
import { NewPerson } from './new-person'

export const metadata: Metadata = { title: 'People' }

export default async function PeoplePage() {
  const actor = await mustSee('see-people')
  const store = theStore()
  const [staff, keys, room, site, names] = await Promise.all([
    readStaff(store, actor.siteId),
    readKeys(store, actor.siteId),
    readRoom(store, actor.siteId),
    siteOf(actor.siteId),
    readNames(store, actor.siteId),
  ])
  const machineName = (machineId: string | undefined) => room.find((each) => each.machineId === machineId)?.name
  return (
    <div className="mx-auto grid max-w-4xl gap-8 md:grid-cols-2">
      <section>
        <h1 className="text-3xl font-bold">People</h1>
        <p className="mt-1">Staff who sign in. Learners need nothing but their class code and first name.</p>
        <ul className="mt-4">
          {staff.map((person) => (
            <li key={person.person_id} className="seam py-3">
              <strong>{person.name}</strong>, {person.role}
              <br />
              <span className="text-sm">{person.email}</span>
            </li>
          ))}
        </ul>
      </section>
      <NewPerson />
      <Keys
        keys={keys
          .filter(({ endedAt }) => !endedAt)
          .map(({ keyId, name, purpose, machineId, madeBy, madeAt }) => ({
            keyId,
            name,
            words: machineId ? `run meter of ${machineName(machineId) ?? 'a machine'}` : KEY_WORDS[purpose],
            made: `made by ${names.get(madeBy) ?? 'somebody'}, ${formatInTimeZone(madeAt, site.timeZone)}`,
          }))}
        machines={room.map(({ machineId, name }) => ({ machineId, name }))}
      />
    </div>
  )
}
