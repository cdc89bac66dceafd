import { readPerson } from '@/store/people/person-file'
import { notFound } from '@/store/refused'
import { asDownload, isId } from '../../../_server/answer'
import { route } from '../../../_server/asked'
import { storeOf } from '../../../_server/store'

/** All that is kept about one person, as a file to hand over. */
export const GET = route<{ person: string }>({ may: 'see-people' }, async ({ actor, params: { person } }) => {
  if (!isId(person)) throw notFound('person', 'person')
  const file = await readPerson(storeOf(actor.siteId), actor.siteId, person)
  return asDownload(`person-${person.slice(0, 8)}.json`, 'application/json', JSON.stringify(file, null, 2))
})
