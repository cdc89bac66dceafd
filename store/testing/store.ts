import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { inject } from 'vitest'
import type { Actor } from '../actor'
import { connect, type Store } from '../connect'
import type { StaffRole } from '@/core/room/role'
import { createSite } from '../site/create-site'
import { addSignIn } from '../site/people'

/**
 * A fresh, migrated database of the test's own, dropped by `end`.
 * @param of a database's address: as that one is, and nobody may be asking it
 */
export async function freshStore(of?: string): Promise<{ store: Store; url: string; end: () => Promise<void> }> {
  const templateUrl = inject('templateUrl')
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const ask = async (statement: string) => {
    const client = new pg.Client({ connectionString: templateUrl.replace(/\/template$/, '/postgres') })
    await client.connect()
    await client.query(statement)
    await client.end()
  }
  await ask(`create database ${name} template ${of ? new URL(of).pathname.slice(1) : 'template'}`)
  const url = templateUrl.replace(/\/template$/, `/${name}`)
  const store = connect(url)
  return {
    store,
    url,
    end: async () => {
      await store.destroy()
      await ask(`drop database ${name} with (force)`)
    },
  }
}

/** A venue of its own in a test's database, with its coordinator Ada. */
export const aVenue = (store: Store, code: string): Promise<Actor> =>
  store
    .transaction()
    .execute((tx) =>
      createSite(
        tx,
        { code, name: code, timeZone: 'UTC' },
        { name: 'Ada', email: `ada@${code}.example`, password: 'long-enough-1' },
      ),
    )

/** A project as a command adds it, with a learner of its own: a plain woven bag. */
export const aProject = (learner: string) => ({
  projectId: uuid(),
  personId: uuid(),
  enrolmentId: uuid(),
  learner,
  name: 'a bag',
  fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3 },
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
})

/** A venue with one sign-in for each role of staff, by role. */
export async function aStaffedVenue(store: Store, code: string): Promise<Record<StaffRole, Actor>> {
  const coordinator = await aVenue(store, code)
  const { siteId } = coordinator
  const others = await Promise.all(
    (['instructor', 'helper'] as const).map(async (role) => {
      const personId = uuid()
      await store.insertInto('person').values({ site_id: siteId, person_id: personId, name: role }).execute()
      await store
        .transaction()
        .execute((tx) => addSignIn(tx, { siteId, personId, role, name: role, email: `${role}@${code}.example` }))
      return { siteId, personId, role }
    }),
  )
  return { coordinator, instructor: others[0]!, helper: others[1]! }
}
