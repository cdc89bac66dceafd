import type { Metadata } from 'next'
import { readStaff } from '@/store/site/people'
import { mustSee } from '../../_server/actor'
import { theStore } from '../../_server/store'
import { NewPerson } from './new-person'

export const metadata: Metadata = { title: 'People' }

export default async function PeoplePage() {
  const actor = await mustSee('see-people')
  const staff = await readStaff(theStore(), actor.siteId)
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
    </div>
  )
}
