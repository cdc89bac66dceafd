import { Refused } from '../refused'
import { addSignIn } from '../site/people'
import { command } from './command'

/** A new member of staff with a sign-in. */
export const addPerson = command('add-person', async ({ tx, actor }, { personId, name, email, password, role }) => {
  const taken = await tx
    .selectFrom('sign_in_user')
    .select('id')
    .where('email', '=', email.toLowerCase())
    .executeTakeFirst()
  if (taken) throw new Refused(409, 'taken', 'Somebody signs in with this address already', 'email')
  await tx.insertInto('person').values({ site_id: actor.siteId, person_id: personId, name }).execute()
  await addSignIn(tx, { siteId: actor.siteId, personId, role, name, email, password })
})
