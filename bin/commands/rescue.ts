import { v7 as uuid } from 'uuid'
import { codeFrom } from '@/core/people/invitation'
import { STAFF_ROLES, type StaffRole } from '@/core/room/role'
import { connect } from '@/store/connect'
import { invite } from '@/store/site/invitations'

const [email] = process.argv.slice(2)
const url = process.env['DATABASE_URL']
if (!email || !url) {
  console.error('usage: DATABASE_URL=… bin/rescue ADDRESS')
  process.exitCode = 2
} else {
  const store = connect(url)
  try {
    const found = await store
      .selectFrom('sign_in_user')
      .innerJoin('membership', 'membership.user_id', 'sign_in_user.id')
      .select(['site_id', 'person_id', 'role'])
      .where('email', '=', email.toLowerCase())
      .where('role', 'in', STAFF_ROLES)
      .executeTakeFirst()
    if (!found) throw new Error(`nobody signs in as ${email}`)
    const code = codeFrom(crypto.getRandomValues(new Uint8Array(12)))
    await store.transaction().execute((tx) =>
      invite(tx, {
        siteId: found.site_id,
        personId: found.person_id,
        madeBy: found.person_id,
        role: found.role as StaffRole,
        invitationId: uuid(),
        kind: 'password',
        code,
        now: new Date(),
      }),
    )
    console.log(`Open /join and give the code  ${code}  It works once, for a day.`)
  } catch (error) {
    console.error(`orthodex: ${error instanceof Error ? error.message : String(error)}; nothing was changed`)
    process.exitCode = 1
  } finally {
    await store.destroy()
  }
}
