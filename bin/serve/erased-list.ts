import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Store } from '@/store/connect'
import { erasePerson } from '@/store/people/erase'

/**
 * Who was erased, beside the copies: a database that is put back from before, by whatever way, has them still and knows nothing of
 * it. Ids alone, so that the list names nobody.
 */
const LIST = 'erased.txt'
const HEAD = `# Who was erased: when, of which venue, who. Where an older copy is put back, they are erased again.
# Somebody was erased by mistake? Take their line out first, then put the copy back.
`
const ID = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}'
const LINE = new RegExp(`^(\\S+) (${ID}) (${ID})$`)

interface Erased {
  readonly at: string
  readonly siteId: string
  readonly personId: string
}

/** @throws Error with the line that cannot be read */
function readList(folder: string): Erased[] {
  const file = join(folder, LIST)
  if (!existsSync(file)) return []
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((text, index) => {
      if (text.trim() === '' || text.startsWith('#')) return []
      const [, at, siteId, personId] = LINE.exec(text) ?? []
      if (!at || Number.isNaN(Date.parse(at)))
        throw new Error(`${file}, line ${index + 1}: a moment, the id of a venue and that of a person belong here`)
      return [{ at, siteId: siteId!, personId: personId! }]
    })
}

async function readErased(store: Store): Promise<Erased[]> {
  const found: Erased[] = []
  for (const { site_id } of await store.selectFrom('site').select('site_id').execute()) {
    const rows = await store
      .selectFrom('person')
      .select(['person_id', 'erased_at'])
      .where('site_id', '=', site_id)
      .where('erased_at', 'is not', null)
      .execute()
    for (const { person_id, erased_at } of rows)
      found.push({ at: erased_at!.toISOString(), siteId: site_id, personId: person_id })
  }
  return found
}

/**
 * Erases those again who were erased once and are here all the same.
 * @returns how many
 */
export async function eraseAgain(store: Store, folder: string, now: Date): Promise<number> {
  const erased = new Set((await readErased(store)).map(({ personId }) => personId))
  let again = 0
  for (const { siteId, personId } of readList(folder)) {
    if (erased.has(personId)) continue
    again += await store.transaction().execute(async (tx) => {
      // Two copies of the program may find them at once.
      const isHere = await tx
        .selectFrom('person')
        .select('person_id')
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId)
        .where('erased_at', 'is', null)
        .forUpdate()
        .executeTakeFirst()
      if (isHere) await erasePerson(tx, siteId, personId, now)
      return isHere ? 1 : 0
    })
  }
  return again
}

/** The same, then the list with whoever was erased since it was written. */
export async function keepErased(store: Store, folder: string, now: Date): Promise<number> {
  const again = await eraseAgain(store, folder, now)
  const listed = readList(folder)
  const known = new Set(listed.map(({ personId }) => personId))
  const since = (await readErased(store)).filter(({ personId }) => !known.has(personId))
  if (since.length === 0) return again
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const lines = [...listed, ...since]
    .sort((a, b) => a.at.localeCompare(b.at))
    .map(({ at, siteId, personId }) => `${at} ${siteId} ${personId}\n`)
  const making = join(folder, `.${LIST}.making`)
  writeFileSync(making, HEAD + lines.join(''), { mode: 0o600, flush: true })
  renameSync(making, join(folder, LIST))
  return again
}
